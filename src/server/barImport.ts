import "server-only";
import { randomUUID } from "node:crypto";
import { desc, isNull } from "drizzle-orm";
import { measuredKey, measurementText, readMeasurement, type FileMeasurement } from "@/core/bars/barColumns";
import { differingTexts, readBarRecord, recordLabel, recordTexts, type BarRecord } from "@/core/bars/barRecord";
import { QUANTITY_KINDS } from "@/core/bars/quantities";
import { groupBy } from "@/core/collections/groupBy";
import { convertTyped } from "@/core/units/typedQuantity";
import type { CareHouse } from "@/core/care/careDue";
import { quantityRows, recordFromRow, rowFromRecord } from "@/data/barRecordRows";
import type { BarMeasurementRow, BarRow } from "@/data/barRows";
import { carePlanRow } from "@/data/carePlanRows";
import type { HallDb } from "@/data/hallDb";
import { barMeasurements, barQuantities, bars, carePlan, careTasks, changes, places } from "@/data/schema";
import { writeRecord } from "./barChanges";
import { latestOfEach } from "./barPage";
import { careHouse } from "./carePlanning";
import { namesById } from "./lookups";
import { failed, type Problem } from "./outcome";
import type { Context } from "./access/context";

/** One bar of a file that is to come in, with the line or place it stands at. */
export interface IncomingBar {
  line: number;
  /** Texts by column; what a file does not say is left as it is at bars that are there. */
  texts: Record<string, string>;
  /** Older measurements that no column says; JSON carries them. */
  measurements?: FileMeasurement[];
}

export interface ImportReport {
  added: number;
  changed: number;
  unchanged: number;
  /** What would change, line by line; the first few hundred. */
  changes: { line: number; tag: string; what: string }[];
}

/** Told how many are through, now and then. */
export type OnProgress = (done: number, of: number) => void;

export const MOST_ROWS = 20_000;
const MOST_TOLD = 300;
const MOST_PROBLEMS = 500;
const CHUNK = 250;

interface Prepared {
  line: number;
  record: BarRecord;
  measurements: FileMeasurement[];
  row: BarRow | null;
  before: Record<string, string>;
}

/** What a part of a file would do, worked out before anything is written. */
export interface PreparedPart {
  problems: Problem[];
  report: ImportReport;
  /** Carries it out; only when no part of the file has a problem. */
  write: (onProgress: OnProgress) => Promise<void>;
}

/** The refusal of a file that has problems. */
export function nothingTakenIn(problems: readonly Problem[]) {
  return failed(
    "invalid",
    `Nothing was taken in: ${problems.length}${problems.length >= MOST_PROBLEMS ? " or more" : ""} ${problems.length === 1 ? "problem" : "problems"}.`,
    problems.slice(0, MOST_PROBLEMS),
  );
}

/**
 * Reads the bars of a file against the hall's; call it in the transaction that is to write them. A tag that hangs on
 * the wall is that bar and gets what the file says of it; others are new. Every problem of every line is listed.
 */
export async function prepareBars(context: Context, incoming: readonly IncomingBar[]): Promise<PreparedPart> {
  const { hall } = context;
  const known = await knownBars(hall);
  const { prepared, problems } = prepare(incoming, known);
  const { report, added, changed } = sortOut(prepared, known);
  if (incoming.length > MOST_ROWS)
    problems.unshift({ path: "bars", message: `at most ${MOST_ROWS} bars in one file, not ${incoming.length}` });
  return {
    problems,
    report,
    write: (onProgress) => writeBars(context, { prepared, added, changed, known }, onProgress),
  };
}

async function writeBars(
  context: Context,
  { prepared, added, changed, known }: { prepared: Prepared[]; added: Prepared[]; changed: Prepared[]; known: Known },
  onProgress: OnProgress,
): Promise<void> {
  const { hall } = context;
  const of = added.length + changed.length;
  let done = 0;
  const people = new Map([...(await namesById(hall))].map(([id, name]) => [name, id]));
  const placeIds = await placeIdsFor(hall, prepared);
  const tasks = await hall.rows(careTasks);
  const house = await careHouse(context);
  for (let from = 0; from < added.length; from += CHUNK) {
    const chunk = added.slice(from, from + CHUNK);
    await insertBars(context, chunk, { placeIds, people, tasks, house });
    done += chunk.length;
    onProgress(done, of);
    // The answer's stream gets its turn between two chunks.
    await new Promise((resolve) => setImmediate(resolve));
  }
  for (const one of changed) {
    await changeBar(context, one, known, people);
    done += 1;
    if (done % CHUNK === 0) onProgress(done, of);
  }
  onProgress(of, of);
}

