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

/** An offer with the lifts that it would cover better than anything that is here does. */
export interface OfferedCover {
  id: string;
  code: string;
  name: string;
  lifts: string[];
}

/** What offers would cover of lifts that are barely or not covered. */
export async function offeredCover(
  context: Context,
  lifts: readonly { lift: Lift; isWell: boolean }[],
): Promise<OfferedCover[]> {
  const [items, rules] = [await listOffers(context, OPEN_STATES), await matchingRules(context)];
  const options = { rules, today: context.clock.today };
  return items.flatMap(({ row, code, offer, bar }) => {
    const own = lifts.flatMap(({ lift, isWell }) =>
      !isWell && rankOf(gradeBar(asIfHere(bar), lift, lift.usualKg, options)) <= rankOf("good") ? [lift.name] : [],
    );
    return own.length > 0 ? [{ id: row.id, code, name: offer.name, lifts: own }] : [];
  });
}
