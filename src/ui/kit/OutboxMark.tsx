"use client";

import { usePathname } from "next/navigation";
import { useEffect, useState } from "react";
import { onAnySent, sendUnsent, unsentOf } from "./outbox";

const RETRY_MS = 5000;
const OWN_NOTE = /^\/load\/session\/run\/|^\/care\/rounds\//;

/** Sends, from whatever page is open, what a floor screen could not; says so while something waits. */
export function OutboxMark() {
  const [waiting, setWaiting] = useState(0);
  const path = usePathname();
  useEffect(() => {
    let isHere = true;
    const look = () => void unsentOf().then((all) => isHere && setWaiting(all.length));
    const again = () => void sendUnsent().then(look);
    const stop = onAnySent(look);
    again();
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener("online", again);
    return () => {
      isHere = false;
      stop();
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, []);
  // Floor screens say it themselves, in the middle of things.
  if (waiting === 0 || OWN_NOTE.test(path)) return null;
  return (
    <p className="no-print bg-base-100 border-accent fixed right-2 bottom-2 z-10 border px-3 py-1 text-xs shadow">
      {waiting} {waiting === 1 ? "touch waits" : "touches wait"} for the connection
    </p>
  );
}
