import "server-only";
import { join } from "node:path";
import { Piscina } from "piscina";
import { carriedRequest } from "@/data/carriedRequest";
import type { PaperName, ShownOn } from "@/papers";
import type { Context } from "@/server/access";
import { TooBusy, TookTooLong } from "./busy";
import { FairQueue } from "./queue";

/** The longest paper, a comparison of many pages, takes a few seconds on a small machine. */
const PAPER_MS = 30_000;
/** Papers that may wait in all. */
const MAX_WAITING = 16;
const THREAD_MEMORY_MB = 512;

interface Press {
  pool: Piscina;
  queue: FairQueue;
}

/** One press a process, whatever copies of this module the build makes. */
const held = globalThis as typeof globalThis & { garrisonPress?: Press };

function press(): Press {
  held.garrisonPress ??= {
    pool: new Piscina({
      // Bundled beside the build; scripts/lib/threads.mjs.
      filename: join(process.cwd(), ".next/threads/papers.mjs"),
      minThreads: 0,
      // Faces and layout take a hundred megabytes a thread, and papers are asked for rarely.
      maxThreads: 1,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: THREAD_MEMORY_MB },
    }),
    queue: new FairQueue(1, MAX_WAITING),
  };
  return held.garrisonPress;
}

/**
 * Lays out a paper beside the server's own thread, one after the other, and not for somebody who has gone.
 *
 * @param shown what the paper shows; plain data, it goes to the thread as a copy.
 * @returns the bytes of a PDF
 * @throws TooBusy when too many wait already; TookTooLong; the signal's reason when the asker has gone.
 */
export async function drawPaper<Name extends PaperName>(
  { asker, signal }: Pick<Context, "asker" | "signal">,
  paper: Name,
  ...shown: ShownOn<Name>
): Promise<Uint8Array<ArrayBuffer>> {
  const { pool, queue } = press();
  const end = AbortSignal.timeout(PAPER_MS);
  try {
    return await queue.run(
      asker,
      1,
      signal,
      async () =>
        (await pool.run({ paper, shown }, { signal: AbortSignal.any([signal, end]) })) as Uint8Array<ArrayBuffer>,
    );
  } catch (error) {
    const carried = carriedRequest();
    const isLate = end.aborted && !signal.aborted;
    // Told as 503 and when to come back, as where the database is busy.
    if ((error instanceof TooBusy || isLate) && carried) carried.isUnavailable = true;
    throw isLate ? new TookTooLong() : error;
  }
}

/** Ends the press; for tests and for a stop. */
export async function endPress(): Promise<void> {
  await held.garrisonPress?.pool.destroy();
  delete held.garrisonPress;
}