interface Known {
  byTag: Map<string, BarRow>;
  /** Retired bars by tag and name: a tag may have been used more than once. */
  retired: Map<string, BarRow>;
  stated: Map<string, (typeof barQuantities.$inferSelect)[]>;
  measured: Map<string, BarMeasurementRow[]>;
  places: Map<string, string>;
}

async function knownBars(hall: HallDb): Promise<Known> {
  const rows = await hall.rows(bars, { forUpdate: true });
  const [stated, measured, allPlaces] = [
    await hall.rows(barQuantities),
    await hall.rows(barMeasurements, {
      where: isNull(barMeasurements.undoneAt),
      orderBy: [desc(barMeasurements.measuredAt), desc(barMeasurements.id)],
    }),
    await hall.rows(places),
  ];
  return {
    byTag: new Map(rows.filter(({ state }) => state !== "retired").map((row) => [row.tag, row])),
    retired: new Map(rows.filter(({ state }) => state === "retired").map((row) => [retiredKey(row), row])),
    stated: groupBy(stated, ({ barId }) => barId),
    measured: groupBy(measured, ({ barId }) => barId),
    places: new Map(allPlaces.map(({ id, name }) => [id, name])),
  };
}

const retiredKey = ({ tag, name }: { tag: string; name: string }) => `${tag}\n${name}`;

/** The bar that a line means. A retired line means the retired bar of that tag and name, or the one to be retired. */
function rowFor(texts: Record<string, string>, known: Known, hung: ReadonlySet<string>): BarRow | null {
  const tag = texts.tag?.trim() ?? "";
  if (texts.state?.trim() !== "retired") return known.byTag.get(tag) ?? null;
  const retired = known.retired.get(retiredKey({ tag, name: texts.name?.trim() ?? "" }));
  return retired ?? (hung.has(tag) ? null : (known.byTag.get(tag) ?? null));
}

function prepare(incoming: readonly IncomingBar[], known: Known): { prepared: Prepared[]; problems: Problem[] } {
  const problems: Problem[] = [];
  const prepared: Prepared[] = [];
  const seen = new Map<string, number>();
  const hung = new Set(
    incoming.filter(({ texts }) => texts.state?.trim() !== "retired").map(({ texts }) => texts.tag?.trim() ?? ""),
  );
  for (const { line, texts, measurements = [] } of incoming) {
    const say = (key: string, message: string) => {
      if (problems.length < MOST_PROBLEMS) problems.push({ path: `line ${line}, ${recordLabel(key)}`, message });
    };
    const row = rowFor(texts, known, hung);
    const before = row ? recordTexts(recordFromRow(row, known.stated.get(row.id) ?? [], placeOf(row, known))) : {};
    const own = Object.fromEntries(Object.entries(texts).filter(([key]) => !key.startsWith("measured.")));
    const read = readBarRecord({ state: "in-service", ...before, ...own });
    if (!read.ok) for (const { path, message } of read.problems) say(path, message);
    const told = [...measurements];
    for (const kind of QUANTITY_KINDS) {
      const text = texts[measuredKey(kind)];
      if (text === undefined || text.trim() === "") continue;
      const measurement = readMeasurement(kind, text);
      if (typeof measurement === "string") say(measuredKey(kind), measurement);
      else told.push(measurement);
    }
    if (!read.ok) continue;
    const { tag, state } = read.record;
    const first = seen.get(tag);
    if (first !== undefined && state !== "retired") say("tag", `tag: ${tag} stands on line ${first} already`);
    if (state !== "retired") seen.set(tag, line);
    prepared.push({ line, record: read.record, measurements: told, row, before });
  }
  return { prepared, problems };
}

const placeOf = (row: BarRow, known: Known) => (row.placeId ? (known.places.get(row.placeId) ?? null) : null);

function sortOut(prepared: readonly Prepared[], known: Known) {
  const [added, changed]: [Prepared[], Prepared[]] = [[], []];
  const report: ImportReport = { added: 0, changed: 0, unchanged: 0, changes: [] };
  const tell = (line: number, tag: string, what: string) => {
    if (report.changes.length < MOST_TOLD) report.changes.push({ line, tag, what });
  };
  for (const one of prepared) {
    const { line, record, row, before } = one;
    if (!row) {
      added.push(one);
      tell(line, record.tag, "new");
      continue;
    }
    const after = recordTexts(record);
    const fields = Object.keys(differingTexts(before, after).after);
    const fresh = newMeasurements(one, known);
    if (fields.length === 0 && fresh.length === 0) {
      report.unchanged += 1;
      continue;
    }
    changed.push(one);
    const words = fields.map(
      (key) => `${recordLabel(key)}: ${before[key] ?? "not known"} → ${after[key] ?? "not known"}`,
    );
    tell(line, record.tag, [...words, ...fresh.map((measurement) => measurementText(measurement))].join("; "));
  }
  return { report: { ...report, added: added.length, changed: changed.length }, added, changed };
}

