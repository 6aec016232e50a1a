"use client";

import { useEffect, useState } from "react";
import type { RunView } from "@/server/loading";

/** Tablets ask so often what the others did. */
const ASK_MS = 2000;

/** Asks every other second what other tablets did; says whether the last time brought no answer. */
export function useOthers(view: RunView, hear: (answer: unknown) => void): boolean {
  const [isDeaf, setDeaf] = useState(false);
  const { id, stamp, isOver } = view;
  useEffect(() => {
    if (isOver) return;
    const timer = setInterval(async () => {
      try {
        const response = await fetch(`/load/session/run/${id}/state?stamp=${encodeURIComponent(stamp)}`, {
          signal: AbortSignal.timeout(8000),
        });
        if (response.ok) hear(await response.json());
        setDeaf(response.status >= 500);
      } catch {
        setDeaf(true);
      }
    }, ASK_MS);
    return () => clearInterval(timer);
  }, [id, stamp, isOver, hear]);
  return isDeaf;
}
