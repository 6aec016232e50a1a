import "server-only";
import { randomUUID } from "node:crypto";
import Papa from "papaparse";
import { and, desc, eq, inArray } from "drizzle-orm";
import type { Problem } from "@/core/problem";
import { type FileSet, readLogFile } from "@/core/strength/logFile";
import { problemsOfSetTexts, readLogLines, type TypedSet } from "@/core/strength/logLines";
import { type HallDay, isHallDay } from "@/core/units/hallDay";
import { convertTyped } from "@/core/units/typedQuantity";
import { bars, changes, lifters, logSets } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange, stale } from "@/server/kit";
import { allLifts } from "@/server/lifts";
import { strengthRules } from "@/server/rules";
import { type LogRow, logOf, nextSeq, worthsFollow } from "./logRows";

type NewSet = Omit<LogRow, "id" | "hallId" | "version">;

/** What somebody types about sets of one lifter. */
export interface SetsForm {
  lifter: string;
  lift: string;
  tag: string;
  on: string;
  /** One set a line, see `readLogLines`. */
  lines: string;
  setting: string;
  variant: string;
  handsHelped: boolean;
  note: string;
  /** Somebody said that a load over twice the lifter's best is meant. */
  isSure: boolean;
}

/** Over this many times the lifter's best a load is asked about. */
const SURPRISING = 2;

/** Adds sets that somebody typed, all or none. */
export async function addSets(context: Context, form: SetsForm): Promise<Outcome<{ added: number }>> {
  if (!may(context, "lifter.edit")) return forbidden("log sets");
  return inTransaction(context, async (context) => {
    const { hall, actor } = context;
    const found = await subjects(context, form);
    const read = readLogLines(form.lines, actor.massUnit);
    const problems = [...found.problems, ...(read.ok ? [] : read.problems)];
    if (problems.length > 0) return failed("invalid", "Not saved.", problems);
    const { lifter, bar, lift } = found as Found;
    const sets = (read as { sets: TypedSet[] }).sets;
    const surprise = await surprising(context, lifter.id, lift.key, sets);
    if (surprise && !form.isSure) return failed("invalid", surprise, [{ path: "isSure", message: surprise }]);
    const seq = await nextSeq(hall, lifter.id, form.on as HallDay);
    return write(
      context,
      lifter.id,
      sets.map((set, i): NewSet => ({
        ...storedOf(set),
        ...{ lifterId: lifter.id, barId: bar.id, liftKey: lift.key },
        ...{ variant: form.variant.trim(), setting: form.setting.trim(), handsHelped: form.handsHelped },
        ...{ liftedOn: form.on, seq: seq + i, note: form.note.trim() || null },
        ...{ source: "typed", runId: null, runSetId: null },
      })),
      "logged",
    );
  });
}

interface Found {
  lifter: { id: string };
  bar: { id: string };
  lift: { key: string };
}

/** Lifter, bar and lift of a form, and everything that is wrong with them and the day. Retired bars can be logged. */
async function subjects(
  context: Context,
  form: Pick<SetsForm, "lifter" | "lift" | "tag" | "on" | "setting" | "variant" | "note">,
): Promise<Partial<Found> & { problems: Problem[] }> {
  const { hall, clock } = context;
  const problems: Problem[] = [];
  const [lifter, bar, lift] = [
    await hall.first(lifters, { where: eq(lifters.key, form.lifter) }),
    await hall.first(bars, { where: eq(bars.tag, form.tag.trim().toUpperCase()) }),
    (await allLifts(context)).find(
      ({ key, name }) => key === form.lift || name.toLowerCase() === form.lift.toLowerCase(),
    ),
  ];
  if (!lifter || lifter.retiredAt) problems.push({ path: "lifter", message: "Lifter: choose one." });
  if (!bar)
    problems.push({ path: "tag", message: `Bar: there is no “${form.tag.slice(0, 20)}”. Write its tag, like K02.` });
  if (!lift) problems.push({ path: "lift", message: `Lift: “${form.lift.slice(0, 40)}” is none of the gym's.` });
  if (!isHallDay(form.on)) problems.push({ path: "on", message: "Day: write 2026-03-18." });
  else if (form.on > clock.today) problems.push({ path: "on", message: "Day: it has not come yet." });
  problems.push(...problemsOfSetTexts(form));
  return { lifter: lifter ?? undefined, bar: bar ?? undefined, lift, problems };
}

