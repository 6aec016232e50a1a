import "server-only";
import { between, desc, eq, inArray } from "drizzle-orm";
import { isUsable, type Bar } from "@/core/bars/bar";
import { groupBy } from "@/core/collections/groupBy";
import { barDemand, coverage, type BarDemand, type Coverage } from "@/core/matching/coverage";
import type { Purpose } from "@/core/matching/lifter";
import type { Lift } from "@/core/matching/lifts";
import { matchBars, type Match } from "@/core/matching/match";
import { rackSetting, rackWords } from "@/core/setups/rackHeight";
import { addDays } from "@/core/units/hallDay";
import { convertTyped, type TypedQuantity } from "@/core/units/typedQuantity";
import { classEntries, classes, lifters, lifts, stations } from "@/data/schema";
import { barsOnTheWall, listBars, type ListedBar } from "./bars";
import { barsToday } from "./barsToday";
import { matchingRules } from "./houseRules";
import { barUse, buildOf, listLifters, matchLifterOf, type LifterRow } from "./lifters";
import { allLifts, liftOf } from "./lifts";
import { meetingRules } from "./meetings";
import { failed, forbidden, notFound, type Outcome } from "./outcome";
import { may } from "./access/permissions";
import type { Context } from "./access/context";

export interface Matching {
  lift: Lift;
  lifter: LifterRow | null;
  loadKg: number;
  /** `setting` is where J-cups and safeties go for this lifter at the asked rack; null where that cannot be said. */
  items: (Match & { bar: Bar; place: string | null; setting: string | null })[];
}

export interface MatchAsk {
  lift: string;
  loadKg: number;
  /** Key of a lifter; null for anybody. */
  lifter: string | null;
  purpose?: Purpose;
  /** Key of the station it is wanted at. */
  at?: string | null;
}

/** Which bars suit a lift, a load and perhaps a lifter: best first, with reasons. */
export async function matchForLift(context: Context, ask: MatchAsk): Promise<Outcome<{ matching: Matching }>> {
  const { hall } = context;
  if (ask.lifter !== null && !may(context, "lifter.read")) return forbidden("ask for a lifter");
  const row = await hall.first(lifts, { where: eq(lifts.key, ask.lift) });
  if (!row) return notFound(`lift "${ask.lift}"`);
  const lifter = ask.lifter === null ? null : await hall.first(lifters, { where: eq(lifters.key, ask.lifter) });
  if (ask.lifter !== null && (!lifter || lifter.retiredAt)) return notFound(`lifter "${ask.lifter}"`);
  if (!(ask.loadKg > 0))
    return failed("invalid", "The load must be more than 0 kg.", [{ path: "loadKg", message: "must be more than 0" }]);
  const station = ask.at ? await hall.first(stations, { where: eq(stations.key, ask.at) }) : null;
  if (ask.at && !station) return notFound(`station "${ask.at}"`);
  const lift = liftOf(row);
  const [listed, rules, today, meetings, used] = await Promise.all([
    everyBar(context),
    matchingRules(context),
    barsToday(context),
    lifter ? meetingRules(context) : [],
    lifter ? barUse(context) : new Map<string, never>(),
  ]);
  const byTag = new Map(listed.map((item) => [item.bar.tag, item]));
  const matches = matchBars(
    listed.map(({ bar }) => bar),
    lift,
    ask.loadKg,
    {
      lifter:
        lifter &&
        matchLifterOf(lifter, lift, { today: context.clock.today, rules: meetings, used: used.get(lifter.id) }),
      purpose: ask.purpose,
      rules,
      today: context.clock.today,
      barsToday: today,
      near: station?.nearPlace ?? null,
    },
  );
  const build = lifter && buildOf(lifter);
  const { firstHoleMm = null, holePitchMm = null, kind = null } = station ?? {};
  const settingOf = (bar: Bar) => {
    if (!build || kind !== "rack" || firstHoleMm === null || holePitchMm === null) return null;
    const found = rackSetting(build, bar, lift, { firstHoleMm, holePitchMm });
    return found && rackWords(found);
  };
  const items = matches.map((match) => {
    const { bar, place } = byTag.get(match.tag)!;
    return { ...match, bar, place, setting: match.verdict === "never" ? null : settingOf(bar) };
  });
  return { ok: true, matching: { lift, lifter, loadKg: ask.loadKg, items } };
}

async function everyBar(context: Context): Promise<ListedBar[]> {
  return (await listBars(context, { limit: 10_000 })).items;
}

export interface HallCoverage extends Coverage {
  bars: Bar[];
  lifts: Lift[];
  /** Who leans on which bar in the class that most people come to; null without one. */
  busy: { name: string; people: number; byBar: BarDemand[] } | null;
}

/** Lifts × bars in service, and who depends on which bar. Lifters count for coach and manager only, without a name. */
export async function hallCoverage(context: Context): Promise<HallCoverage> {
  const [wall, rows, rules, people, meetings, used] = await Promise.all([
    barsOnTheWall(context),
    allLifts(context),
    matchingRules(context),
    listLifters(context),
    meetingRules(context),
    barUse(context),
  ]);
  const usable = wall.map(({ bar }) => bar).filter(({ state }) => isUsable(state));
  const hallLifts = rows.map(liftOf);
  const wants = people.flatMap((row) =>
    hallLifts.flatMap((lift) => {
      const usual = row.usualLoads?.[lift.key] as TypedQuantity | undefined;
      if (!usual) return [];
      const lifter = matchLifterOf(row, lift, { today: context.clock.today, rules: meetings, used: used.get(row.id) });
      return [{ person: row.id, lift: lift.key, loadKg: convertTyped(usual), lifter }];
    }),
  );
  const question = { bars: usable, lifts: hallLifts, rules, today: context.clock.today };
  const busiest = await busiestClass(context);
  const busyWants = (busiest?.entries ?? []).flatMap(({ lifterId, liftKey, loadKg }) => {
    const row = people.find(({ id }) => id === lifterId);
    const lift = hallLifts.find(({ key }) => key === liftKey);
    if (!row || !lift) return [];
    const lifter = matchLifterOf(row, lift, { today: context.clock.today, rules: meetings, used: used.get(row.id) });
    return [{ person: row.id, lift: liftKey, loadKg, lifter }];
  });
  return {
    bars: usable,
    lifts: hallLifts,
    ...coverage({ ...question, wants }),
    busy: busiest && {
      name: busiest.name,
      people: new Set(busyWants.map(({ person }) => person)).size,
      byBar: barDemand({ ...question, wants: busyWants }),
    },
  };
}

/** How far back and ahead classes count for the busy hour. */
const BUSY_DAYS = 28;

/** The class of these weeks with most people: the busy hour. Nothing for whoever may not see classes. */
async function busiestClass(context: Context) {
  if (!may(context, "class.edit")) return null;
  const { hall } = context;
  const near = await hall.rows(classes, {
    where: between(classes.heldOn, addDays(context.clock.today, -BUSY_DAYS), addDays(context.clock.today, BUSY_DAYS)),
    orderBy: [desc(classes.heldOn)],
    limit: 100,
  });
  if (near.length === 0) return null;
  const ids = near.map(({ id }) => id);
  const byClass = groupBy(
    await hall.rows(classEntries, { where: inArray(classEntries.classId, ids) }),
    (entry) => entry.classId,
  );
  const heads = (id: string) => new Set((byClass.get(id) ?? []).map(({ lifterId }) => lifterId)).size;
  const row = near.reduce((most, one) => (heads(one.id) > heads(most.id) ? one : most));
  return heads(row.id) === 0 ? null : { name: row.name, entries: byClass.get(row.id)! };
}
