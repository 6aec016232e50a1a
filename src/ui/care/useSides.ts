"use client";

import { useCallback, useSyncExternalStore } from "react";
import { NO_SIDES, type Sides } from "@/core/care/roundSteps";

const EVENT = "garrison-sides";
let cached: { text: string | null; sides: Sides } = { text: null, sides: NO_SIDES };

/**
 * How far a round by sides is, kept for the day on this device: a page that is opened again in the middle goes on where
 * it was. Nothing of it is known elsewhere until a bar is done.
 */
export function useSides(day: string): [Sides, (next: Sides) => void] {
  const key = `garrison-sides-${day}`;
  const sides = useSyncExternalStore(
    subscribe,
    () => read(key),
    () => NO_SIDES,
  );
  const keep = useCallback(
    (next: Sides) => {
      sessionStorage.setItem(key, JSON.stringify(next));
      window.dispatchEvent(new Event(EVENT));
    },
    [key],
  );
  return [sides, keep];
}

function subscribe(again: () => void): () => void {
  window.addEventListener(EVENT, again);
  return () => window.removeEventListener(EVENT, again);
}

function read(key: string): Sides {
  const text = sessionStorage.getItem(key);
  if (text !== cached.text) cached = { text, sides: text === null ? NO_SIDES : (JSON.parse(text) as Sides) };
  return cached.sides;
}
