import "server-only";
import { dayText } from "@/core/units/dates";
import { cache } from "react";
import { gapToStated } from "@/core/bars/effectiveQuantity";
import type { StorageConflict } from "@/core/setups/storage";
import { listed, sentence, signed, trimmed } from "@/core/units/format";
import type { Context } from "@/server/access";
import { type ListedBar, barsInState, barsNeverWeighed, barsOffTheirLabel, countInState } from "@/server/bars";
import { type OpenClaim, type OpenOrder, openClaims, openOrders, warrantiesEnding } from "@/server/buying";
import { sweatWarning } from "@/server/care/air";
import { type NeedyBar, type TaskDue, careDueByTask, careDueCounts, neediestBars } from "@/server/care/due";
import { type PlannedRound, jobsOfRound, roundsOfToday } from "@/server/care/rounds";
import { type Finding, hasOpenFindings, listFindings } from "@/server/care/findings";
import { type BrokenClass, type ClassRow, classesBroken, classesUnassigned } from "@/server/classes";
import { runsStopped } from "@/server/loading";
import { measuringRules } from "@/server/rules";
import { storageDangers } from "@/server/setups";
import { STAGE_WORDS } from "@/core/feel/barNote";
import { type NoteAsked, notesAsked } from "@/server/feel";
import { type StationsDue, stationsDue } from "@/server/equipment";
import { type BackupAlarm, backupAlarm, keepCareCurrent } from "@/server/upkeep";

/** One sentence of the Today page with its one button. */
export interface TodayItem {
  id: string;
  weight: "danger" | "now" | "soon";
  title: string;
  because: string;
  action: { label: string; href: string };
}

/** No sentence lists more bars than this; the wall shows the rest. */
const MAX_LISTED = 50;

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

/** Claims that the seller has not answered. */
function claimItems(claims: readonly OpenClaim[]): TodayItem[] {
  return claims.map(({ id, offerId, code, name, reasons, sinceDays }) => ({
    id: `claim-${id}`,
    weight: "now",
    title: `${code} ${name}: claim not resolved${sinceDays > 0 ? `, ${days(sinceDays)} old` : ""}.`,
    because: reasons[0] ?? "It waits in its box.",
    action: { label: "Resolve", href: `/buy/${offerId}` },
  }));
}

/** Bars on their way; one that is late is for now. */
function orderItems(orders: readonly OpenOrder[], today: string): TodayItem[] {
  return orders.map(({ id, code, name, quantity, arrived, expectedOn, lateDays }) => ({
    id: `order-${id}`,
    weight: lateDays > 0 || expectedOn === today ? "now" : "soon",
    title: `${code} ${name}: ${
      lateDays > 0
        ? `${days(lateDays)} late.`
        : expectedOn === today
          ? "expected today."
          : expectedOn
            ? `expected ${dayText(expectedOn, today)}.`
            : "ordered, no day said."
    }`,
    because: quantity > 1 ? `${arrived} of ${quantity} arrived.` : "Check it in while it stands in its box.",
    action: { label: "Check in", href: `/buy/${id}/receive` },
  }));
}

/** Warranties that end soon: the last chance for a claim. */
function warrantyItems(ending: readonly { tag: string; name: string; on: string }[], today: string): TodayItem[] {
  const [first, ...others] = ending;
  if (!first) return [];
  return [
    {
      id: "warranties",
      weight: "soon",
      title: `The warranty of ${first.tag} ${first.name} ends ${dayText(first.on, today)}.`,
      because: others.length > 0 ? `Soon also ${listed(others.map(({ tag }) => tag))}.` : "Look it over before then.",
      action: { label: "Inspect", href: `/bars/${encodeURIComponent(first.tag)}` },
    },
  ];
}

/** People who have used a bar long enough to say how it is. */
function noteItems(asked: readonly NoteAsked[]): TodayItem[] {
  const [first, ...others] = asked;
  if (!first) return [];
  const more = others.slice(0, 4).map(({ lifterName, tag }) => `${lifterName} on ${tag}`);
  const rest = others.length - more.length;
  return [
    {
      id: "notes",
      weight: "soon",
      title: `Ask ${first.lifterName} how ${first.tag} ${first.barName} feels after ${STAGE_WORDS[first.stage]}.`,
      because:
        more.length === 0
          ? "It is shown where bars are compared and bought."
          : `Also ${listed(rest > 0 ? [...more, `${rest} more`] : more)}.`,
      action: {
        label: "Add note",
        href: `/bars/${encodeURIComponent(first.tag)}?lifter=${encodeURIComponent(first.lifter)}&stage=${first.stage}#feel`,
      },
    },
  ];
}

