import "server-only";
import type { Bar } from "@/core/bars/bar";
import { asIfHere } from "@/core/buying/offerGain";
import type { Lift } from "@/core/matching/lifts";
import { gradeBar, matchBar, type MatchOptions } from "@/core/matching/match";
import { rankOf, type Verdict } from "@/core/matching/verdict";
import { type Context } from "@/server/access";
import { listOffers, OPEN_STATES } from "@/server/offers";
import { matchingRules } from "@/server/rules";

/** A bar that might be bought, as it would match. */
export interface OfferedMatch {
  id: string;
  code: string;
  name: string;
  bar: Bar;
  verdict: Verdict;
  because: string;
}

/** So many candidates stand beside what is owned. */
const MAX_SHOWN = 6;

/** Offers that would suit a lift, the best first; those that never would are left out. */
export async function offeredFor(
  context: Context,
  lift: Lift,
  loadKg: number,
  options: MatchOptions,
): Promise<OfferedMatch[]> {
  const items = await listOffers(context, OPEN_STATES);
  return items
    .map(({ row, code, offer, bar }): OfferedMatch => {
      const { verdict, reasons } = matchBar(asIfHere(bar), lift, loadKg, options);
      return { id: row.id, code, name: offer.name, bar, verdict, because: reasons[0]?.text ?? "" };
    })
    .filter(({ verdict }) => verdict !== "never")
    .sort((a, b) => rankOf(a.verdict) - rankOf(b.verdict))
    .slice(0, MAX_SHOWN);
}

/** An offer with its verdicts, and the lifts that are barely or not covered and would be by it. */
export interface OfferedCover {
  id: string;
  code: string;
  name: string;
  lifts: string[];
  /** Verdict for every lift, in their order. */
  verdicts: Verdict[];
}

/** What offers would cover of lifts that are barely or not covered. */
export async function offeredCover(
  context: Context,
  lifts: readonly { lift: Lift; isWell: boolean }[],
): Promise<OfferedCover[]> {
  const [items, rules] = [await listOffers(context, OPEN_STATES), await matchingRules(context)];
  const options = { rules, today: context.clock.today };
  return items.map(({ row, code, offer, bar }) => {
    const here = asIfHere(bar);
    const verdicts = lifts.map(({ lift }) => gradeBar(here, lift, lift.usualKg, options));
    const own = lifts.flatMap(({ lift, isWell }, i) =>
      !isWell && rankOf(verdicts[i]!) <= rankOf("good") ? [lift.name] : [],
    );
    return { id: row.id, code, name: offer.name, lifts: own, verdicts };
  });
}
