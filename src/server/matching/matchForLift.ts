import "server-only";
import { eq } from "drizzle-orm";
import type { Bar } from "@/core/bars/bar";
import type { Purpose } from "@/core/matching/lifter";
import type { Lift } from "@/core/matching/lifts";
import { type Match, matchBars } from "@/core/matching/match";
import { rackSetting, rackWords } from "@/core/setups/rackHeight";
import { lifters, lifts, stations } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { type ListedBar, listBars } from "@/server/bars";
import { type Outcome, failed, forbidden, notFound } from "@/server/kit";
import { type LifterRow, barUse, buildOf, matchLifterOf } from "@/server/lifters";
import { liftOf, meetingRules } from "@/server/lifts";
import { matchingRules } from "@/server/rules";
import { barsToday } from "./barsToday";

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

/** More than any wall has. */
const MAX_BARS = 100_000;

async function everyBar(context: Context): Promise<ListedBar[]> {
  return (await listBars(context, { limit: MAX_BARS })).items;
}