/** Says which load is over twice the best of the log; null where none is. */
async function surprising(
  { hall }: Context,
  lifterId: string,
  liftKey: string,
  sets: readonly Pick<TypedSet, "loadKg" | "loadValue" | "loadUnit">[],
): Promise<string | null> {
  const best = await hall.first(logSets, {
    where: and(eq(logSets.lifterId, lifterId), eq(logSets.liftKey, liftKey), eq(logSets.isMade, true)),
    orderBy: [desc(logSets.loadKg)],
  });
  const over = best && sets.find(({ loadKg }) => loadKg > SURPRISING * best.loadKg);
  return over
    ? `${over.loadValue} ${over.loadUnit} is over twice the best so far, ${Math.round(best.loadKg * 100) / 100} kg. Tick “It is right” if it is.`
    : null;
}

const storedOf = ({ loadValue, loadUnit, loadKg, repetitions, reserve, isMade }: TypedSet) => ({
  ...{ loadValue, loadUnit, loadKg, repetitions, reserve, isMade },
});

/** Inserts rows with their change, and lets worths follow. */
async function write(
  context: Context,
  lifterId: string,
  rows: readonly NewSet[],
  action: string,
): Promise<{ ok: true; added: number }> {
  const { hall } = context;
  const withIds = rows.map((row) => ({ ...row, id: randomUUID(), version: 1 }));
  await hall.insertMany(logSets, withIds);
  // What undoing needs, and no more: a file may be long.
  const after = withIds.map(({ id, liftKey }) => ({ id, liftKey }));
  await recordChange(context, { entity: "log", entityId: lifterId, action, before: [], after });
  await follow(context, lifterId, rows);
  return { ok: true, added: rows.length };
}

/** Worths of the lifts that rows are of, brought up to the log. */
export async function follow(
  context: Context,
  lifterId: string,
  rows: readonly Pick<LogRow, "liftKey">[],
): Promise<void> {
  const lifts = new Set(rows.map(({ liftKey }) => liftKey));
  await worthsFollow(context.hall, await strengthRules(context), lifterId, lifts, context.clock.today);
}

/** Changes one set: its line, and how it was done. */
export async function editSet(context: Context, id: string, version: number, form: SetsForm): Promise<Outcome<object>> {
  if (!may(context, "lifter.edit")) return forbidden("change the log");
  return inTransaction(context, async (context) => {
    const { hall, actor } = context;
    const row = await hall.first(logSets, { where: eq(logSets.id, id), forUpdate: true });
    if (!row) return notFound("such set");
    if (row.version !== version)
      return stale("Someone else changed this set meanwhile. Save again to overwrite.", row.version);
    const found = await subjects(context, form);
    const read = readLogLines(form.lines, actor.massUnit);
    const problems = [...found.problems, ...(read.ok ? [] : read.problems)];
    if (read.ok && read.sets.length > 1) problems.push({ path: "lines", message: "Set: one set only, like 140x5 @2." });
    if (problems.length > 0) return failed("invalid", "Not saved.", problems);
    const { bar, lift } = found as Found;
    const set = (read as { sets: TypedSet[] }).sets[0]!;
    const surprise = await surprising(context, row.lifterId, lift.key, [set]);
    if (surprise && !form.isSure) return failed("invalid", surprise, [{ path: "isSure", message: surprise }]);
    const [after] = await hall.update(logSets, eq(logSets.id, id), {
      ...storedOf(set),
      ...{ barId: bar.id, liftKey: lift.key, liftedOn: form.on, note: form.note.trim() || null },
      ...{ variant: form.variant.trim(), setting: form.setting.trim(), handsHelped: form.handsHelped },
      version: version + 1,
    });
    await recordChange(context, {
      entity: "log",
      entityId: row.lifterId,
      action: "edited",
      before: [row],
      after: [after],
    });
    await follow(context, row.lifterId, [row, after!]);
    return { ok: true };
  });
}

