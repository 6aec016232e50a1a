import "server-only";
import type { Bar } from "@/core/bars/bar";
import { FAMILIES } from "@/core/bars/families";
import {
  duplicatesOf,
  improvementsOf,
  type Improvement,
  type Spare,
  sparesOf,
  VERDICT_POINTS,
} from "@/core/buying/offerGain";
import { nearestOwned, type OfferDifference, offerDifferences } from "@/core/buying/offerDifference";
import { suspiciousFigures } from "@/core/buying/suspicious";
import { rankOf } from "@/core/matching/verdict";
import { type Context, may } from "@/server/access";
import { type OfferItem, listOffers, offerById } from "@/server/offers";
import { measuringRules } from "@/server/rules";
import { type SellerRecord, sellerRecord } from "./batches";
import { bareMinutesOf, careMinutesOf } from "./careCost";
import { deliveriesOf, type DeliveryItem } from "./deliveries";
import { buyingWorld, verdictsOf } from "./world";

/** One bar of many settings against bars of one purpose each. */
export interface ManySettings {
  other: OfferItem;
  /** Lifts of people for which each of the two is at least good. */
  mine: number;
  theirs: number;
}

/** Everything that an offer's page says. */
export interface OfferPage {
  item: OfferItem;
  improvements: Improvement[];
  /** Bars for which it steps in when they are taken or out of service. */
  spares: Spare[];
  gain: number;
  /** Bars of the busiest hour that it relieves, with who waits there. */
  relief: { tag: string; name: string; people: string[] }[];
  duplicates: Bar[];
  /** Stated figures that cannot all be true. */
  suspicious: string[];
  nearest: Bar | null;
  differences: OfferDifference[];
  seller: SellerRecord[];
  careMinutes: number;
  many: ManySettings[];
  deliveries: DeliveryItem[];
}

/** An offer with what it would change; null where there is none, or not for whoever asks. */
export async function offerPage(context: Context, id: string): Promise<OfferPage | null> {
  const item = await offerById(context, id);
  if (!item || !may(context, "offer.edit")) return null;
  const [world, { noticeableMm }] = [await buyingWorld(context), await measuringRules(context)];
  const verdicts = verdictsOf(world, [item.bar]);
  const improvements = improvementsOf(world.owned, verdicts, [0]);
  const nearest = nearestOwned(
    item.bar,
    world.bars.filter(({ family }) => FAMILIES[family].form === FAMILIES[item.bar.family].form),
  );
  return {
    item,
    improvements,
    spares: sparesOf(world.owned, verdicts, [0]),
    gain: improvements.reduce((sum, { points }) => sum + points, 0),
    relief: world.crowded.flatMap(({ tag, name, people, wants }) => {
      const own = verdictsOf({ ...world, wants }, [item.bar]).flat();
      return own.some((verdict) => rankOf(verdict) <= rankOf("good")) ? [{ tag, name, people }] : [];
    }),
    suspicious: suspiciousFigures(item.bar, item.offer.record),
    duplicates: duplicatesOf(item.bar, world.bars),
    nearest,
    differences: nearest
      ? offerDifferences({
          ...{ offer: item.bar, owned: nearest, wants: world.wants },
          noticeableMm,
          bareMinutes: await bareMinutesOf(context, item.bar),
        })
      : [],
    seller: await sellerRecord(context, item.offer.seller, item.offer.batch),
    careMinutes: await careMinutesOf(context, item.bar),
    many: await manySettings(context, item),
    deliveries: await deliveriesOf(context, [item.row.id]),
  };
}

/** Bars that are set for one lift or another. */
const ADJUSTS: readonly string[] = ["adjustable-yoke"];
/** What each of its settings imitates, as bars of one purpose. */
const ONE_PURPOSE: readonly string[] = ["yoke", "low-yoke", "cambered-yoke"];

/** How an adjustable bar and bars of one purpose among the offers compare, by what this gym's people would really do. */
async function manySettings(context: Context, item: OfferItem): Promise<ManySettings[]> {
  const { family } = item.bar;
  const against = ADJUSTS.includes(family) ? ONE_PURPOSE : ONE_PURPOSE.includes(family) ? ADJUSTS : [];
  if (against.length === 0) return [];
  const [world, others] = [await buyingWorld(context), await listOffers(context, ["idea", "quoted"])];
  const rivals = others.filter(({ row, bar }) => row.id !== item.row.id && against.includes(bar.family));
  const verdicts = verdictsOf(
    world,
    [item, ...rivals].map(({ bar }) => bar),
  );
  const suits = (k: number) => verdicts.filter((own) => VERDICT_POINTS[own[k]!] >= VERDICT_POINTS.good).length;
  return rivals.map((other, i) => ({ other, mine: suits(0), theirs: suits(i + 1) }));
}
