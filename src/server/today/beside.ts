import "server-only";
import { blockTimes } from "@/core/classes/blockTimes";
import { addDays, type HallDay } from "@/core/units/hallDay";
import { type Context, may } from "@/server/access";
import { type OpenOrder, openOrders } from "@/server/buying";
import { careDueList } from "@/server/care/due";
import { listClasses } from "@/server/classes";
import { listStations } from "@/server/equipment";
import { listRuns } from "@/server/loading";

/** What stands beside the list of Today: what is on, what comes, and how care stands. */
export interface TodayBeside {
  /** Sessions in progress. */
  running: { id: string; tag: string; where: string | null; done: number; sets: number }[];
  /** The next class from today on; null when there is none, or for whoever sees no classes. */
  nextClass: {
    id: string;
    name: string;
    heldOn: HallDay;
    times: string[];
    stations: number;
    isAssigned: boolean;
  } | null;
  seesClasses: boolean;
  care: { count: number; late: number; minutes: number; week: number };
  /** Bars on their way, the earliest first. */
  orders: OpenOrder[];
}

/** No more sessions than these are named. */
const MAX_RUNNING = 6;

export async function todayBeside(context: Context): Promise<TodayBeside> {
  const { today } = context.clock;
  const [runs, classes, { items: stations }, due, week, orders] = await Promise.all([
    listRuns(context, MAX_RUNNING),
    listClasses(context),
    listStations(context),
    careDueList(context, today, {}, 0),
    careDueList(context, addDays(today, 7), {}, 0),
    openOrders(context),
  ]);
  const nameOf = new Map(stations.map(({ key, name }) => [key, name]));
  const next = classes
    .filter(({ heldOn }) => heldOn >= today)
    .sort((a, b) => (a.heldOn + a.startsAt < b.heldOn + b.startsAt ? -1 : 1))[0];
  return {
    running: runs
      .filter(({ isOver }) => !isOver)
      .map(({ row, tag }) => ({
        ...{ id: row.id, tag },
        where: row.stationKey ? (nameOf.get(row.stationKey) ?? null) : null,
        done: row.state.sets.filter(({ state }) => state !== "open").length,
        sets: row.state.sets.length,
      })),
    nextClass: next
      ? {
          ...{ id: next.id, name: next.name, heldOn: next.heldOn, isAssigned: next.plan !== null },
          times: blockTimes(next.startsAt, next.blockMinutes, next.blocks),
          stations: Object.keys(next.capacities).length,
        }
      : null,
    seesClasses: may(context, "class.edit"),
    care: { count: due.count, late: due.late, minutes: due.minutes, week: week.count - due.count },
    orders,
  };
}