/** Deletes sets of one lifter. */
export async function deleteSets(context: Context, lifterId: string, ids: readonly string[]): Promise<Outcome<object>> {
  if (!may(context, "lifter.edit")) return forbidden("change the log");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const rows = await hall.rows(logSets, {
      where: and(eq(logSets.lifterId, lifterId), inArray(logSets.id, [...ids])),
      forUpdate: true,
    });
    if (rows.length === 0) return notFound("such set");
    await hall.remove(
      logSets,
      and(
        eq(logSets.lifterId, lifterId),
        inArray(
          logSets.id,
          rows.map(({ id }) => id),
        ),
      ),
    );
    await recordChange(context, { entity: "log", entityId: lifterId, action: "deleted", before: rows, after: [] });
    await follow(context, lifterId, rows);
    return { ok: true };
  });
}

/** What can be undone of a lifter's log: its latest change. */
export async function lastLogChange({ hall }: Context, lifterId: string) {
  const row = await hall.first(changes, {
    where: and(eq(changes.entity, "log"), eq(changes.entityId, lifterId)),
    orderBy: [desc(changes.at), desc(changes.id)],
  });
  const [before, after] = [rowsIn(row?.before), rowsIn(row?.after)];
  if (!row || row.action === "undone" || before.length + after.length === 0) return null;
  return { id: row.id, action: row.action, sets: Math.max(before.length, after.length), before, after };
}

const rowsIn = (value: unknown): LogRow[] => (Array.isArray(value) ? (value as LogRow[]) : []);

/** Undoes the latest change of a lifter's log, unless somebody changed it since. */
export async function undoLog(context: Context, lifterId: string, changeId: string): Promise<Outcome<object>> {
  if (!may(context, "lifter.edit")) return forbidden("change the log");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold(`log ${lifterId}`);
    const last = await lastLogChange(context, lifterId);
    if (!last || last.id !== changeId) return failed("stale", "Someone else changed the log meanwhile. Look again.");
    const { before, after } = last;
    const now = await hall.rows(logSets, {
      where: and(
        eq(logSets.lifterId, lifterId),
        inArray(
          logSets.id,
          [...before, ...after].map(({ id }) => id),
        ),
      ),
      forUpdate: true,
    });
    if (now.length > 0)
      await hall.remove(
        logSets,
        and(
          eq(logSets.lifterId, lifterId),
          inArray(
            logSets.id,
            now.map(({ id }) => id),
          ),
        ),
      );
    await hall.insertMany(
      logSets,
      before.map(({ hallId: _, ...row }) => ({ ...row, version: row.version + 2 })),
    );
    await recordChange(context, { entity: "log", entityId: lifterId, action: "undone", before: now, after: before });
    await follow(context, lifterId, [...before, ...after]);
    return { ok: true };
  });
}

/** What a file would add, before anything is added. */
export interface LogImport {
  /** Sets that are new. */
  sets: number;
  /** Sets that the log has already. */
  known: number;
  lifts: string[];
  from: HallDay;
  to: HallDay;
  /** Loads that look wrong and are asked about. */
  surprises: string[];
}

/**
 * Imports a lifter's sets from a file or pasted rows, all or none. The same file once more adds nothing: each set of it
 * that the log has already counts as that one.
 *
 * @param isDry says what would be added and adds nothing.
 */
