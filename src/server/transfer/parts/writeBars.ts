import "server-only";
import { differingTexts, recordTexts } from "@/core/bars/barRecord";
import type { Context } from "@/server/access";
import { insertBars, insertMeasurements, planCareOf, writeRecordsWithoutCare } from "@/server/bars";
import { recordChanges } from "@/server/kit";
import { FROM_A_FILE, type OnProgress } from "../part";
import { type Known, type Prepared, newMeasurements } from "./preparedBars";

/** So many bars are written in one go; between two the answer's stream gets its turn. */
const CHUNK = 250;

/** Writes the bars of a file: new ones, and what a file says of those that are there. */
export async function writeBars(
  context: Context,
  { added, changed, known }: { added: readonly Prepared[]; changed: readonly Prepared[]; known: Known },
  onProgress: OnProgress,
): Promise<void> {
  const of = added.length + changed.length;
  let done = 0;
  const inChunks = async (all: readonly Prepared[], write: (chunk: readonly Prepared[]) => Promise<void>) => {
    for (let from = 0; from < all.length; from += CHUNK) {
      // Whoever asked has gone: nothing of it is done.
      context.signal.throwIfAborted();
      const chunk = all.slice(from, from + CHUNK);
      await write(chunk);
      onProgress((done += chunk.length), of);
      await new Promise((resolve) => setImmediate(resolve));
    }
  };
  await inChunks(added, (chunk) => insertBars(context, chunk, FROM_A_FILE));
  await inChunks(changed, (chunk) => changeBars(context, chunk, known));
  // Last, so that what people tick off is held for as short as can be.
  for (let from = 0; from < changed.length; from += CHUNK)
    await planCareOf(
      context,
      changed.slice(from, from + CHUNK).map(({ row }) => row!.id),
    );
  onProgress(of, of);
}

async function changeBars(context: Context, chunk: readonly Prepared[], known: Known): Promise<void> {
  await insertMeasurements(
    context,
    chunk.flatMap((one) => newMeasurements(one, known).map((measurement) => ({ barId: one.row!.id, measurement }))),
  );
  await writeRecordsWithoutCare(
    context,
    chunk.map(({ row, record }) => ({ row: row!, record })),
  );
  await recordChanges(
    context,
    chunk.map(({ row, record, before }) => ({
      entity: "bar",
      entityId: row!.id,
      action: "edited",
      reason: FROM_A_FILE,
      ...differingTexts(before, recordTexts(record)),
    })),
  );
}
