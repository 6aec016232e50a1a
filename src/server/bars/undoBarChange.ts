import "server-only";
import { desc, eq, ne } from "drizzle-orm";
import { BAR_STATES } from "@/core/bars/bar";
import { readBarRecord, recordTexts } from "@/core/bars/barRecord";
import type { BarRow } from "@/data/barRows";
import { barMeasurements, bars } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, lastChangeOf, notFound, recordChange } from "@/server/kit";
import { recordOf, refreshEffective, tagsInUse, writeRecords } from "./barRows";
import { isReturn, mayLeave } from "./barState";
import { returnLacks } from "./returnToService";

/**
 * Takes the last change of a bar back: fields and states as they were before, readings no longer counted. What was
 * taken back stays in the history, and taking back twice restores it.
 */
export async function undoLastChange(
  context: Context,
  tag: string,
  changeId: string,
): Promise<Outcome<{ what: string }>> {
  if (!may(context, "bar.edit")) return forbidden("undo a change of a bar");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(bars, {
      where: eq(bars.tag, tag),
      orderBy: [desc(ne(bars.state, "retired"))],
      forUpdate: true,
    });
    if (!row) return notFound(`bar ${tag}`);
    const last = await lastChangeOf(hall, "bar", row.id);
    if (!last || last.id !== changeId)
      return failed("stale", `Something else happened to ${tag} meanwhile; only the last change can be undone.`);
    if (last.action === "entered")
      return failed("impossible", "Adding a bar cannot be undone; retire the bar instead.");
    const what = last.action.replace(/^undone: /, "");
    const [was, is] = [last.before as Texts, last.after as Texts];
    const refused = await revert(context, row, what, was, is);
    if (refused) return refused;
    await recordChange(context, {
      entity: "bar",
      entityId: row.id,
      action: `undone: ${what}`,
      before: is,
      after: was,
    });
    return { ok: true, what };
  });
}

type Texts = Record<string, unknown> | null;

async function revert(context: Context, row: BarRow, what: string, was: Texts, is: Texts) {
  const { hall } = context;
  if (what === "state") {
    const state = BAR_STATES.find((one) => one === was?.state) ?? row.state;
    if (!mayLeave(context, row.state, state)) return forbidden("lift a quarantine; only the manager may");
    const lack = isReturn(row.state, state) ? await returnLacks(context, row) : null;
    if (lack) return failed("impossible", lack);
    const stateReason = (was?.stateReason as string | null | undefined) ?? null;
    if (row.state === "retired" && (await tagsInUse(hall, [row.tag])).length > 0)
      return failed("impossible", `The tag ${row.tag} hangs on another bar by now.`);
    await hall.update(bars, eq(bars.id, row.id), { state, stateReason, version: row.version + 1 });
    return null;
  }
  if (what === "edited") {
    const texts = { ...recordTexts(await recordOf(hall, row)), ...(was as Record<string, string>) };
    const read = readBarRecord(texts);
    if (!read.ok) return failed("impossible", "What was there before no longer fits the rules.", read.problems);
    if (read.record.tag !== row.tag && (await tagsInUse(hall, [read.record.tag])).length > 0)
      return failed("impossible", `The tag ${read.record.tag} hangs on another bar by now.`);
    await writeRecords(context, [{ row, record: read.record }]);
    return null;
  }
  const measurementId = (is?.measurementId ?? was?.measurementId) as string | undefined;
  if (!measurementId) return failed("impossible", "This change cannot be undone.");
  const isTakenBack = is?.measurementId !== undefined;
  await hall.update(barMeasurements, eq(barMeasurements.id, measurementId), {
    undoneAt: isTakenBack ? context.clock.now() : null,
  });
  await refreshEffective(hall, [{ row }]);
  return null;
}