export async function importSets(
  context: Context,
  { lifter: key, text, isDry, isSure }: { lifter: string; text: string; isDry: boolean; isSure: boolean },
): Promise<Outcome<{ import: LogImport }>> {
  if (!may(context, "lifter.edit")) return forbidden("import sets");
  // Commas, semicolons and tabs all separate.
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" });
  const read = readLogFile(data, context.actor.massUnit);
  if (!read.ok) return failed("invalid", "Nothing imported. Fix the file.", read.problems.slice(0, 50));
  return inTransaction(context, async (context) => {
    const { hall, clock } = context;
    const lifter = await hall.first(lifters, { where: eq(lifters.key, key) });
    if (!lifter || lifter.retiredAt) return notFound("such lifter");
    const lifts = new Map(
      (await allLifts(context)).flatMap((lift) => [lift.key, lift.name.toLowerCase()].map((name) => [name, lift.key])),
    );
    const tags = new Map((await hall.rows(bars)).map((bar) => [bar.tag, bar.id]));
    const problems: Problem[] = [];
    const sets = read.sets.flatMap((set) => {
      const wrong = (message: string) =>
        problems.push({ path: `row ${set.row}`, message: `Row ${set.row}: ${message}` });
      const [liftKey, barId] = [lifts.get(set.lift.toLowerCase()), tags.get(set.bar.toUpperCase())];
      if (!liftKey) wrong(`there is no lift “${set.lift.slice(0, 40)}”.`);
      if (!barId) wrong(`there is no bar “${set.bar.slice(0, 20)}”.`);
      if (set.on > clock.today) wrong(`${set.on} has not come yet.`);
      return liftKey && barId ? [{ ...set, liftKey, barId }] : [];
    });
    if (problems.length > 0) return failed("invalid", "Nothing imported. Fix the file.", problems.slice(0, 50));
    const fresh = await unknownOf(context, lifter.id, sets);
    const surprises = [];
    for (const liftKey of new Set(fresh.map((set) => set.liftKey))) {
      const said = await surprising(
        context,
        lifter.id,
        liftKey,
        fresh.filter((set) => set.liftKey === liftKey),
      );
      if (said) surprises.push(said);
    }
    const days = sets.map(({ on }) => on).sort();
    const found: LogImport = {
      sets: fresh.length,
      known: sets.length - fresh.length,
      lifts: [...new Set(fresh.map((set) => set.liftKey))],
      from: days[0]!,
      to: days.at(-1)!,
      surprises,
    };
    if (isDry || fresh.length === 0) return { ok: true, import: found };
    if (surprises.length > 0 && !isSure)
      return failed(
        "invalid",
        "Nothing imported.",
        surprises.map((message) => ({ path: "isSure", message })),
      );
    const seqs = new Map<string, number>();
    const rows: NewSet[] = [];
    for (const set of fresh) {
      const seq = seqs.get(set.on) ?? (await nextSeq(hall, lifter.id, set.on));
      seqs.set(set.on, seq + 1);
      rows.push({
        ...storedOf(set),
        ...{ lifterId: lifter.id, barId: set.barId, liftKey: set.liftKey, variant: set.variant, setting: set.setting },
        ...{ handsHelped: set.handsHelped, liftedOn: set.on, seq, note: set.note },
        ...{ source: "imported" as const, runId: null, runSetId: null },
      });
    }
    await write(context, lifter.id, rows, "imported");
    return { ok: true, import: found };
  });
}

/** Sets of a file that the log does not have yet; each row of the log stands for one of them. */
async function unknownOf<T extends FileSet & { liftKey: string; barId: string }>(
  { hall }: Context,
  lifterId: string,
  sets: readonly T[],
): Promise<T[]> {
  const keyOf = (set: Pick<T, "liftKey" | "barId" | "on" | "repetitions" | "isMade"> & { kg: number }) =>
    JSON.stringify([set.liftKey, set.barId, set.on, set.repetitions, set.isMade, Math.round(set.kg * 1000)]);
  const known = new Map<string, number>();
  for (const set of await logOf(hall, lifterId)) {
    const key = keyOf({ ...set, kg: convertTyped({ value: set.loadValue, unit: set.loadUnit }) });
    known.set(key, (known.get(key) ?? 0) + 1);
  }
  return sets.filter((set) => {
    const key = keyOf({ ...set, kg: set.loadKg });
    const left = known.get(key) ?? 0;
    known.set(key, left - 1);
    return left <= 0;
  });
}
