import "server-only";
import { and, asc, eq, gte } from "drizzle-orm";
import { outOfUseText } from "@/core/bars/fitness";
import { clockText } from "@/core/care/staffHours";
import { groupBy } from "@/core/collections/groupBy";
import { type HallDay, daysBetween } from "@/core/units/hallDay";
import { inMany } from "@/data/inMany";
import { bars, carePlan, careRounds, type RoundItem } from "@/data/schema";
import type { Context } from "@/server/access";
import { stationJobs } from "@/server/equipment";
import { careTasksById, namesById, placesById } from "@/server/kit";

export interface PlannedRound {
  id: string;
  version: number;
  day: HallDay;
  from: string;
  person: string;
  personId: string;
  minutes: number;
  /** By task, with the bars in the order they hang, or stations, and how many days late each is. */
  tasks: { key: string; name: string; isOfStations: boolean; at: { name: string; late: number }[] }[];
  /** Bars of it that may not be used now, each with why: nothing is done on them. */
  outOfUse: string[];
  lateness: number;
  /** When each job of it is due, for what a move does. */
  dues: HallDay[];
}

/** Planned rounds from a day on, in the order they come; only one person's when asked. */
export async function plannedRounds(
  context: Context,
  { from, personId }: { from: HallDay; personId?: string | null },
): Promise<PlannedRound[]> {
  const { hall } = context;
  const rows = await hall.rows(careRounds, {
    where: and(gte(careRounds.day, from), personId ? eq(careRounds.personId, personId) : undefined),
    orderBy: [asc(careRounds.day), asc(careRounds.fromMinute)],
    limit: 400,
  });
  if (rows.length === 0) return [];
  const ids = [...new Set(rows.flatMap(({ items }) => items.flatMap((one) => ("barId" in one ? [one.barId] : []))))];
  const [tasks, names, places, own, looks] = await Promise.all([
    careTasksById(hall),
    namesById(hall),
    placesById(hall),
    hall.rows(bars, { where: inMany(bars.id, ids) }),
    rows.some(({ items }) => items.some((one) => "stationId" in one)) ? stationJobs(context) : [],
  ]);
  const barOf = new Map(own.map((bar) => [bar.id, bar]));
  const lookOf = new Map(looks.map((look) => [`${look.stationId} ${look.part}`, look]));
  const orderOf = (barId: string) => places.get(barOf.get(barId)?.placeId ?? "")?.roundOrder ?? 999;
  return rows.map((row) => {
    const late = (dueOn: string) => Math.max(0, daysBetween(dueOn, row.day));
    const ofBars = row.items
      .flatMap((one) => ("barId" in one && barOf.has(one.barId) ? [one] : []))
      .sort(
        (a, b) => orderOf(a.barId) - orderOf(b.barId) || (barOf.get(a.barId)!.tag < barOf.get(b.barId)!.tag ? -1 : 1),
      );
    // A station that was deleted since asks for nothing.
    const ofStations = row.items.flatMap((one) => {
      const look = "stationId" in one ? lookOf.get(`${one.stationId} ${one.part}`) : undefined;
      return look ? [{ ...look, dueOn: one.dueOn }] : [];
    });
    return {
      id: row.id,
      version: row.version,
      day: row.day,
      from: clockText(row.fromMinute),
      person: names.get(row.personId) ?? "someone",
      personId: row.personId,
      minutes: row.minutes,
      tasks: [
        ...[...groupBy(ofBars, ({ taskId }) => taskId)].map(([taskId, items]) => ({
          key: tasks.get(taskId)?.key ?? taskId,
          name: tasks.get(taskId)?.name ?? "care",
          isOfStations: false,
          at: items.map(({ barId, dueOn }) => ({ name: barOf.get(barId)!.tag, late: late(dueOn) })),
        })),
        ...[...groupBy(ofStations, ({ part }) => part)].map(([part, items]) => ({
          key: `station ${part}`,
          name: items[0]!.partName,
          isOfStations: true,
          at: items.map(({ name, dueOn }) => ({ name, late: late(dueOn) })),
        })),
      ],
      outOfUse: [...new Set(ofBars.map(({ barId }) => barId))].flatMap((id) => outOfUseText(barOf.get(id)!) ?? []),
      lateness: row.items.reduce((sum, { dueOn }) => sum + late(dueOn), 0),
      dues: row.items.map(({ dueOn }) => dueOn),
    };
  });
}

/**
 * What is done on a round, a line a task.
 *
 * @returns such as "oil the sleeves: K01, K04" and "pins, J-cups and safeties: Rack 1"
 */
export const linesOfRound = ({ tasks }: PlannedRound): string[] =>
  tasks.map(({ name, at }) => `${name}: ${at.map((one) => one.name).join(", ")}`);

/** @returns how many jobs a round has */
export const jobsOfRound = ({ tasks }: PlannedRound): number => tasks.reduce((sum, { at }) => sum + at.length, 0);

/** Rounds of today of which something is still to do. */
export async function roundsOfToday(context: Context): Promise<PlannedRound[]> {
  const { hall } = context;
  const { today } = context.clock;
  const rows = await hall.rows(careRounds, { where: eq(careRounds.day, today) });
  if (rows.length === 0) return [];
  const items = rows.flatMap((row) => row.items);
  const ids = [...new Set(items.flatMap((one) => ("barId" in one ? [one.barId] : [])))];
  const [plans, looks] = await Promise.all([
    hall.rows(carePlan, { where: and(inMany(carePlan.barId, ids), eq(carePlan.lastDoneOn, today)) }),
    items.some((one) => "stationId" in one) ? stationJobs(context) : [],
  ]);
  const done = new Set([
    ...plans.map(({ barId, taskId }) => `${barId} ${taskId}`),
    ...looks.filter(({ doneOn }) => doneOn === today).map(({ stationId, part }) => `${stationId} ${part}`),
  ]);
  const keyOf = (one: RoundItem) => ("barId" in one ? `${one.barId} ${one.taskId}` : `${one.stationId} ${one.part}`);
  const open = new Set(rows.filter((row) => row.items.some((one) => !done.has(keyOf(one)))).map(({ id }) => id));
  if (open.size === 0) return [];
  return (await plannedRounds(context, { from: today })).filter(({ id, day }) => day === today && open.has(id));
}
