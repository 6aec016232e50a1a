"use client";

import { useEffect, useState } from "react";
import type { PoolPlan, PoolQuestion } from "@/core/loading/plan/poolQuestion";
import type { PoolRemedy } from "@/core/loading/plan/poolRemedy";

export interface PoolState {
  plan: PoolPlan | null;
  /** What to lay out so that nothing is short; undefined while that is looked for. */
  remedy: PoolRemedy | null | undefined;
  /** Share done, 0 to 1. */
  share: number;
  ms: number;
  isCancelled: boolean;
  cancel: () => void;
  again: () => void;
}

interface Told {
  share?: number;
  plan?: PoolPlan;
  ms?: number;
  remedy?: PoolRemedy | null;
}

/** All stations planned in a web worker; a new question ends the one before it, and leaving the page does. */
export function usePool(question: PoolQuestion, feltUnits: number): PoolState {
  const key = JSON.stringify({ question, feltUnits });
  const [state, setState] = useState<{ key: string; plan: PoolPlan | null; share: number; ms: number }>({
    key: "",
    plan: null,
    share: 0,
    ms: 0,
  });
  const [found, setFound] = useState<{ key: string; remedy: PoolRemedy | null } | null>(null);
  const [cancelledKey, setCancelledKey] = useState("");
  useEffect(() => {
    if (cancelledKey === key) return;
    const worker = new Worker(new URL("../../workers/stationPool.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<Told>) => {
      if (data.remedy !== undefined) setFound({ key, remedy: data.remedy });
      else
        setState((now) =>
          data.plan ? { key, plan: data.plan, share: 1, ms: data.ms ?? 0 } : { ...now, share: data.share ?? now.share },
        );
    };
    worker.postMessage(JSON.parse(key));
    return () => worker.terminate();
  }, [key, cancelledKey]);
  return {
    plan: state.key === key ? state.plan : null,
    remedy: found?.key === key ? found.remedy : undefined,
    share: state.share,
    ms: state.ms,
    isCancelled: cancelledKey === key,
    cancel: () => setCancelledKey(key),
    again: () => setCancelledKey(""),
  };
}
