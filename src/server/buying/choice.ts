import "server-only";
import { isUsable } from "@/core/bars/bar";
import { resaleMinor } from "@/core/buying/barCost";
import { isValidOn } from "@/core/buying/offer";
import {
  improvementsOf,
  type Improvement,
  needsOf,
  ownedVerdicts,
  type Spare,
  spareNeeds,
  sparesOf,
} from "@/core/buying/offerGain";
import type { Chosen, PurchasePlan, PurchaseQuestion } from "@/core/buying/purchaseQuestion";
import { daysBetween } from "@/core/units/hallDay";
import { bars } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { compute } from "@/server/computing";
import { type Outcome, forbidden } from "@/server/kit";
import { listOffers, OPEN_STATES, type OfferItem } from "@/server/offers";
import { careMinutesOf } from "./careCost";
import { buyingWorld, reliefNeeds, verdictsOf, type BuyingWorld } from "./world";

/** Time for the main choice, and for each of the questions beside it. */
const CHOICE_MS = 3_000;
const BESIDE_MS = 800;
/** So many budgets at which the choice changes are shown. */
const MAX_STEPS = 8;
const YEAR_DAYS = 365.25;

/** A choice as it is shown. */
export interface ShownChoice {
  chosen: { item: OfferItem; quantity: number }[];
  costMinor: number;
  gain: number;
  improvements: Improvement[];
  /** Bars for which something steps in when they are taken or out of service. */
  spares: Spare[];
  /** People who no longer wait at the busiest hour. */
  relieved: string[];
  /** What care of the bars takes a year, in minutes, and what they would bring after five years. */
  careMinutes: number;
  resaleMinor: number;
}

/** Why one offer is in the choice. */
export interface WhyChosen {
  item: OfferItem;
  /** What would be gained without it, and with what instead. */
  withoutGain: number;
  instead: { item: OfferItem; quantity: number }[];
}

export interface BuyingChoice {
  budgetMinor: number;
  /** Bars that are sold for it, with what they bring. */
  sold: { tag: string; minor: number }[];
  best: ShownChoice & { bound: number; provenOptimal: boolean };
  onlyOne: OfferItem | null;
  /** What a little more money would change; null where nothing. */
  next: { extraMinor: number; chosen: ShownChoice["chosen"] } | null;
  /** Offers that could not be weighed, with why. */
  left: { item: OfferItem; why: string }[];
  /** Works out what stands beside the answer, which takes as long again: screens show the answer meanwhile. */
  beside: () => Promise<BesideChoice>;
}

/** What a choice is set against. */
export interface BesideChoice {
  why: WhyChosen[];
  /** The best choice that is another one; null where there is none. */
  nextBest: ShownChoice | null;
  /** From which budget on which choice is best, the smallest first. */
  steps: (ShownChoice & { fromMinor: number })[];
}

interface Market {
  world: BuyingWorld;
  items: OfferItem[];
  question: Omit<PurchaseQuestion, "budgetMinor">;
  verdicts: ReturnType<typeof verdictsOf>;
}

/**
 * What to buy within a budget; beside it why, and what other budgets would change.
 *
 * @throws what the signal says, when whoever asked has gone: the search then ends too.
 */
export async function buyingChoice(
  context: Context,
  { budgetMinor, sell = [] }: { budgetMinor: number; sell?: readonly string[] },
): Promise<Outcome<{ choice: BuyingChoice }>> {
  if (!may(context, "offer.edit")) return forbidden("decide what to buy");
  const { today } = context.clock;
  const sold = await soldBars(context, sell);
  const money = budgetMinor + sold.reduce((sum, { minor }) => sum + minor, 0);
  const world = await worldWithout(
    context,
    sold.map(({ tag }) => tag),
  );
  const all = await listOffers(context, OPEN_STATES);
  const left = all.flatMap((item) =>
    item.deliveredMinor === null
      ? [{ item, why: "no price yet" }]
      : isValidOn(item.row, today)
        ? []
        : [{ item, why: `was valid until ${item.row.validUntil}` }],
  );
  const items = all.filter((item) => !left.some((one) => one.item === item)).slice(0, 60);
  const verdicts = verdictsOf(
    world,
    items.map(({ bar }) => bar),
  );
  const ids = items.map(({ row }) => row.id);
  const market: Market = {
    ...{ world, items, verdicts },
    question: {
      offers: items.map(({ row, deliveredMinor, offer }) => ({
        id: row.id,
        costMinor: deliveredMinor!,
        atMost: offer.quantity,
      })),
      needs: [
        ...needsOf(world.owned, ids, verdicts),
        ...spareNeeds(world.owned, ids, verdicts),
        ...reliefNeeds(
          world,
          items.map(({ row, bar, offer }) => ({ id: row.id, bar, quantity: offer.quantity })),
        ),
      ],
    },
  };
  const solve = (question: PurchaseQuestion, ms: number) => compute(context, "purchase", question, { ms });
  const plan = await solve({ ...market.question, budgetMinor: money }, CHOICE_MS);
  const shown = (chosen: readonly Chosen[]) => shownChoice(context, market, chosen);
  const best = await shown(plan.chosen);
  return {
    ok: true,
    choice: {
      ...{ budgetMinor, sold, left },
      best: { ...best, gain: plan.gain, bound: plan.bound, provenOptimal: plan.provenOptimal },
      onlyOne: items.find(({ row }) => row.id === plan.onlyOne) ?? null,
      next: plan.next && { extraMinor: plan.next.extraMinor, chosen: inItems(market, plan.next.chosen) },
      beside: () => besideChoice(market, plan, money, solve, shown),
    },
  };
}

