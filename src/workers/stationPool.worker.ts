import { planStations } from "@/core/loading/plan/planStations";
import type { PoolQuestion } from "@/core/loading/plan/poolQuestion";
import { poolRemedy } from "@/core/loading/plan/poolRemedy";

/**
 * Plans all stations of a class beside the page: tells how far it is, then the plan and how long it took, then what
 * to lay out so that nothing is short.
 */
self.onmessage = ({ data: { question, feltUnits } }: MessageEvent<{ question: PoolQuestion; feltUnits: number }>) => {
  const started = performance.now();
  const plan = planStations(question, {
    onProgress: (share) => {
      self.postMessage({ share });
      return true;
    },
  })!;
  self.postMessage({ plan, ms: performance.now() - started });
  self.postMessage({ remedy: poolRemedy(question, plan, feltUnits) });
};
