import "server-only";
import { eq } from "drizzle-orm";
import { differingTexts, readBarRecord, recordLabel, recordTexts } from "@/core/bars/barRecord";
import { bars } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { recordOf, tagsInUse, writeRecords } from "./barRows";
import { withoutMoney } from "./withoutMoney";

export interface StaleEdit {
  /** What the bar says now, field by field. */
  theirs: Record<string, string>;
  version: number;
}

/**
 * Changes what is kept of a bar. The version is the one the form was made from: when somebody changed the bar
 * meanwhile, nothing is written, and every field in which the two differ is named with both texts.
 */
export async function editBar(
  context: Context,
  barId: string,
  version: number,
  texts: Record<string, string>,
): Promise<Outcome<{ tag: string; changed: string[] }> & { stale?: StaleEdit }> {
  if (!may(context, "bar.edit")) return forbidden("edit a bar");
  const read = readBarRecord(texts);
  if (!read.ok) return failed("invalid", "Nothing was changed.", read.problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(bars, { where: eq(bars.id, barId), forUpdate: true });
    if (!row || row.state === "retired") return notFound("such bar on the wall");
    const before = recordTexts(await recordOf(hall, row));
    // Who does not see what it cost leaves it as it is.
    const record = may(context, "price.read")
      ? read.record
      : { ...read.record, supplier: row.supplier, price: row.priceMinor };
    // The state has a form and a reason of its own; an edit leaves it as it is now.
    const mine = recordTexts({ ...record, state: row.state, stateReason: row.stateReason });
    const differing = differingTexts(before, mine);
    if (row.version !== version) {
      const problems = Object.keys(differing.after).map((key) => ({
        path: key,
        message: `${recordLabel(key)}: you wrote “${differing.after[key]}”, it is now “${differing.before[key]}”`,
      }));
      return {
        ...failed(
          "stale",
          `Someone else changed ${row.tag} meanwhile. Nothing was changed; your words are still here.`,
          problems,
        ),
        stale: { theirs: withoutMoney(context, before), version: row.version },
      };
    }
    if (record.tag !== row.tag && (await tagsInUse(hall, [record.tag])).length > 0)
      return failed("invalid", "Nothing was changed.", [
        { path: "tag", message: `tag: ${record.tag} hangs on the wall already` },
      ]);
    const changed = Object.keys(differing.after);
    if (changed.length > 0) {
      await writeRecords(context, [{ row, record: { ...record, state: row.state, stateReason: row.stateReason } }]);
      await recordChange(context, { entity: "bar", entityId: row.id, action: "edited", ...differing });
    }
    return { ok: true, tag: record.tag, changed };
  });
}