/** Stations that are out of use, then those whose bolts, pins or liners want a look. */
function stationItems({ out, due }: StationsDue): TodayItem[] {
  return [
    ...out.map(({ key, name, why }): TodayItem => ({
      id: `station-${key}`,
      weight: "danger",
      title: `${name} is out of use: ${why}.`,
      because: "Nobody lifts there until it is put right.",
      action: { label: "Check", href: "/care/stations" },
    })),
    ...(due.length > 0
      ? [
          {
            id: "stations-due",
            weight: "soon" as const,
            title: `Check ${listed(due.slice(0, 5))}${due.length > 5 ? ` and ${due.length - 5} more` : ""}: bolts, pins, liners.`,
            because: "A rack that gives way is worse than a bar that rusts.",
            action: { label: "Check", href: "/care/stations" },
          },
        ]
      : []),
  ];
}

/** Sessions that are under way on a bar that may not be lifted with any more. */
function stoppedRuns(stopped: readonly { id: string; tag: string; stop: string }[]): TodayItem[] {
  return stopped.map(({ id, tag, stop }) => ({
    id: `stopped-${id}`,
    weight: "danger",
    title: `Stop the session on ${tag}: ${stop}`,
    because: "It is in progress.",
    action: { label: "Open it", href: `/load/session/run/${id}` },
  }));
}

/** A database that nobody has a fresh copy of. */
function notBackedUp(alarm: BackupAlarm | null): TodayItem[] {
  if (!alarm) return [];
  return [
    {
      id: "backup",
      weight: "danger",
      title: alarm.title,
      because: alarm.because,
      action: { label: "See how", href: "/settings#backups" },
    },
  ];
}

type Wall = readonly ListedBar[];

/** Steel below the dew point in the last hours: bars are wet where hands go. */
function sweating(sweat: Awaited<ReturnType<typeof sweatWarning>>): TodayItem[] {
  if (!sweat) return [];
  return [
    {
      id: "sweat",
      weight: "now",
      title: `The bars sweated at ${sweat.sensor}: wipe them before anybody chalks up.`,
      because: `The steel was at ${trimmed(sweat.steelC, 1)} °C, below the dew point of ${trimmed(sweat.dewPointC, 1)} °C.`,
      action: { label: "See the air", href: "/care/air" },
    },
  ];
}

/** What was found wrong and waits. */
function found(findings: readonly Finding[]): TodayItem[] {
  if (findings.length === 0) return [];
  const [first] = findings;
  const tags = [...new Set(findings.map(({ tag }) => tag))];
  return [
    {
      id: "findings",
      weight: "now",
      title: `${first!.tag}: ${first!.note}. Not resolved.`,
      because:
        tags.length === 1
          ? "It stands on every screen that names the bar until someone resolves it."
          : `Also on ${listed(tags.filter((tag) => tag !== first!.tag))}.`,
      action: { label: "Resolve", href: "/care" },
    },
  ];
}

function outOfUse(wall: Wall): TodayItem[] {
  return wall
    .filter(({ bar }) => bar.state === "quarantined")
    .map(({ bar }) => ({
      id: `quarantine-${bar.tag}`,
      weight: "danger",
      title: `${bar.tag} ${bar.name} is quarantined: ${bar.stateReason ?? "no reason kept"}.`,
      because: "Nobody may lift with it. Repair and inspect it to return it to service, or retire it.",
      action: { label: "Decide", href: `/bars/${bar.tag}#state` },
    }));
}

/** Bars that hang so that somebody can be hurt, or lack a part. */
function badlyHung(dangers: readonly StorageConflict[]): TodayItem[] {
  return dangers.map(({ key, tags, text, place }) => ({
    id: `storage-${key}-${tags.join("-")}`,
    weight: "danger",
    title: text,
    because:
      key === "parts"
        ? "Find them before anybody sets the bar up."
        : `People walk past ${place ?? "it"} at the height of their heads.`,
    action: { label: "Where bars hang", href: "/setups/storage" },
  }));
}

/** Classes of today that nobody assigned yet; for whoever assigns. */
function tonight(classes: readonly ClassRow[]): TodayItem[] {
  return classes.map(({ id, name, startsAt }) => ({
    id: `class-${id}`,
    weight: "now",
    title: `${name} at ${startsAt}: nobody knows yet where to lift, and with which bar.`,
    because: "Assign stations and bars, then print the sheet.",
    action: { label: "Assign", href: `/classes/${id}` },
  }));
}

