"use client";

import { useEffect, useRef, useState } from "react";
import type { RunView } from "@/server/loading";

/** Without a line of events, tablets ask so often what the others did. */
const ASK_MS = 2000;
/** The server says every 15 s that it is there; a line that was silent for longer is dead. */
const SILENT_MS = 40_000;

/**
 * Hears what other tablets do: by events where the line carries them, else by asking every other second. Says whether
 * the last try brought no answer.
 */
export function useOthers(view: RunView, hear: (answer: unknown) => void): boolean {
  const [isDeaf, setDeaf] = useState(false);
  const { id, stamp, isOver } = view;
  const known = useRef(stamp);
  useEffect(() => {
    known.current = stamp;
  }, [stamp]);
  useEffect(() => {
    if (isOver) return;
    const address = `/load/session/run/${id}`;
    let heardAt = -Infinity;
    const here = () => {
      heardAt = performance.now();
      // What comes in on a line that is about to break says nothing of the network.
      if (navigator.onLine) setDeaf(false);
    };
    const events = typeof EventSource === "undefined" ? null : new EventSource(`${address}/events`);
    if (events) {
      events.onopen = here;
      events.addEventListener("here", here);
      events.onmessage = ({ data }: MessageEvent<string>) => {
        here();
        hear({ view: JSON.parse(data) as RunView });
      };
      // The browser opens it again by itself; until then we ask.
      events.onerror = () => (heardAt = -Infinity);
    }
    const timer = setInterval(async () => {
      if (navigator.onLine && performance.now() - heardAt < SILENT_MS) return;
      try {
        const response = await fetch(`${address}/state?stamp=${encodeURIComponent(known.current)}`, {
          signal: AbortSignal.timeout(8000),
        });
        if (response.ok) hear(await response.json());
        setDeaf(response.status >= 500);
      } catch {
        setDeaf(true);
      }
    }, ASK_MS);
    // The line may look open for minutes after the network is gone; the device knows sooner.
    const cutOff = () => (heardAt = -Infinity);
    window.addEventListener("offline", cutOff);
    return () => {
      window.removeEventListener("offline", cutOff);
      events?.close();
      clearInterval(timer);
    };
  }, [id, isOver, hear]);
  return isDeaf;
}
