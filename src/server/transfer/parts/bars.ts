import "server-only";
import { asc, desc, inArray, isNull } from "drizzle-orm";
import { isUsable } from "@/core/bars/bar";
import { measuredKey, measurementText, readMeasurement } from "@/core/bars/barColumns";
import { differingTexts, readBarRecord, recordLabel, recordTexts } from "@/core/bars/barRecord";
import { QUANTITY_KINDS } from "@/core/bars/quantities";
import { groupBy } from "@/core/collections/groupBy";
import type { Problem } from "@/core/problem";
import { recordFromRow } from "@/data/barRecordRows";
import type { BarRow } from "@/data/barRows";
import type { HallDb } from "@/data/hallDb";
import { barMeasurements, barQuantities, bars, places } from "@/data/schema";
import type { Context } from "@/server/access";
import { type ImportReport, type IncomingBar, MAX_PROBLEMS, type Difference } from "../part";
import { type Known, type Prepared, newMeasurements } from "./preparedBars";
import { readBars } from "./readBars";
import { writeBars } from "./writeBars";

export const MAX_ROWS = 20_000;

const MAX_TOLD = 300;
const LOCKED_AT_ONCE = 1_000;

/**
 * Every bar of the hall with all its measurements that count, retired ones last. A tag that hangs on the wall is that
 * bar and gets what the file says of it; others are new.
 */
export const barsPart = { read: readBars, diff: diffBars };

async function diffBars(context: Context, incoming: readonly IncomingBar[], isLocking: boolean): Promise<Difference> {
  const known = await knownBars(context.hall);
  const { prepared, problems } = prepare(incoming, known);
  const { report, added, changed } = sortOut(prepared, known);
  if (isLocking) problems.push(...(await changedMeanwhile(context.hall, changed)));
  if (incoming.length > MAX_ROWS)
    problems.unshift({ path: "bars", message: `at most ${MAX_ROWS} bars in one file, not ${incoming.length}` });
  return {
    problems,
    report,
    write: (onProgress) => writeBars(context, { added, changed, known }, onProgress),
  };
}

/** Holds the bars that change, and no others, so that everybody else goes on; and says which are not as they were read. */
async function changedMeanwhile(hall: HallDb, changed: readonly Prepared[]): Promise<Problem[]> {
  const read = changed.map(({ row }) => row!);
  const locked = new Map<string, number>();
  for (let from = 0; from < read.length; from += LOCKED_AT_ONCE) {
    const ids = read.slice(from, from + LOCKED_AT_ONCE).map(({ id }) => id);
    const rows = await hall.rows(bars, { where: inArray(bars.id, ids), orderBy: [asc(bars.id)], forUpdate: true });
    for (const { id, version } of rows) locked.set(id, version);
  }
  return read
    .filter(({ id, version }) => locked.get(id) !== version)
    .slice(0, MAX_PROBLEMS)
    .map(({ tag }) => ({ path: tag, message: `someone changed ${tag} meanwhile; import the file once more` }));
}

async function knownBars(hall: HallDb): Promise<Known> {
  const rows = await hall.rows(bars);
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
      if (problems.length >= MAX_PROBLEMS) return;
      const label = recordLabel(key);
      // A message names its field, and so does the path before it: once is enough.
      const what = message.startsWith(`${label}: `) ? message.slice(label.length + 2) : message;
      problems.push({ path: `line ${line}, ${label}`, message: what });
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
    if (first !== undefined && state !== "retired") say("tag", `tag: ${tag} is already on line ${first}`);
    if (state !== "retired") seen.set(tag, line);
    // What takes an inspection on the screen a file cannot do without one.
    if (row?.state === "quarantined" && isUsable(state))
      say("state", `state: ${tag} is quarantined; it is returned to service on its page, after an inspection`);
    prepared.push({ line, record: read.record, measurements: told, row, before });
  }
  return { prepared, problems };
}

const placeOf = (row: BarRow, known: Known) => (row.placeId ? (known.places.get(row.placeId) ?? null) : null);

function sortOut(prepared: readonly Prepared[], known: Known) {
  const [added, changed]: [Prepared[], Prepared[]] = [[], []];
  const report: ImportReport = { added: 0, changed: 0, unchanged: 0, changes: [] };
  const tell = (line: number, tag: string, what: string) => {
    if (report.changes.length < MAX_TOLD) report.changes.push({ line, tag, what });
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