/** Measurements of the file that the bar does not have: another moment, or without one, other readings than the last. */
function newMeasurements({ row, measurements }: Prepared, known: Known): FileMeasurement[] {
  const own = row ? (known.measured.get(row.id) ?? []) : [];
  const said = (readings: readonly number[]) => readings.map((reading) => reading.toPrecision(12)).join();
  return measurements.filter(({ kind, readings, at }) => {
    const values = said(readings.map(convertTyped));
    const same = own.filter((one) => one.kind === kind);
    return at === null
      ? said(same[0]?.readings ?? []) !== values
      : !same.some((one) => said(one.readings) === values && one.measuredAt.getTime() === Date.parse(at));
  });
}

interface KnownThings {
  placeIds: Map<string, string>;
  people: Map<string, string>;
  tasks: (typeof careTasks.$inferSelect)[];
  house: CareHouse;
}

/** Places that the file names and the hall does not have are made, in the order in which they stand. */
async function placeIdsFor(hall: HallDb, prepared: readonly Prepared[]): Promise<Map<string, string>> {
  const all = await hall.rows(places);
  const ids = new Map(all.map(({ id, name }) => [name.toLowerCase(), id]));
  let order = Math.max(0, ...all.map(({ roundOrder }) => roundOrder));
  const missing = [...new Set(prepared.flatMap(({ record }) => record.place ?? []))].filter(
    (name) => !ids.has(name.toLowerCase()),
  );
  for (const name of missing) {
    if (ids.has(name.toLowerCase())) continue;
    const [made] = await hall.insert(places, { name, roundOrder: (order += 1) });
    ids.set(name.toLowerCase(), made!.id);
  }
  return ids;
}

function measurementRow(context: Context, barId: string, measurement: FileMeasurement, people: Map<string, string>) {
  const { kind, readings, instrument, at, by } = measurement;
  return {
    barId,
    kind,
    measuredAt: at ? new Date(at) : context.clock.now(),
    // Somebody the hall does not know measured it; whoever brings the file in answers for it.
    personId: (by ? people.get(by) : undefined) ?? context.actor.personId,
    instrument,
    typedValues: readings.map(({ value }) => value),
    typedUnit: readings[0]!.unit,
    readings: readings.map(convertTyped),
  };
}

async function insertBars(
  context: Context,
  chunk: readonly Prepared[],
  { placeIds, people, tasks, house }: KnownThings,
) {
  const { hall } = context;
  const made = chunk.map(({ record, measurements }) => {
    const placeId = record.place === null ? null : placeIds.get(record.place.toLowerCase())!;
    const columns = {
      ...rowFromRecord(record, placeId, context.actor.currency),
      id: randomUUID(),
      knownSince: context.clock.today,
    };
    const latest = latestOfEach(
      measurements.toReversed().map(({ kind, readings }) => ({ kind, readings: readings.map(convertTyped) })),
    );
    const effective = quantityRows(columns, record.stated, latest);
    return { row: { ...columns, ...effective.columns }, quantities: effective.quantities, record, measurements };
  });
  await hall.insertMany(
    bars,
    made.map(({ row }) => row),
  );
  await hall.insertMany(
    barQuantities,
    made.flatMap(({ row, quantities }) => quantities.map((quantity) => ({ ...quantity, barId: row.id }))),
  );
  await hall.insertMany(
    barMeasurements,
    made.flatMap(({ row, measurements }) => measurements.map((one) => measurementRow(context, row.id, one, people))),
  );
  await hall.insertMany(
    carePlan,
    made.flatMap(({ row }) => tasks.flatMap((task) => carePlanRow(row, task, house, null) ?? [])),
  );
  await hall.insertMany(
    changes,
    made.map(({ row, record }) => ({
      personId: context.actor.personId,
      entity: "bar",
      entityId: row.id,
      action: "entered",
      reason: "from a file",
      after: recordTexts(record),
      at: context.clock.now(),
    })),
  );
}

async function changeBar(context: Context, one: Prepared, known: Known, people: Map<string, string>) {
  const { hall } = context;
  const row = one.row!;
  const fresh = newMeasurements(one, known);
  await hall.insert(
    barMeasurements,
    fresh.map((measurement) => measurementRow(context, row.id, measurement, people)),
  );
  await writeRecord(context, row, one.record);
  await hall.insert(changes, {
    personId: context.actor.personId,
    entity: "bar",
    entityId: row.id,
    action: "edited",
    reason: "from a file",
    ...differingTexts(one.before, recordTexts(one.record)),
    at: context.clock.now(),
  });
}
