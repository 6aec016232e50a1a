import "server-only";
import { and, asc, eq, inArray, isNotNull, ne } from "drizzle-orm";
import type { FamilyKey } from "@/core/bars/families";
import { INSPECTION_VERDICTS, judgeInspection, runoutOf } from "@/core/care/inspection";
import type { FileChart, FileInspection } from "@/core/hallFileParts";
import type { Problem } from "@/core/problem";
import { type SetupChart, chartKindOf, chartTexts, readChart } from "@/core/setups/chartFields";
import { isHallDay } from "@/core/units/hallDay";
import type { HallDb } from "@/data/hallDb";
import { barSetups, bars, inspections } from "@/data/schema";
import type { Context } from "@/server/access";
import { factProblems } from "@/server/care/inspections";
import { storedCareRules } from "@/server/care/planning";
import { namesById, recordChange } from "@/server/kit";
import { type ListItem, NOTHING, prepareList } from "../listPart";
import type { PreparedPart } from "../part";

/* What is kept of single bars beside the bars themselves, as files carry it: charts of setups and inspections. */

/** Families of bars by tag: of the hall, and those that the same file brings. */
export type FamilyOf = ReadonlyMap<string, FamilyKey>;

const tagsById = async (hall: HallDb) =>
  new Map((await hall.rows(bars, { where: ne(bars.state, "retired") })).map(({ id, tag }) => [id, tag]));

/** Charts of every bar that is not retired, by tag. */
export async function exportCharts(context: Context): Promise<FileChart[]> {
  const { hall } = context;
  const [rows, tags] = [await hall.rows(barSetups, { where: isNotNull(barSetups.chart) }), await tagsById(hall)];
  return rows
    .flatMap(({ barId, chart, calibratedOn }) => {
      const tag = tags.get(barId);
      return tag ? [{ tag, texts: chartTexts(chart as SetupChart), calibratedOn }] : [];
    })
    .sort((a, b) => (a.tag < b.tag ? -1 : 1));
}

/** Reads charts of a file against the hall's; one that differs counts as a new calibration. */
export async function prepareCharts(
  context: Context,
  incoming: readonly FileChart[],
  familyOf: FamilyOf,
): Promise<PreparedPart> {
  const { hall } = context;
  if (incoming.length === 0) return NOTHING;
  const there = new Map((await exportCharts(context)).map((one) => [one.tag, one]));
  const charts = new Map<string, SetupChart>();
  return prepareList({
    name: "chart",
    incoming,
    there,
    read: (item) => {
      const family = familyOf.get(item.tag);
      const kind = family && chartKindOf(family);
      const problems: Problem[] = [];
      if (!family) problems.push({ path: "tag", message: `there is no bar ${item.tag}` });
      else if (!kind) problems.push({ path: "tag", message: `${item.tag} has neither marks nor holes to calibrate` });
      if (item.calibratedOn !== null && !isHallDay(item.calibratedOn))
        problems.push({ path: "calibratedOn", message: `“${item.calibratedOn}” is no day: write YYYY-MM-DD` });
      const read = kind ? readChart(kind, item.texts) : null;
      if (read && !read.ok) problems.push(...read.problems);
      if (read?.ok) charts.set(item.tag, read.chart);
      const texts = read?.ok ? chartTexts(read.chart) : item.texts;
      return { problems, key: item.tag, tag: item.tag, value: { ...item, texts } };
    },
    write: async ({ tag, value }) => {
      const bar = (await hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")) }))!;
      const row = await hall.first(barSetups, { where: eq(barSetups.barId, bar.id), forUpdate: true });
      await hall.put(barSetups, [barSetups.barId], {
        barId: bar.id,
        chart: charts.get(tag)!,
        calibratedOn: value.calibratedOn,
        chartVersion: (row?.chartVersion ?? 0) + 1,
        version: (row?.version ?? 0) + 1,
      });
      await recordChange(context, {
        entity: "bar",
        entityId: bar.id,
        action: "calibrated",
        before: there.get(tag)?.texts,
        after: value.texts,
        reason: "from a file",
      });
    },
  });
}

/** Every inspection of a bar that is not retired, oldest first. */
export async function exportInspections(context: Context): Promise<FileInspection[]> {
  const { hall } = context;
  const [rows, tags, names] = [
    await hall.rows(inspections, { orderBy: [asc(inspections.inspectedOn), asc(inspections.enteredAt)] }),
    await tagsById(hall),
    await namesById(hall),
  ];
  const all = rows.flatMap(({ barId, inspectedOn, personId, facts, decided, reason }): FileInspection[] => {
    const tag = tags.get(barId);
    return tag ? [{ tag, on: inspectedOn, by: names.get(personId) ?? null, facts, decided, reason }] : [];
  });
  return [...new Map(all.map((one) => [inspectionKey(one), one]))]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, one]) => one);
}

/** Two inspections of a bar on one day that found the same are the same. */
const inspectionKey = ({ tag, on, facts }: FileInspection) =>
  JSON.stringify([on, tag, Object.entries(facts).sort(([a], [b]) => (a < b ? -1 : 1))]);

/**
 * Reads inspections of a file against the hall's. They are history: the state of a bar travels with the bar, so none
 * of them quarantines anything again.
 */
export async function prepareInspections(
  context: Context,
  incoming: readonly FileInspection[],
  familyOf: FamilyOf,
): Promise<PreparedPart> {
  const { hall } = context;
  if (incoming.length === 0) return NOTHING;
  const { limits } = await storedCareRules(hall);
  const names = await namesById(hall);
  const people = new Map([...names].map(([id, name]) => [name, id]));
  const there = new Map((await exportInspections(context)).map((one) => [inspectionKey(one), one.tag]));
  const read = (item: FileInspection): ListItem<string> & { item: FileInspection } => ({
    item,
    problems: [
      ...(familyOf.has(item.tag) ? [] : [{ path: "tag", message: `there is no bar ${item.tag}` }]),
      ...(!isHallDay(item.on)
        ? [{ path: "on", message: `“${item.on}” is no day: write YYYY-MM-DD` }]
        : item.on > context.clock.today
          ? [{ path: "on", message: `${item.on} has not come yet` }]
          : []),
      ...(INSPECTION_VERDICTS.some((one) => one === item.decided)
        ? []
        : [{ path: "decided", message: `“${item.decided}” is none of ${INSPECTION_VERDICTS.join(", ")}` }]),
      ...factProblems(item.facts),
    ],
    key: inspectionKey(item),
    tag: item.tag,
    value: item.tag,
  });
  const items = new Map(incoming.map((item) => [inspectionKey(item), item]));
  return prepareList({
    name: "inspection",
    incoming,
    there,
    read,
    write: async ({ key }) => {
      const { tag, on, by, facts, decided, reason } = items.get(key)!;
      const bar = (await hall.first(bars, { where: and(inArray(bars.tag, [tag]), ne(bars.state, "retired")) }))!;
      const runout = facts.dialMm ? runoutOf(facts.dialMm) : null;
      const suggested = judgeInspection(facts, limits).verdict;
      await hall.insert(inspections, {
        barId: bar.id,
        personId: (by === null ? undefined : people.get(by)) ?? context.actor.personId,
        inspectedOn: on,
        facts,
        tirMm: runout?.tirMm ?? null,
        bendAtDeg: runout?.bendAtDeg ?? null,
        suggested,
        decided,
        reason: reason ?? (decided === suggested ? null : "as decided where it comes from"),
      });
    },
  });
}
