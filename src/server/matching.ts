import "server-only";
import { eq } from "drizzle-orm";
import { cache } from "react";
import { isUsable, type Bar } from "@/core/bars/bar";
import { coverage, type Coverage } from "@/core/matching/coverage";
import type { Purpose } from "@/core/matching/lifter";
import type { Lift } from "@/core/matching/lifts";
import { matchBars, type Match } from "@/core/matching/match";
import type { BarToday } from "@/core/matching/question";
import { convertTyped, type TypedQuantity } from "@/core/units/typedQuantity";
import { lifters, lifts } from "@/data/schema";
import { barsOnTheWall, listBars, type ListedBar } from "./bars";
import { careDueOn } from "./care";
import { matchingRules } from "./houseRules";
import { barUse, listLifters, matchLifterOf, type LifterRow } from "./lifters";
import { allLifts, liftOf } from "./lifts";
import { meetingRules } from "./meetings";
import { failed, forbidden, notFound, type Outcome } from "./outcome";
import { may } from "./permissions";
import { hallDb, type Who } from "./who";

export interface Matching {
  lift: Lift;
  lifter: LifterRow | null;
  loadKg: number;
  items: (Match & { bar: Bar; place: string | null })[];
}

export interface MatchAsk {
  lift: string;
  loadKg: number;
  /** Key of a lifter; null for anybody. */
  lifter: string | null;
  purpose?: Purpose;
}

/** Which bars suit a lift, a load and perhaps a lifter: best first, with reasons. */
export async function matchForLift(who: Who, ask: MatchAsk): Promise<Outcome<{ matching: Matching }>> {
  const hall = hallDb(who);
  if (ask.lifter !== null && !may(who, "lifter.read")) return forbidden("ask for a lifter");
  const row = await hall.first(lifts, { where: eq(lifts.key, ask.lift) });
  if (!row) return notFound(`lift "${ask.lift}"`);
  const lifter = ask.lifter === null ? null : await hall.first(lifters, { where: eq(lifters.key, ask.lifter) });
  if (ask.lifter !== null && (!lifter || lifter.retiredAt)) return notFound(`lifter "${ask.lifter}"`);
  if (!(ask.loadKg > 0))
    return failed("invalid", "The load must be more than 0 kg.", [{ path: "loadKg", message: "must be more than 0" }]);
  const lift = liftOf(row);
  const [listed, rules, barsToday, meetings, used] = await Promise.all([
    everyBar(who),
    matchingRules(who),
    carefulToday(who),
    lifter ? meetingRules(who) : [],
    lifter ? barUse(who) : new Map<string, never>(),
  ]);
  const byTag = new Map(listed.map((item) => [item.bar.tag, item]));
  const matches = matchBars(
    listed.map(({ bar }) => bar),
    lift,
    ask.loadKg,
    {
      lifter: lifter && matchLifterOf(lifter, lift, { today: who.today, rules: meetings, used: used.get(lifter.id) }),
      purpose: ask.purpose,
      rules,
      today: who.today,
      barsToday,
    },
  );
  const items = matches.map((match) => {
    const { bar, place } = byTag.get(match.tag)!;
    return { ...match, bar, place };
  });
  return { ok: true, matching: { lift, lifter, loadKg: ask.loadKg, items } };
}

async function everyBar(who: Who): Promise<ListedBar[]> {
  return (await listBars(who, { limit: 10_000 })).items;
}

/** What is going on with each bar: the care that is longest overdue. */
export const carefulToday = cache(async (who: Who): Promise<Map<string, BarToday>> => {
  const worst = new Map<string, BarToday>();
  for (const { tag, taskName, overdueDays: days } of await careDueOn(who, who.today))
    if (days > (worst.get(tag)?.overdue?.days ?? 0))
      worst.set(tag, { overdue: { task: taskName, days }, takenAt: null });
  return worst;
});

/** Lifts × bars in service, and who depends on which bar. Lifters count for coach and manager only, without a name. */
export async function hallCoverage(who: Who): Promise<Coverage & { bars: Bar[]; lifts: Lift[] }> {
  const [wall, rows, rules, people, meetings, used] = await Promise.all([
    barsOnTheWall(who),
    allLifts(who),
    matchingRules(who),
    listLifters(who),
    meetingRules(who),
    barUse(who),
  ]);
  const usable = wall.map(({ bar }) => bar).filter(({ state }) => isUsable(state));
  const hallLifts = rows.map(liftOf);
  const wants = people.flatMap((row) =>
    hallLifts.flatMap((lift) => {
      const usual = row.usualLoads?.[lift.key] as TypedQuantity | undefined;
      if (!usual) return [];
      const lifter = matchLifterOf(row, lift, { today: who.today, rules: meetings, used: used.get(row.id) });
      return [{ person: row.id, lift: lift.key, loadKg: convertTyped(usual), lifter }];
    }),
  );
  return {
    bars: usable,
    lifts: hallLifts,
    ...coverage({ bars: usable, lifts: hallLifts, wants, rules, today: who.today }),
  };
}
