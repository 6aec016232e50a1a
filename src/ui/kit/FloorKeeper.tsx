"use client";

import { usePathname } from "next/navigation";
import { useEffect, useState } from "react";
import { FLOOR_SCOPES, isFloorPage, isKeepable, keepPage, PAGES } from "@/workers/floorPages";
import { useShown } from "./shown";

/** So often a screen of the floor is kept anew while it is open. */
const KEEP_MS = 60_000;
const OWNER = "garrison-floor-of";

/**
 * Keeps the floor's screens on this device, so that they open as they last stood while the server is away; over https or
 * on the device that runs the server, as browsers allow it. What was kept of one person goes when another signs in or
 * this one signs out.
 */
export function FloorKeeper() {
  const path = usePathname();
  const keptAt = useKeptAt(path);
  useEffect(() => {
    if (!isPossible()) return;
    for (const scope of FLOOR_SCOPES) void navigator.serviceWorker.register("/sw.js", { scope }).catch(() => {});
  }, []);
  useEffect(() => {
    if (!isPossible()) return;
    const person = document.querySelector<HTMLElement>("[data-person]")?.dataset.person;
    void changeOwner(path === "/sign-in" ? "" : person);
    // What stands here now came from the device: it is as old as it says.
    if (!isFloorPage(path) || document.documentElement.dataset.keptAt) return;
    void keepHere();
    const timer = setInterval(() => void keepHere(), KEEP_MS);
    return () => clearInterval(timer);
  }, [path]);
  return keptAt === null ? null : <KeptNote at={keptAt} />;
}

const isPossible = () => "serviceWorker" in navigator && "caches" in window;

/** When the page that is shown was kept; null where it came from the server, as the next page does once that is back. */
function useKeptAt(path: string): number | null {
  const [kept, setKept] = useState<{ at: number; path: string } | null>(null);
  useEffect(() => {
    const { keptAt } = document.documentElement.dataset;
    // What the worker wrote into the page is known once it stands in a browser.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (keptAt) setKept({ at: Number(keptAt), path: window.location.pathname });
  }, []);
  useEffect(() => {
    if (kept && kept.path !== path) delete document.documentElement.dataset.keptAt;
  }, [kept, path]);
  return kept?.path === path ? kept.at : null;
}

/** Forgets what was kept when somebody else signs in or this one signs out; a page without a person changes nothing. */
async function changeOwner(person: string | undefined): Promise<void> {
  if (person === undefined || localStorage.getItem(OWNER) === person) return;
  await caches.delete(PAGES);
  localStorage.setItem(OWNER, person);
}

/** Keeps the page of this address as the server has it now; nothing where it is away. */
async function keepHere(): Promise<void> {
  if (document.visibilityState === "hidden") return;
  const { href } = window.location;
  const response = await fetch(href, { headers: { accept: "text/html" } }).catch(() => null);
  if (response && isKeepable(response)) await keepPage(href, response, Date.now()).catch(() => {});
}

function KeptNote({ at }: { at: number }) {
  const { time } = useShown();
  const clock = new Date(at);
  const two = (part: number) => String(part).padStart(2, "0");
  return (
    <div
      role="status"
      className="no-print bg-base-100 border-accent fixed inset-x-2 bottom-2 z-30 flex flex-wrap items-center gap-x-3 border-2 px-3 py-1 text-sm shadow"
    >
      <strong>The server does not answer.</strong> This page is as it stood at{" "}
      {time(`${two(clock.getHours())}:${two(clock.getMinutes())}`)}. What you tick is saved here and sent later.
      <button type="button" className="btn btn-sm btn-outline" onClick={() => window.location.reload()}>
        Try again
      </button>
    </div>
  );
}