/** Rounds that were planned for today and are not done. */
function roundItems(rounds: readonly PlannedRound[]): TodayItem[] {
  return rounds.map((round) => {
    const [{ id, from, person, minutes, tasks }, jobs] = [round, jobsOfRound(round)];
    return {
      id: `round-${id}`,
      weight: "soon",
      title: `Round at ${from}, ${person}: ${jobs} ${jobs === 1 ? "job" : "jobs"}, about ${Math.ceil(minutes)} min.`,
      because: `${sentence(listed(tasks.map(({ name }) => name)))}.`,
      action: { label: "Start", href: `/care/rounds?plan=${id}` },
    };
  });
}

/** The bar that wants care most; Care says the same. */
function neediest([first, ...others]: readonly NeedyBar[]): TodayItem[] {
  if (!first) return [];
  return [
    {
      id: "neediest",
      weight: "now",
      title: `${first.tag} ${first.barName} needs care most: ${first.what[0]}.`,
      because: [
        ...(first.drivers.length > 0 ? [`${sentence(listed(first.drivers))}.`] : []),
        ...(others.length > 0 ? [`Then ${listed(others.map(({ tag }) => tag))}.`] : []),
      ].join(" "),
      action: { label: "Open it", href: `/care?bar=${encodeURIComponent(first.tag)}` },
    },
  ];
}

/** Care that is late, one sentence a task, the longest overdue first. */
function careItems(due: readonly TaskDue[]): TodayItem[] {
  return due.map(({ task, taskName, bars, minutes, first }) => {
    const worst = first[0]!;
    const tags = first.map(({ tag }) => tag);
    const listedTags = listed(bars > tags.length ? [...tags, `${bars - tags.length} more`] : tags);
    return {
      id: `care-${task}`,
      weight: worst.overdueDays > 0 ? "now" : "soon",
      title: `${sentence(taskName)}: ${bars === 1 ? `${worst.tag} ${worst.barName}` : `${bars} bars`}, about ${Math.ceil(minutes)} min.`,
      because:
        worst.overdueDays > 0
          ? `${listedTags}; ${worst.tag} is ${days(worst.overdueDays)} late${worst.drivers.length > 0 ? `: ${listed(worst.drivers)}` : ""}.`
          : `${listedTags}, due today.`,
      action: { label: "Open the list", href: `/care?task=${task}` },
    };
  });
}

function underWatch(wall: Wall): TodayItem[] {
  return wall
    .filter(({ bar }) => bar.state === "watch")
    .map(({ bar }) => ({
      id: `watch-${bar.tag}`,
      weight: "soon",
      title: `${bar.tag} ${bar.name} is under watch: ${bar.stateReason ?? "no reason kept"}.`,
      because: "Look at it before the next session.",
      action: { label: "Look at it", href: `/bars/${bar.tag}#state` },
    }));
}

/** Bars whose measured mass is off from what the seller says by more than the tolerance: every sum is off by that. */
function heavyOrLight(wall: Wall): TodayItem[] {
  const off = wall.flatMap(({ bar }) => {
    const gap = gapToStated(bar.quantities.mass ?? null);
    return gap === null ? [] : [{ bar, gap }];
  });
  if (off.length === 0) return [];
  const worst = off.reduce((a, b) => (Math.abs(b.gap) > Math.abs(a.gap) ? b : a));
  return [
    {
      id: "mass-gaps",
      weight: "soon",
      title: `${off.length} ${off.length === 1 ? "bar weighs" : "bars weigh"} something else than the end cap says: ${listed(off.map(({ bar }) => bar.tag))}.`,
      because: `${worst.bar.tag} is off by ${signed(worst.gap, 2)} kg, and so is every load worked out from its label. Garrison counts the measured mass.`,
      action: { label: `See ${worst.bar.tag}`, href: `/bars/${worst.bar.tag}` },
    },
  ];
}

function neverWeighed(wall: Wall): TodayItem[] {
  if (wall.length === 0) return [];
  const first = wall[0]!.bar;
  return [
    {
      id: "never-weighed",
      weight: "soon",
      title: `Never weighed: ${listed(wall.map(({ bar }) => bar.tag))}.`,
      because: `${first.quantities.mass ? `The seller says ${trimmed(first.quantities.mass.value, 2)} kg; a` : "A"} scale tells in two minutes.`,
      action: { label: `Weigh ${first.tag}`, href: `/bars/measure?bars=${first.tag}` },
    },
  ];
}

function days(count: number): string {
  return count === 1 ? "1 day" : `${count} days`;
}
