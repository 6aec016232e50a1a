"use client";

import { useEffect, useState } from "react";
import type { Sweep, SweepQuestion } from "@/core/whip/sweep";

export interface SweepState {
  sweep: Sweep | null;
  /** Share done, 0 to 1. */
  share: number;
  ms: number;
  isCancelled: boolean;
  cancel: () => void;
}

/** A sweep in a web worker; a new question ends the one before it. */
export function useSweep(question: SweepQuestion): SweepState {
  const key = JSON.stringify(question);
  const [state, setState] = useState<{ key: string; sweep: Sweep | null; share: number; ms: number }>({
    key: "",
    sweep: null,
    share: 0,
    ms: 0,
  });
  const [cancelledKey, setCancelledKey] = useState("");
  useEffect(() => {
    if (cancelledKey === key) return;
    const worker = new Worker(new URL("../../workers/whipBench.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<{ share?: number; sweep?: Sweep; ms?: number }>) =>
      setState((now) =>
        data.sweep
          ? { key, sweep: data.sweep, share: 1, ms: data.ms ?? 0 }
          : { ...now, share: data.share ?? now.share },
      );
    worker.postMessage(JSON.parse(key));
    return () => worker.terminate();
  }, [key, cancelledKey]);
  return {
    sweep: state.key === key ? state.sweep : null,
    share: state.share,
    ms: state.ms,
    isCancelled: cancelledKey === key,
    cancel: () => setCancelledKey(key),
  };
}
