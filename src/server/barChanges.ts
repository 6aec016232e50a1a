import "server-only";
import { and, desc, eq, isNull, ne } from "drizzle-orm";
import { BAR_STATES, type BarState } from "@/core/bars/bar";
import { differingTexts, readBarRecord, recordLabel, recordTexts, type BarRecord } from "@/core/bars/barRecord";
import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import { computingUnit, convertTyped, type TypedQuantity } from "@/core/units/typedQuantity";
import { quantityRows, recordFromRow, rowFromRecord } from "@/data/barRecordRows";
import type { BarRow } from "@/data/barRows";
import type { HallDb } from "@/data/hallDb";
import { barMeasurements, barQuantities, bars, places } from "@/data/schema";
import { latestOfEach } from "./barPage";
import { careHouse, planCare } from "./carePlanning";
import { idempotent, lastChangeOf, recordChange } from "./history";
import { failed, forbidden, notFound, type Outcome, type Problem } from "./outcome";
import { may } from "./access/permissions";
import { inTransaction, type Context } from "./access/context";

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
  if (!may(context, "bar.edit")) return forbidden("change what is kept of a bar");
  const read = readBarRecord(texts);
  if (!read.ok) return failed("invalid", "Nothing was changed.", read.problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(bars, { where: eq(bars.id, barId), forUpdate: true });
    if (!row || row.state === "retired") return notFound("such bar on the wall");
    const before = recordTexts(await recordOf(hall, row));
    const { record } = read;
    // The state has a form and a reason of its own; an edit leaves it as it is now.
    const mine = recordTexts({ ...record, state: row.state as BarState, stateReason: row.stateReason });
    const differing = differingTexts(before, mine);
    if (row.version !== version) {
      const problems = Object.keys(differing.after).map((key) => ({
        path: key,
        message: `${recordLabel(key)}: you wrote “${differing.after[key]}”, it is now “${differing.before[key]}”`,
      }));
      return {
        ...failed(
          "stale",
          `Somebody changed ${row.tag} meanwhile. Nothing was changed; your words are still here.`,
          problems,
        ),
        stale: { theirs: before, version: row.version },
      };
    }
    if (record.tag !== row.tag && (await tagsInUse(hall, [record.tag])).length > 0)
      return failed("invalid", "Nothing was changed.", [
        { path: "tag", message: `tag: ${record.tag} hangs on the wall already` },
      ]);
    const changed = Object.keys(differing.after);
    if (changed.length > 0) {
      await writeRecord(context, row, { ...record, state: row.state as BarState, stateReason: row.stateReason });
      await recordChange(context, { entity: "bar", entityId: row.id, action: "edited", ...differing });
    }
    return { ok: true, tag: record.tag, changed };
  });
}

/** Quarantines a bar, puts it under watch, returns it to service or retires it. A stale version is refused. */
export async function changeBarState(
  context: Context,
  { tag, state, reason, version }: { tag: string; state: BarState; reason: string; version: number },
): Promise<Outcome<{ state: BarState }>> {
  if (!may(context, "bar.change-state")) return forbidden("change the state of a bar");
  const problems: Problem[] = [];
  if (!BAR_STATES.includes(state)) problems.push({ path: "state", message: "Choose a state." });
  if (reason.trim() === "")
    problems.push({ path: "reason", message: "Say why in a few words; it is kept with the bar." });
  if (reason.length > 200) problems.push({ path: "reason", message: "At most 200 characters." });
  if (problems.length > 0) return failed("invalid", "The state was not changed.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await lockedByTag(hall, tag);
    if (!row) return notFound(`bar ${tag}`);
    if (row.version !== version)
      return failed(
        "stale",
        `Somebody changed ${tag} meanwhile: it is now ${row.state}${row.stateReason ? `, ${row.stateReason}` : ""}. You wanted ${state}, ${reason}.`,
      );
    if (!mayLeave(context, row.state, state)) return forbidden("lift a quarantine; only the manager may");
    const stateReason = state === "in-service" ? null : reason.trim();
    await hall.update(bars, eq(bars.id, row.id), { state, stateReason, version: row.version + 1 });
    await recordChange(context, {
      entity: "bar",
      entityId: row.id,
      action: "state",
      reason: reason.trim(),
      before: { state: row.state, stateReason: row.stateReason },
      after: { state, stateReason },
    });
    return { ok: true, state };
  });
}

