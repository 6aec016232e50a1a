import { seeded } from "../loading/plan/instances.fixture";
import type { PurchaseNeed, PurchaseQuestion } from "./purchaseQuestion";

/** Points of the five verdicts, from made for to never. */
const POINTS = [100, 80, 40, 10, 0];

export interface MarketSize {
  offers: number;
  needs: number;
  /** What is there to spend, as a share of everything that is offered. */
  share: number;
  /** Offers come more than once. */
  isMany?: boolean;
  /** Weights and points that are no round numbers. */
  isUneven?: boolean;
}

/** A made-up market: bars of a few kinds that suit lifts alike, people with weights, and a budget. */
export function market(seed: number, { offers, needs, share, isMany, isUneven }: MarketSize): PurchaseQuestion {
  const next = seeded(seed);
  const pick = (count: number) => Math.floor(next() * count);
  const uneven = () => (isUneven ? next() * 0.7 + 0.3 : 1);
  const list = Array.from({ length: offers }, (_, i) => ({
    id: `o${i}`,
    costMinor: 100 * (50 + pick(550)),
    atMost: isMany ? 1 + pick(3) : 1,
    kind: pick(Math.max(2, Math.ceil(offers / 3))),
  }));
  const people = Array.from({ length: needs }, (_, i): PurchaseNeed => {
    const owned = POINTS[1 + pick(4)]! * uneven();
    const liking = pick(1000);
    return {
      id: `n${i}`,
      weight: (1 + pick(3)) * uneven(),
      owned,
      offers: list.flatMap(({ id, kind, atMost }) => {
        const rank = (liking * 31 + kind * 17 + ((liking * (kind + 1)) % 13)) % 8;
        if (rank > 3) return [];
        const points = POINTS[Math.max(0, Math.min(4, rank - (pick(4) === 0 ? 1 : 0)))]! * uneven();
        const copies = 1 + pick(Math.min(2, atMost));
        const one = { id, points: copies === 1 ? points : points / 2, copies: 1 };
        return copies === 1 ? [one] : [one, { id, points, copies }];
      }),
    };
  });
  const all = list.reduce((sum, { costMinor, atMost }) => sum + costMinor * atMost, 0);
  return {
    budgetMinor: Math.round(share * all),
    offers: list.map(({ id, costMinor, atMost }) => ({ id, costMinor, atMost })),
    needs: people,
  };
}