type Solve = (question: PurchaseQuestion, ms: number) => Promise<PurchasePlan>;
type Show = (chosen: readonly Chosen[]) => Promise<ShownChoice>;

async function besideChoice(
  market: Market,
  plan: PurchasePlan,
  money: number,
  solve: Solve,
  shown: Show,
): Promise<BesideChoice> {
  const { items } = market;
  const why: WhyChosen[] = [];
  let second: { chosen: Chosen[]; gain: number } | null = null;
  for (const { id, quantity } of plan.chosen) {
    const offers = market.question.offers.flatMap((offer) =>
      offer.id !== id ? [offer] : quantity > 1 ? [{ ...offer, atMost: quantity - 1 }] : [],
    );
    const known = new Set(offers.map((offer) => offer.id));
    const needs = market.question.needs.map((need) => ({
      ...need,
      offers: need.offers.filter((offer) => known.has(offer.id)),
    }));
    const other = await solve({ offers, needs, budgetMinor: money }, BESIDE_MS);
    const item = items.find(({ row }) => row.id === id)!;
    const instead = other.chosen.filter((one) => !plan.chosen.some((mine) => mine.id === one.id));
    why.push({ item, withoutGain: other.gain, instead: inItems(market, instead) });
    if (!second || other.gain > second.gain) second = { chosen: other.chosen, gain: other.gain };
  }
  return {
    why,
    nextBest: second && second.chosen.length > 0 ? { ...(await shown(second.chosen)), gain: second.gain } : null,
    steps: await budgetSteps(market, solve, shown),
  };
}

/** Where the choice flips: from nothing on, always the least money that gains more. */
async function budgetSteps({ question }: Market, solve: Solve, shown: Show): Promise<BesideChoice["steps"]> {
  const steps: BesideChoice["steps"] = [];
  let budgetMinor = 0;
  while (steps.length < MAX_STEPS) {
    const { next } = await solve({ ...question, budgetMinor }, BESIDE_MS);
    if (!next) break;
    budgetMinor += next.extraMinor;
    steps.push({ ...(await shown(next.chosen)), fromMinor: budgetMinor });
  }
  return steps;
}

const inItems = ({ items }: Market, chosen: readonly Chosen[]) =>
  chosen.map(({ id, quantity }) => ({ item: items.find(({ row }) => row.id === id)!, quantity }));

async function shownChoice(context: Context, market: Market, chosen: readonly Chosen[]): Promise<ShownChoice> {
  const { items, world, verdicts, question } = market;
  const own = inItems(market, chosen);
  const places = own.map(({ item }) => items.indexOf(item));
  const quantities = new Map(chosen.map(({ id, quantity }) => [id, quantity]));
  const serves = (need: (typeof question.needs)[number]) =>
    need.offers.some(({ id, copies }) => (quantities.get(id) ?? 0) >= copies);
  const waiting = question.needs.filter((need) => need.id.startsWith("waiting ") && serves(need));
  const minutes = await Promise.all(own.map(({ item }) => careMinutesOf(context, item.bar)));
  const gained = question.needs.reduce((sum, { weight, owned, offers }) => {
    const best = offers.reduce(
      (most, { id, points, copies }) => ((quantities.get(id) ?? 0) >= copies ? Math.max(most, points) : most),
      owned,
    );
    return sum + weight * (best - owned);
  }, 0);
  return {
    chosen: own,
    costMinor: own.reduce((sum, { item, quantity }) => sum + quantity * item.deliveredMinor!, 0),
    gain: gained,
    improvements: improvementsOf(world.owned, verdicts, places),
    spares: sparesOf(world.owned, verdicts, places),
    relieved: world.crowded
      .filter(({ tag }) => waiting.some(({ id }) => id.startsWith(`waiting ${tag} `)))
      .map(({ tag, name }) => `${tag} ${name}`),
    careMinutes: own.reduce((sum, { quantity }, i) => sum + quantity * minutes[i]!, 0),
    resaleMinor: own.reduce(
      (sum, { item, quantity }) => sum + quantity * resaleMinor(item.deliveredMinor!, item.offer.stock, 5),
      0,
    ),
  };
}

/** What bars would bring that are sold for it. One that is out of service is not passed on to the next gym. */
async function soldBars({ hall, clock }: Context, sell: readonly string[]) {
  if (sell.length === 0) return [];
  const rows = await hall.rows(bars);
  return rows.flatMap(({ tag, state, priceMinor, stock, boughtOn }) =>
    sell.includes(tag) && isUsable(state) && priceMinor !== null
      ? [{ tag, minor: resaleMinor(priceMinor, stock, boughtOn ? daysBetween(boughtOn, clock.today) / YEAR_DAYS : 0) }]
      : [],
  );
}

/** The world without bars that are sold. */
async function worldWithout(context: Context, tags: readonly string[]): Promise<BuyingWorld> {
  const world = await buyingWorld(context);
  if (tags.length === 0) return world;
  const left = world.bars.filter(({ tag }) => !tags.includes(tag));
  const { wants, rules, today } = world;
  return { ...world, bars: left, owned: ownedVerdicts({ wants, bars: left, rules, today }) };
}
