import highs from "highs";
import { describe, expect, it } from "vitest";
import { choosePurchase } from "./choosePurchase";
import { market } from "./market.fixture";
import { type Chosen, purchaseGain, type PurchaseQuestion } from "./purchaseQuestion";

const solver = await highs();

const costOf = ({ offers }: PurchaseQuestion, chosen: readonly Chosen[]) =>
  chosen.reduce((sum, { id, quantity }) => sum + quantity * offers.find((offer) => offer.id === id)!.costMinor, 0);

/** Every choice there is, within a budget or not. */
function* everyChoice(question: PurchaseQuestion, from = 0): Generator<Chosen[]> {
  const offer = question.offers[from];
  if (!offer) return yield [];
  for (const rest of everyChoice(question, from + 1))
    for (let quantity = 0; quantity <= offer.atMost; quantity += 1)
      yield quantity === 0 ? rest : [{ id: offer.id, quantity }, ...rest];
}

/** The slow obvious way: everything is tried. */
function bySearch(question: PurchaseQuestion) {
  const all = [...everyChoice(question)].map((chosen) => ({
    cost: costOf(question, chosen),
    gain: purchaseGain(question.needs, chosen),
  }));
  const within = all.filter(({ cost }) => cost <= question.budgetMinor);
  const gain = Math.max(...within.map((one) => one.gain));
  const isEqual = (a: number, b: number) => Math.abs(a - b) < 1e-7;
  const cost = Math.min(...within.filter((one) => isEqual(one.gain, gain)).map((one) => one.cost));
  const more = all.filter((one) => one.gain > gain + 1e-7);
  const budget = Math.min(...more.map((one) => one.cost));
  const nextGain = Math.max(...all.filter((one) => one.cost <= budget).map((one) => one.gain));
  return { gain, cost, next: more.length === 0 ? null : { extra: budget - question.budgetMinor, gain: nextGain } };
}

describe("the choice within a budget", () => {
  it.each([
    ["single bars", false, false],
    ["several of each", true, false],
    ["weights and points that are no round numbers", true, true],
  ])("is that of trying everything: %s", (_, isMany, isUneven) => {
    for (let seed = 1; seed <= 100; seed += 1) {
      const size = { offers: isMany ? 5 : 9, needs: 6 + (seed % 13), share: 0.1 + (seed % 7) / 10 };
      const question = market(seed, { ...size, isMany, isUneven });
      const plan = choosePurchase(question);
      const best = bySearch(question);
      const say = `seed ${seed}`;
      expect(plan.provenOptimal, say).toBe(true);
      expect(plan.gain, say).toBeCloseTo(best.gain, 6);
      expect(plan.bound, say).toBe(plan.gain);
      expect(plan.costMinor, say).toBe(best.cost);
      expect(costOf(question, plan.chosen), say).toBe(plan.costMinor);
      expect(purchaseGain(question.needs, plan.chosen), say).toBeCloseTo(plan.gain, 6);
      expect(plan.next?.extraMinor ?? null, say).toBe(best.next?.extra ?? null);
      if (plan.next) {
        expect(purchaseGain(question.needs, plan.next.chosen), say).toBeCloseTo(best.next!.gain, 6);
        expect(costOf(question, plan.next.chosen), say).toBeLessThanOrEqual(
          question.budgetMinor + plan.next.extraMinor,
        );
      }
    }
  });

  it("is that of the MIP solver package (HiGHS) where there is too much to try", () => {
    for (let seed = 1; seed <= 12; seed += 1) {
      const question = market(seed, { offers: 22, needs: 60, share: 0.3, isMany: seed % 2 === 0 });
      const plan = choosePurchase(question);
      expect([seed, plan.provenOptimal]).toEqual([seed, true]);
      expect([seed, plan.gain]).toEqual([seed, mipGain(question)]);
    }
  });

  it("bounds what is left when its time is over before it began", () => {
    const question = market(3, { offers: 30, needs: 300, share: 0.35 });
    const cut = choosePurchase(question, { spent: () => 1 });
    const whole = choosePurchase(question);
    expect(cut.provenOptimal).toBe(false);
    expect(cut.next).toBeNull();
    expect(cut.bound).toBeGreaterThanOrEqual(whole.gain);
    expect(cut.gain).toBeGreaterThan(0);
    expect(cut.costMinor).toBeLessThanOrEqual(question.budgetMinor);
  });
});

