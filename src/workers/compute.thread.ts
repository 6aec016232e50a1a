import { type Allowance, type Assignment, TASKS } from "./compute";

/** Runs in a server thread; scripts/lib/threads.mjs bundles it beside the build. */
export default function compute({ task, question, ms, abandoned }: Assignment): unknown {
  const isAbandoned = new Int32Array(abandoned);
  const started = performance.now();
  const spent = () => (Atomics.load(isAbandoned, 0) !== 0 ? Infinity : (performance.now() - started) / ms);
  return (TASKS[task] as (question: unknown, allowance: Allowance) => unknown)(question, { spent });
}
