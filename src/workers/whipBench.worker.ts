import { sweepBars, type SweepQuestion } from "@/core/whip/sweep";

/** Works a sweep out beside the page: tells how far it is, then the answer and how long it took. */
self.onmessage = ({ data }: MessageEvent<SweepQuestion>) => {
  const started = performance.now();
  const sweep = sweepBars(data, (share) => self.postMessage({ share }));
  self.postMessage({ sweep, ms: performance.now() - started });
};
