import "server-only";
import { type Bar, isUsable, ratedTotalKg } from "@/core/bars/bar";
import type { Lift } from "@/core/matching/lifts";
import { type Match, matchBar, rankBars } from "@/core/matching/match";
import { rankOf } from "@/core/matching/verdict";
import type { Context } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { listStations } from "@/server/equipment";
import { allLifts, liftOf } from "@/server/lifts";
import { matchingRules } from "@/server/rules";
import { barsToday as barsNow } from "./barsToday";

export interface WallAnswer {
  lift: Lift;
  /** The bars to take, best first; a few. */
  take: { bar: Bar; place: string | null; ratedKg: number | null; because: string; warning: string | null }[];
  /** Bars that people might take by mistake, with what is wrong about each; a few. */
  leave: { tag: string; name: string; because: string }[];
}

const MAX_TAKE = 3;

const MAX_LEAVE = 4;

/**
 * What the wall screen says about a lift: for anybody, at the lift's usual load. Nothing about a person goes in, so
 * nothing about one can come out.
 */
export async function wallAnswer(context: Context, liftKey: string): Promise<WallAnswer | null> {
  const row = (await allLifts(context)).find(({ key }) => key === liftKey);
  if (!row) return null;
  const lift = liftOf(row);
  const [wall, rules, barsToday, { items: stations }] = await Promise.all([
    barsOnTheWall(context),
    matchingRules(context),
    barsNow(context),
    listStations(context),
  ]);
  const byTag = new Map(wall.map((item) => [item.bar.tag, item]));
  const options = { rules, today: context.clock.today, barsToday, stations };
  const ranked = rankBars(
    wall.map(({ bar }) => bar).filter(({ state }) => state !== "on-order"),
    lift,
    lift.usualKg,
    options,
  );
  const inWords = ({ bar }: { bar: Bar }) => matchBar(bar, lift, lift.usualKg, options);
  const fit = ranked.filter(({ verdict }) => rankOf(verdict) <= rankOf("usable"));
  // A mistake is easy where a bar looks like the right one: poor and never among the straight ones come first.
  const wrong = ranked.filter(({ verdict }) => rankOf(verdict) >= rankOf("poor"));
  return {
    lift,
    take: fit
      .slice(0, MAX_TAKE)
      .map(inWords)
      .map((match) => {
        const { bar, place } = byTag.get(match.tag)!;
        return { bar, place, ratedKg: ratedTotalKg(bar), because: praise(match), warning: warningOf(match) };
      }),
    leave: wrong
      .sort(
        (a, b) =>
          // What must not be lifted with comes first, whatever it looks like.
          Number(isUsable(a.bar.state)) - Number(isUsable(b.bar.state)) || rankOf(a.verdict) - rankOf(b.verdict),
      )
      .slice(0, MAX_LEAVE)
      .map(inWords)
      .map((match) => ({ tag: match.tag, name: byTag.get(match.tag)!.bar.name, because: because(match) })),
  };
}

/** What the bar is for; a reservation only where there is nothing better to say. */
function praise({ reasons, verdict }: Match): string {
  const family = reasons.find(({ factor }) => factor === "family");
  const held = reasons.find(({ atBest }) => atBest === verdict);
  const isHeldBack = held && held.factor !== "family" && rankOf(verdict) > rankOf("good");
  return [family?.text, isHeldBack ? held.text : ""].filter(Boolean).join(" ");
}

/** Under watch, or found wrong and not resolved: said beside a bar that may be taken all the same. */
const warningOf = ({ reasons }: Match): string | null =>
  reasons
    .filter(({ factor }) => factor === "state" || factor === "findings")
    .map(({ text }) => text)
    .join(" ") || null;

function because({ reasons }: Match): string {
  return reasons[0]?.text ?? "";
}
