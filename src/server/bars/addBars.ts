import "server-only";
import { type BarRecord, readBarRecord, recordTexts } from "@/core/bars/barRecord";
import type { Problem } from "@/core/problem";
import { quantityRows, rowFromRecord } from "@/data/barRecordRows";
import type { BarRow } from "@/data/barRows";
import { barQuantities, bars } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { careHouse, planCare } from "@/server/care/planning";
import { type Outcome, failed, forbidden, recordChange } from "@/server/kit";
import { placeIdFor, tagsInUse } from "./barRows";

const MOST_AT_ONCE = 50;

/**
 * Enters bars: one spec and a tag for each of them, all or none. `texts` are the fields as `readBarRecord` reads them;
 * its tag is ignored.
 */
export async function enterBars(
  context: Context,
  texts: Record<string, string>,
  tags: readonly string[],
): Promise<Outcome<{ tags: string[] }>> {
  if (!may(context, "bar.edit")) return forbidden("enter bars");
  const problems: Problem[] = [];
  if (tags.length === 0) problems.push({ path: "tag", message: "tag: must be given" });
  if (tags.length > MOST_AT_ONCE) problems.push({ path: "tag", message: `tag: at most ${MOST_AT_ONCE} at once` });
  if (new Set(tags).size < tags.length) problems.push({ path: "tag", message: "tag: the same tag twice" });
  const records: BarRecord[] = [];
  for (const tag of tags.length === 0 ? ["–"] : tags.slice(0, MOST_AT_ONCE)) {
    const read = readBarRecord({ ...texts, tag });
    if (read.ok) records.push(read.record);
    else
      for (const problem of read.problems)
        if (!problems.some(({ path, message }) => path === problem.path && message === problem.message))
          problems.push(problem);
  }
  if (problems.length > 0) return failed("invalid", "Nothing was entered.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const taken = await tagsInUse(hall, tags);
    if (taken.length > 0)
      return failed("invalid", "Nothing was entered.", [
        { path: "tag", message: `${taken.join(", ")} hangs on the wall already; take another tag` },
      ]);
    for (const record of records) await insertBar(context, record);
    return { ok: true, tags: [...tags] };
  });
}

/** Puts one new bar into the hall, with its plan of care and its first line of history. Within a transaction. */
export async function insertBar(context: Context, record: BarRecord): Promise<BarRow> {
  const { hall } = context;
  const columns = {
    ...rowFromRecord(record, await placeIdFor(hall, record.place), context.actor.currency),
    knownSince: context.clock.today,
  };
  const effective = quantityRows(columns, record.stated, []);
  const [row] = await hall.insert(bars, { ...columns, ...effective.columns });
  await hall.insert(
    barQuantities,
    effective.quantities.map((quantity) => ({ ...quantity, barId: row!.id })),
  );
  await planCare(hall, await careHouse(context), row!);
  await recordChange(context, { entity: "bar", entityId: row!.id, action: "entered", after: recordTexts(record) });
  return row!;
}
