import "server-only";
import { dayText } from "@/core/units/dates";
import { cache } from "react";
import { listed } from "@/core/units/format";
import type { Context } from "@/server/access";
import { barsInState, barsNeverWeighed, barsOffTheirLabel, countInState } from "@/server/bars";
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

/** What needs doing today, most urgent first; empty when there is nothing. Worked out once a request. */
export const todayItems = cache(async (context: Context): Promise<TodayItem[]> => {
  await keepCareCurrent(context);
  const [
    ...[
      backup,
      sweat,
      findings,
      troubled,
      due,
      off,
      unweighed,
      classes,
      dangers,
      broken,
      stopped,
      needy,
      rounds,
      orders,
      claims,
      ending,
      asked,
      stations,
    ]
  ] = await Promise.all([
    backupAlarm(context),
    sweatWarning(context),
    listFindings(context, { openOnly: true }),
    barsInState(context, ["quarantined", "watch"], MAX_LISTED),
    careDueByTask(context, context.clock.today),
    measuringRules(context).then(({ tolerances }) =>
      barsOffTheirLabel(context, tolerances.mass ?? Infinity, MAX_LISTED),
    ),
    barsNeverWeighed(context, MAX_LISTED),
    classesUnassigned(context),
    storageDangers(context),
    classesBroken(context),
    runsStopped(context),
    neediestBars(context),
    roundsOfToday(context),
    openOrders(context),
    openClaims(context),
    warrantiesEnding(context),
    notesAsked(context),
    stationsDue(context),
  ]);
  return [
    ...brokenClasses(broken, context.clock.today),
    ...stoppedRuns(stopped),
    ...outOfUse(troubled),
    ...badlyHung(dangers),
    ...notBackedUp(backup),
    ...sweating(sweat),
    ...found(findings),
    ...tonight(classes),
    ...roundItems(rounds),
    ...claimItems(claims),
    ...orderItems(orders, context.clock.today),
    ...neediest(needy),
    ...careItems(due),
    ...underWatch(troubled),
    ...heavyOrLight(off),
    ...neverWeighed(unweighed),
    ...warrantyItems(ending, context.clock.today),
    ...stationItems(stations),
    ...noteItems(asked),
  ];
});

/** How many sentences Today has, without making them: every page shows the number. */
export async function todayCount(context: Context): Promise<number> {
  const [
    ...[
      backup,
      sweat,
      findings,
      troubled,
      due,
      off,
      unweighed,
      classes,
      dangers,
      broken,
      stopped,
      needy,
      rounds,
      orders,
      claims,
      ending,
      asked,
      stations,
    ]
  ] = await Promise.all([
    backupAlarm(context),
    sweatWarning(context),
    hasOpenFindings(context),
    countInState(context, ["quarantined", "watch"]),
    careDueCounts(context, context.clock.today),
    measuringRules(context).then(({ tolerances }) => barsOffTheirLabel(context, tolerances.mass ?? Infinity, 1)),
    barsNeverWeighed(context, 1),
    classesUnassigned(context),
    storageDangers(context),
    classesBroken(context),
    runsStopped(context),
    neediestBars(context),
    roundsOfToday(context),
    openOrders(context),
    openClaims(context),
    warrantiesEnding(context),
    notesAsked(context),
    stationsDue(context),
  ]);
  const single = troubled > MAX_LISTED ? MAX_LISTED : troubled;
  return (
    single +
    (backup ? 1 : 0) +
    (sweat ? 1 : 0) +
    (findings ? 1 : 0) +
    due.length +
    Math.sign(off.length) +
    Math.sign(unweighed.length) +
    classes.length +
    broken.length +
    stopped.length +
    dangers.length +
    Math.sign(needy.length) +
    rounds.length +
    orders.length +
    claims.length +
    Math.sign(ending.length) +
    stationItems(stations).length +
    Math.sign(asked.length)
  );
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