const mayLeave = (context: Context, from: string, to: string) =>
  from !== "quarantined" || to === "quarantined" || may(context, "bar.end-quarantine");

export interface Measuring {
  tag: string;
  kind: QuantityKind;
  readings: TypedQuantity[];
  instrument: string;
  /** Made by a floor screen, once for each set of readings. */
  idempotencyKey?: string;
}

/** Keeps the readings of a quantity, as typed, and brings the effective values up to date. Sent twice, it counts once. */
export async function measureBar(
  context: Context,
  { tag, kind, readings, instrument, idempotencyKey }: Measuring,
): Promise<Outcome<{ effective: number }>> {
  if (!may(context, "bar.measure")) return forbidden("measure bars");
  const problems = readingProblems(kind, readings);
  if (idempotencyKey !== undefined && !/^[\w-]{8,64}$/.test(idempotencyKey))
    problems.push({ path: "idempotencyKey", message: "8 to 64 letters, digits, - or _." });
  if (instrument.length > 60) problems.push({ path: "instrument", message: "At most 60 characters." });
  if (problems.length > 0) return failed("invalid", "Nothing was kept.", problems);
  const facts = QUANTITIES[kind];
  return inTransaction(context, (context) => {
    const { hall } = context;
    const work = async (): Promise<Outcome<{ effective: number }>> => {
      const row = await lockedByTag(hall, tag);
      if (!row) return notFound(`bar ${tag}`);
      const before = await hall.first(barQuantities, {
        where: and(eq(barQuantities.barId, row.id), eq(barQuantities.kind, kind)),
      });
      const [kept] = await hall.insert(barMeasurements, {
        barId: row.id,
        kind,
        measuredAt: context.clock.now(),
        personId: context.actor.personId,
        instrument,
        typedValues: readings.map(({ value }) => value),
        typedUnit: readings[0]!.unit,
        readings: readings.map(convertTyped),
      });
      const effective = await refreshEffective(hall, row);
      await recordChange(context, {
        entity: "bar",
        entityId: row.id,
        action: `measured ${facts.label}`,
        before: before && { value: before.effective, source: before.source },
        after: {
          value: effective.get(kind)!,
          source: "measured",
          readings: readings.map(({ value, unit }) => `${value} ${unit}`),
          measurementId: kept!.id,
        },
      });
      return { ok: true, effective: effective.get(kind)! };
    };
    return idempotencyKey === undefined ? work() : idempotent(hall, idempotencyKey, "bar.measure", work);
  });
}

function readingProblems(kind: QuantityKind, readings: readonly TypedQuantity[]): Problem[] {
  const facts = QUANTITY_KINDS.includes(kind) ? QUANTITIES[kind] : null;
  if (!facts) return [{ path: "kind", message: "Choose what was measured." }];
  const problems: Problem[] = [];
  const most = facts.spots.length;
  if (readings.length < 1 || readings.length > most)
    problems.push({ path: "readings", message: `One to ${most === 3 ? "three" : most} readings.` });
  if (new Set(readings.map(({ unit }) => unit)).size > 1)
    problems.push({ path: "readings", message: "All readings in one unit." });
  readings.forEach((reading, i) => {
    const value = computingUnit(reading.unit) === facts.unit ? convertTyped(reading) : NaN;
    if (!(value >= facts.range[0] && value <= facts.range[1]))
      problems.push({
        path: `readings.${i}`,
        message: `${reading.value} ${reading.unit} cannot be the ${facts.label} of a bar.`,
      });
  });
  return problems;
}

/**
 * Takes the last change of a bar back: fields and states as they were before, readings no longer counted. What was
 * taken back stays in the history, and taking back twice restores it.
 */
