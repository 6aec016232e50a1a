import "server-only";
import type { BarState } from "@/core/bars/bar";
import { dayText } from "@/core/units/dates";
import { cache } from "react";
import { listed } from "@/core/units/format";
import type { Context } from "@/server/access";
import { barsInState, barsNeverWeighed, barsOffTheirLabel, countInState, type ListedBar } from "@/server/bars";
import { openClaims, openOrders, warrantiesEnding } from "@/server/buying";
import { sweatWarning } from "@/server/care/air";
import { careDueByTask, careDueCounts, neediestBars } from "@/server/care/due";
import { roundsOfToday } from "@/server/care/rounds";
import { hasOpenFindings, listFindings } from "@/server/care/findings";
import { type BrokenClass, classesBroken, classesUnassigned } from "@/server/classes";
import { runsStopped } from "@/server/loading";
import { measuringRules } from "@/server/rules";
import { storageDangers } from "@/server/setups";
import { notesAsked } from "@/server/feel";
import { stationsDue } from "@/server/equipment";
import { backupAlarm, keepCareCurrent } from "@/server/upkeep";
import { type TodayItem, MAX_LISTED } from "./todayItem";
import {
  outOfUse,
  badlyHung,
  sweating,
  found,
  neediest,
  careItems,
  underWatch,
  heavyOrLight,
  neverWeighed,
} from "./barItems";
import { claimItems, orderItems, warrantyItems } from "./buyItems";
import { stoppedRuns, notBackedUp, tonight, roundItems, stationItems, noteItems } from "./placeItems";

/** One kind of thing that Today speaks of. */
interface Alarm {
  /** Its sentences; none where nothing is the matter. */
  items(context: Context): Promise<TodayItem[]>;
  /** How many those are. Every page shows the sum, so it is read without them where that is less. */
  count(context: Context): Promise<number>;
}

/**
 * @param read what is the matter
 * @param say the sentences of that, by the gym's day
 * @param count how many those will be, where that is known by reading less
 */
function alarm<T>(
  read: (context: Context) => Promise<T>,
  say: (found: T, today: string) => TodayItem[],
  count?: (context: Context) => Promise<number>,
): Alarm {
  const items = async (context: Context) => say(await read(context), context.clock.today);
  return { items, count: count ?? (async (context) => (await items(context)).length) };
}

/** Bars in a state, each a sentence. */
const inState = (state: BarState, say: (bars: readonly ListedBar[]) => TodayItem[]) =>
  alarm(
    (context) => barsInState(context, [state], MAX_LISTED),
    say,
    async (context) => Math.min(MAX_LISTED, await countInState(context, [state])),
  );

/** Bars that one sentence lists. */
const listing = (
  read: (context: Context, most: number) => Promise<ListedBar[]>,
  say: (bars: readonly ListedBar[]) => TodayItem[],
) =>
  alarm(
    (context) => read(context, MAX_LISTED),
    say,
    async (context) => Math.sign((await read(context, 1)).length),
  );

const barsOff = async (context: Context, most: number) =>
  barsOffTheirLabel(context, (await measuringRules(context)).tolerances.mass ?? Infinity, most);

/** Everything that Today speaks of, most urgent first. */
const ALARMS: readonly Alarm[] = [
  alarm(classesBroken, brokenClasses),
  alarm(runsStopped, stoppedRuns),
  inState("quarantined", outOfUse),
  alarm(storageDangers, badlyHung),
  alarm(backupAlarm, notBackedUp),
  alarm(sweatWarning, sweating),
  alarm(
    (context) => listFindings(context, { openOnly: true }),
    found,
    async (context) => ((await hasOpenFindings(context)) ? 1 : 0),
  ),
  alarm(classesUnassigned, tonight),
  alarm(roundsOfToday, roundItems),
  alarm(openClaims, claimItems),
  alarm(openOrders, orderItems),
  alarm(neediestBars, neediest),
  alarm(
    (context) => careDueByTask(context, context.clock.today),
    careItems,
    async (context) => (await careDueCounts(context, context.clock.today)).length,
  ),
  inState("watch", underWatch),
  listing(barsOff, heavyOrLight),
  listing(barsNeverWeighed, neverWeighed),
  alarm(warrantiesEnding, warrantyItems),
  alarm(stationsDue, stationItems),
  alarm(notesAsked, noteItems),
];

/** What needs doing today, most urgent first; empty when there is nothing. Worked out once a request. */
export const todayItems = cache(async (context: Context): Promise<TodayItem[]> => {
  await keepCareCurrent(context);
  return (await Promise.all(ALARMS.map(({ items }) => items(context)))).flat();
});

/** How many sentences Today has, without making most of them: every page shows the number. */
export async function todayCount(context: Context): Promise<number> {
  const counts = await Promise.all(ALARMS.map(({ count }) => count(context)));
  return counts.reduce((sum, count) => sum + count, 0);
}

/** Classes that were assigned with a bar that may not be lifted with any more. */
function brokenClasses(broken: readonly BrokenClass[], today: string): TodayItem[] {
  return broken.map(({ row, breaks, people }) => ({
    id: `broken-${row.id}`,
    weight: "danger",
    title: `${row.name}${row.heldOn === today ? ` at ${row.startsAt}` : `, ${dayText(row.heldOn, today)}`}: ${breaks.join(" ")}`,
    because: `${listed(people)} ${people.length === 1 ? "needs" : "need"} another bar or place. A sheet that was printed no longer holds.`,
    action: { label: "Reassign", href: `/classes/${row.id}` },
  }));
}