/** As a mixed integer program: copies bought one after another, each need served by one offer. */
function mipGain({ offers, needs, budgetMinor }: PurchaseQuestion): number {
  const lines: string[] = [];
  const [objective, budget, binaries]: string[][] = [[], [], []];
  offers.forEach(({ costMinor, atMost }, i) => {
    for (let copy = 1; copy <= atMost; copy += 1) {
      binaries!.push(`y${i}_${copy}`);
      budget!.push(`${costMinor} y${i}_${copy}`);
      if (copy > 1) lines.push(`y${i}_${copy} - y${i}_${copy - 1} <= 0`);
    }
  });
  needs.forEach(({ weight, owned, offers: own }, j) => {
    const served: string[] = [];
    own.forEach(({ id, points, copies }, k) => {
      const i = offers.findIndex((offer) => offer.id === id);
      if (points <= owned || copies > offers[i]!.atMost) return;
      served.push(`x${j}_${k}`);
      objective!.push(`${weight * (points - owned)} x${j}_${k}`);
      lines.push(`x${j}_${k} - y${i}_${copies} <= 0`);
    });
    if (served.length > 0) lines.push(`${served.join(" + ")} <= 1`);
  });
  const problem = [
    "Maximize",
    objective!.join(" + "),
    "Subject To",
    `${budget!.join(" + ")} <= ${budgetMinor}`,
    ...lines,
    "Binaries",
    binaries!.join(" "),
    "End",
  ].join("\n");
  const answer = solver.solve(problem, { mip_rel_gap: 0 });
  return Math.round(answer.ObjectiveValue * 1e6) / 1e6;
}

describe("a small market", () => {
  const bar = (id: string, costMinor: number, atMost = 1) => ({ id, costMinor, atMost });
  const need = (id: string, owned: number, offers: [string, number, number?][], weight = 1) => ({
    ...{ id, weight, owned },
    offers: offers.map(([offer, points, copies = 1]) => ({ id: offer, points, copies })),
  });
  it("takes the cheaper of equals, and says what more money would change", () => {
    const question = {
      budgetMinor: 500,
      offers: [bar("dear", 500), bar("cheap", 300), bar("both", 650)],
      needs: [
        need("a", 40, [
          ["dear", 80],
          ["cheap", 80],
          ["both", 80],
        ]),
        need("b", 40, [["both", 80]]),
      ],
    };
    expect(choosePurchase(question)).toEqual({
      ...{ chosen: [{ id: "cheap", quantity: 1 }], costMinor: 300, gain: 40, bound: 40, provenOptimal: true },
      onlyOne: "cheap",
      next: { extraMinor: 150, chosen: [{ id: "both", quantity: 1 }] },
    });
  });
  it("counts points only once that many copies are chosen", () => {
    const question = (budgetMinor: number) => ({
      budgetMinor,
      offers: [bar("pair", 200, 3), bar("other", 300)],
      needs: [
        need("a", 0, [
          ["pair", 100, 2],
          ["other", 60],
        ]),
      ],
    });
    expect(choosePurchase(question(300))).toMatchObject({ chosen: [{ id: "other", quantity: 1 }], gain: 60 });
    expect(choosePurchase(question(400))).toMatchObject({ chosen: [{ id: "pair", quantity: 2 }], gain: 100 });
    // Two would do, alone one is worth nothing.
    expect(choosePurchase(question(400)).onlyOne).toBe("other");
  });
  it("buys nothing where nothing gains, or nothing can be paid", () => {
    const none = { chosen: [], costMinor: 0, gain: 0, bound: 0, provenOptimal: true, onlyOne: null };
    expect(choosePurchase({ budgetMinor: 0, offers: [], needs: [] })).toEqual({ ...none, next: null });
    const owned = { offers: [bar("a", 100)], needs: [need("x", 100, [["a", 80]])] };
    expect(choosePurchase({ ...owned, budgetMinor: 1000 })).toEqual({ ...none, next: null });
    const dear = { offers: [bar("a", 100)], needs: [need("x", 40, [["a", 80]])] };
    expect(choosePurchase({ ...dear, budgetMinor: 99 })).toEqual({
      ...none,
      next: { extraMinor: 1, chosen: [{ id: "a", quantity: 1 }] },
    });
  });
  it("takes what costs nothing where it gains", () => {
    const gift = { budgetMinor: 0, offers: [bar("gift", 0)], needs: [need("x", 40, [["gift", 80]])] };
    expect(choosePurchase(gift)).toMatchObject({ chosen: [{ id: "gift", quantity: 1 }], gain: 40, next: null });
  });
});