export async function undoLastChange(
  context: Context,
  tag: string,
  changeId: string,
): Promise<Outcome<{ what: string }>> {
  if (!may(context, "bar.edit")) return forbidden("take back a change of a bar");
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
      return failed("stale", `Something else happened to ${tag} meanwhile; only the last change can be taken back.`);
    if (last.action === "entered")
      return failed("impossible", "Entering a bar is not taken back; retire the bar instead.");
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
    const state = String(was?.state);
    if (!mayLeave(context, row.state, state)) return forbidden("lift a quarantine; only the manager may");
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
    await writeRecord(context, row, read.record);
    return null;
  }
  const measurementId = (is?.measurementId ?? was?.measurementId) as string | undefined;
  if (!measurementId) return failed("impossible", "This change cannot be taken back.");
  const isTakenBack = is?.measurementId !== undefined;
  await hall.update(barMeasurements, eq(barMeasurements.id, measurementId), {
    undoneAt: isTakenBack ? context.clock.now() : null,
  });
  await refreshEffective(hall, row);
  return null;
}

/** Writes a record over a row: columns, stated quantities, effective values, version, and care that follows from them. */
export async function writeRecord(context: Context, row: BarRow, record: BarRecord): Promise<void> {
  const { hall } = context;
  const columns = rowFromRecord(record, await placeIdFor(hall, record.place), context.actor.currency);
  await hall.update(bars, eq(bars.id, row.id), columns);
  await refreshEffective(hall, { ...row, ...columns }, record.stated);
  const [changed] = await hall.rows(bars, { where: eq(bars.id, row.id) });
  await planCare(hall, await careHouse(context), changed!);
}

/** Works out effective values anew from what is stated and the latest readings that count; the version moves on. */
export async function refreshEffective(hall: HallDb, row: BarRow, stated?: BarRecord["stated"]) {
  const measured = await hall.rows(barMeasurements, {
    where: and(eq(barMeasurements.barId, row.id), isNull(barMeasurements.undoneAt)),
    orderBy: [desc(barMeasurements.measuredAt), desc(barMeasurements.id)],
  });
  const rows = await hall.rows(barQuantities, { where: eq(barQuantities.barId, row.id) });
  const isStated = stated ?? recordFromRow(row, rows, null).stated;
  const { columns, quantities } = quantityRows(row, isStated, latestOfEach(measured));
  for (const quantity of quantities)
    await hall.put(barQuantities, [barQuantities.barId, barQuantities.kind], { barId: row.id, ...quantity });
  for (const { kind } of rows)
    if (!quantities.some((quantity) => quantity.kind === kind))
      await hall.remove(barQuantities, and(eq(barQuantities.barId, row.id), eq(barQuantities.kind, kind)));
  await hall.update(bars, eq(bars.id, row.id), { ...columns, version: row.version + 1 });
  return new Map(quantities.map(({ kind, effective }) => [kind, effective]));
}

/** The record that a row holds. */
export async function recordOf(hall: HallDb, row: BarRow): Promise<BarRecord> {
  const stated = await hall.rows(barQuantities, { where: eq(barQuantities.barId, row.id) });
  const place = row.placeId ? await hall.first(places, { where: eq(places.id, row.placeId) }) : null;
  return recordFromRow(row, stated, place?.name ?? null);
}

/** The place of a name, made when the hall has none of that name. */
export async function placeIdFor(hall: HallDb, name: string | null): Promise<string | null> {
  if (name === null) return null;
  const all = await hall.rows(places);
  const known = all.find((place) => place.name.toLowerCase() === name.toLowerCase());
  if (known) return known.id;
  const [made] = await hall.insert(places, {
    name,
    roundOrder: Math.max(0, ...all.map(({ roundOrder }) => roundOrder)) + 1,
  });
  return made!.id;
}

async function tagsInUse(hall: HallDb, tags: readonly string[]): Promise<string[]> {
  const found: string[] = [];
  for (const tag of tags)
    if (await hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")) })) found.push(tag);
  return found;
}

function lockedByTag(hall: HallDb, tag: string): Promise<BarRow | null> {
  return hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")), forUpdate: true });
}
