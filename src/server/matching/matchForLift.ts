import "server-only";
import { eq } from "drizzle-orm";
import type { Bar } from "@/core/bars/bar";
import { lifterWith, type MatchLifter, type Purpose } from "@/core/matching/lifter";
import type { Lift } from "@/core/matching/lifts";
import { type Match, matchBar, type MatchOptions, rankBars } from "@/core/matching/match";
import { rackSetting, rackWords } from "@/core/setups/rackHeight";
import { lifters, lifts, stations } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { barsInState, barsOnTheWall, type ListedBar } from "@/server/bars";
import { listStations } from "@/server/equipment";
import { type Outcome, failed, forbidden, notFound } from "@/server/kit";
import { type LifterRow, barUse, buildOf, matchLifterOf } from "@/server/lifters";
import { liftOf, meetingRules } from "@/server/lifts";
import { matchingRules } from "@/server/rules";
import { barsToday } from "./barsToday";
import { type OfferedMatch, offeredFor } from "./offered";

export interface Matching {
  lift: Lift;
  lifter: LifterRow | null;
  loadKg: number;
  /** `setting` is where J-cups and safeties go for this lifter at the asked rack; null where that cannot be said. */
  items: (Match & { bar: Bar; place: string | null; setting: string | null })[];
  /** Bars that can be used and bars that never are, in all: of a long wall not every one is among the items. */
  counts: { fit: number; never: number };
  /** Bars that might be bought, as they would match; for whoever may see offers. */
  offered: OfferedMatch[];
}

export interface MatchAsk {
  lift: string;
  loadKg: number;
  /** Key of a lifter; null for anybody. */
  lifter: string | null;
  /** Somebody who is not on file, as they say it; nothing of it is kept. */
  guest?: Pick<MatchLifter, "build" | "experience" | "limits"> | null;
  purpose?: Purpose;
  /** Key of the station it is wanted at. */
  at?: string | null;
  /** So many of those that can be used, and so many that never are, come with their reasons; all when absent. */
  shown?: number;
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
  const [listed, rules, today, gym, meetings, used] = await Promise.all([
    everyBar(context),
    matchingRules(context),
    barsToday(context),
    listStations(context),
    lifter ? meetingRules(context) : [],
    lifter ? barUse(context) : new Map<string, never>(),
  ]);
  const byTag = new Map(listed.map((item) => [item.bar.tag, item]));
  const options: MatchOptions = {
    lifter: ask.guest
      ? lifterWith(ask.guest)
      : lifter &&
        matchLifterOf(lifter, lift, { today: context.clock.today, rules: meetings, used: used.get(lifter.id) }),
    purpose: ask.purpose,
    rules,
    today: context.clock.today,
    barsToday: today,
    near: station?.nearPlace ?? null,
    stations: gym.items,
    at: station,
  };
  const ranked = rankBars(
    listed.map(({ bar }) => bar),
    lift,
    ask.loadKg,
    options,
  );
  const { shown = Infinity } = ask;
  const isNever = ({ verdict }: { verdict: string }) => verdict === "never";
  const [fit, never] = [ranked.filter((one) => !isNever(one)), ranked.filter(isNever)];
  const worded = new Set([...fit.slice(0, shown), ...never.slice(0, shown)]);
  const matches = ranked.filter((one) => worded.has(one)).map(({ bar }) => matchBar(bar, lift, ask.loadKg, options));
  const build = ask.guest ? ask.guest.build : lifter && buildOf(lifter);
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
  const counts = { fit: fit.length, never: never.length };
  const offered = await offeredFor(context, lift, ask.loadKg, options);
  return { ok: true, matching: { lift, lifter, loadKg: ask.loadKg, items, counts, offered } };
}

/** Bars of the wall and, last, those that were retired. */
async function everyBar(context: Context): Promise<ListedBar[]> {
  const [wall, retired] = await Promise.all([barsOnTheWall(context), barsInState(context, ["retired"], MAX_RETIRED)]);
  return [...wall, ...retired];
}

const MAX_RETIRED = 1_000;
