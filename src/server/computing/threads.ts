import "server-only";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { Piscina } from "piscina";
import { carriedRequest } from "@/data/carriedRequest";
import type { Context } from "@/server/access";
import type { AnswerOf, Assignment, QuestionOf, TaskName } from "@/workers/compute";
import { TooBusy, TookTooLong } from "./busy";
import { ProvenAnswers } from "./proven";
import { FairQueue } from "./queue";

/** A screen's answer may take this long. */
const SCREEN_MS = 2_000;
/** Work that does not look at its clock is ended this long after its time; a thread that starts on a busy machine needs some of it. */
const GRACE_MS = 10_000;
/** Pieces of work that may wait in all. */
const MAX_WAITING = 32;
/** What one asker may have under way through the public interface; a screen has one. */
export const AT_ONCE_OF_INTERFACE = 4;
/** Memory of one thread: a plan never needs as much. */
const THREAD_MEMORY_MB = 768;

/** Whether an answer is what the same question will always be answered, for tasks that can tell. */
const IS_PROVEN: { [Name in TaskName]?: (answer: AnswerOf<Name>) => boolean } = {
  sessionPlan: ({ isProven }) => isProven,
  lifterOrder: ({ isProven }) => isProven,
  // A load is bounded by steps and not by time: whatever it answers, it answers again.
  load: () => true,
  loadAndWhy: () => true,
};

interface Threads {
  pool: Piscina;
  queue: FairQueue;
  proven: ProvenAnswers;
}

/** One set of threads a process, whatever copies of this module the build makes. */
const held = globalThis as typeof globalThis & { garrisonThreads?: Threads };

function threads(): Threads {
  if (!held.garrisonThreads) {
    const maxThreads = Math.max(1, Math.min(4, availableParallelism()));
    const pool = new Piscina({
      // Bundled beside the build; scripts/lib/threads.mjs.
      filename: join(process.cwd(), ".next/threads/compute.cjs"),
      minThreads: 1,
      maxThreads,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: THREAD_MEMORY_MB },
    });
    held.garrisonThreads = { pool, queue: new FairQueue(maxThreads, MAX_WAITING), proven: new ProvenAnswers() };
  }
  return held.garrisonThreads;
}

/**
 * Computes beside the server's own thread: in turn, within its time, and not a moment longer than somebody waits.
 *
 * @param ms time it may take before it answers with the best it has.
 * @param atOnce what this asker may have under way.
 * @throws TooBusy when too many wait already; the signal's reason when the asker has gone.
 */
export async function compute<Name extends TaskName>(
  { asker, signal }: Pick<Context, "asker" | "signal">,
  task: Name,
  question: QuestionOf<Name>,
  { ms = SCREEN_MS, atOnce = 1 }: { ms?: number; atOnce?: number } = {},
): Promise<AnswerOf<Name>> {
  const { pool, queue, proven } = threads();
  const work = async (): Promise<AnswerOf<Name>> => {
    const abandoned = new SharedArrayBuffer(4);
    const end = AbortSignal.timeout(ms + GRACE_MS);
    const abandon = () => Atomics.store(new Int32Array(abandoned), 0, 1);
    signal.addEventListener("abort", abandon, { once: true });
    try {
      const assignment: Assignment = { task, question, ms, abandoned };
      const answer = (await pool.run(assignment, { signal: end })) as AnswerOf<Name>;
      signal.throwIfAborted();
      return answer;
    } catch (error) {
      throw end.aborted ? new TookTooLong() : error;
    } finally {
      signal.removeEventListener("abort", abandon);
    }
  };
  try {
    const inTurn = () => queue.run(asker, atOnce, signal, work);
    const isProven = IS_PROVEN[task];
    return await (isProven ? proven.get(task, question, inTurn, isProven) : inTurn());
  } catch (error) {
    // A page that throws this is told 503 and when to come back, as where the database is busy.
    const carried = carriedRequest();
    if (error instanceof TooBusy && carried) carried.isUnavailable = true;
    throw error;
  }
}

/** Ends the threads; for tests and for a stop. */
export async function endThreads(): Promise<void> {
  await held.garrisonThreads?.pool.destroy();
  delete held.garrisonThreads;
}
