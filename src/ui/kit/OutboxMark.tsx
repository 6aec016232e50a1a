"use client";

import { usePathname } from "next/navigation";
import { useEffect, useState } from "react";
import { onAnySent, sendUnsent, unsentOf, unsentOfOthers } from "./outbox";

const RETRY_MS = 5000;
const OWN_NOTE = /^\/load\/session\/run\/|^\/care\/rounds(\/|$)/;

/** Sends, from whatever page is open, what a floor screen could not; says so while something waits. */
export function OutboxMark() {
  const [waiting, setWaiting] = useState(0);
  const [others, setOthers] = useState<string[]>([]);
  const path = usePathname();
  useEffect(() => {
    let isHere = true;
    const look = async () => {
      const [all, theirs] = await Promise.all([unsentOf(), unsentOfOthers()]);
      if (!isHere) return;
      setWaiting(all.length - theirs.length);
      setOthers(theirs.map(({ by }) => by.name));
    };
    const again = () => void sendUnsent().then(look);
    const stop = onAnySent(() => void look());
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
  const names = [...new Set(others)];
  // Floor screens say it themselves, in the middle of things.
  const isSaid = waiting === 0 || OWN_NOTE.test(path);
  if (isSaid && others.length === 0) return null;
  return (
    <div className="no-print bg-base-100 border-accent fixed right-2 bottom-2 z-10 border px-3 py-1 text-xs shadow">
      {!isSaid && (
        <p>
          {waiting} {waiting === 1 ? "change" : "changes"} waiting to sync
        </p>
      )}
      {others.length > 0 && (
        <p>
          {others.length} {others.length === 1 ? "change" : "changes"} by {names.join(", ")} saved on this tablet. Sign
          in as {names.length === 1 ? names[0] : "them"} to sync.
        </p>
      )}
    </div>
  );
}
