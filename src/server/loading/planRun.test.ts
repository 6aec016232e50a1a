import { eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { bars } from "@/data/schema";
import { planLoad } from "./planLoad";
import { withPlates } from "./session.fixture";
import { planRun, tippingAt } from "./planRun";

describe("a session on one bar", () => {
  it("loads every set of three lifters, never a plate too many, and handles fewer than the usual way", async () => {
    const { manager, item, wish } = await withPlates("run");
    const result = await planRun(manager, item, wish);
    if (!result.ok) throw new Error(result.message);
    const { sets, plan, scratch, order } = result.run;
    expect(sets).toHaveLength(15);
    expect(order).toEqual(["Ann", "Bo", "Cy"]);
    expect(plan.isProven).toBe(true);
    expect(plan.handled).toBeLessThan(scratch.plates);
    // What comes off and goes on, replayed, is what stands there.
    const sleeve: string[] = [];
    let handled = 0;
    for (const { off, on, perSide, achievedKg, targetKg, errorKg } of sets) {
      for (const key of off) expect(sleeve.pop()).toBe(key);
      sleeve.push(...on);
      handled += off.length + on.length;
      expect(sleeve).toEqual(perSide);
      expect(achievedKg - targetKg).toBeCloseTo(errorKg, 9);
      expect(errorKg).toBeLessThanOrEqual(1e-9);
    }
    expect(handled + sleeve.length).toBe(plan.handled);
    expect(sets.filter(({ isWork }) => isWork)).toHaveLength(6);
  });
  it("finds an order of lifters that handles no more than the one named", async () => {
    const { manager, item, wish } = await withPlates("order");
    const [named, fewest, lightest] = await Promise.all(
      (["named", "fewest", "lightest"] as const).map((order) => planRun(manager, item, { ...wish, order })),
    );
    if (!named!.ok || !fewest!.ok || !lightest!.ok) throw new Error("no plan");
    expect(fewest!.run.plan.handled).toBeLessThanOrEqual(named!.run.plan.handled);
    expect(fewest!.run.plan.handled).toBeLessThanOrEqual(lightest!.run.plan.handled);
    expect(lightest!.run.order).toEqual(["Bo", "Ann", "Cy"]);
    expect(fewest!.run.orderBound).toBeLessThanOrEqual(fewest!.run.plan.handled);
  });
  it("is refused for a quarantined bar and for a bar that nobody weighed, with the reason", async () => {
    const { manager, item, wish, hall, bar } = await withPlates("refused");
    const bent = { ...item, bar: { ...item.bar, state: "quarantined" as const, stateReason: "bent" } };
    expect(await planRun(manager, bent, wish)).toMatchObject({
      ok: false,
      message: "T1 is quarantined: bent. Take another bar.",
    });
    const light = { ...item, bar: { ...item.bar, quantities: {} } };
    expect(await planRun(manager, light, wish)).toMatchObject({
      message: "The mass of T1 is unknown. Weigh it first.",
    });
    expect(await planRun(manager, item, { ...wish, way: "jumps", jumpKg: 1 })).toMatchObject({ code: "invalid" });
    await hall.update(bars, eq(bars.id, bar.id), { state: "in-service" });
  });
  it("loads 143 kg on a 29.4 kg bar from mixed kg and lb plates as well as can be", async () => {
    const { manager, item } = await withPlates("mixed");
    const answer = await planLoad(manager, item, {
      targetKg: 143,
      clamps: null,
      ending: "racked",
      rounding: "at-or-below",
      toleranceKg: 0,
      only: null,
      onBar: [],
    });
    if (!answer.ok || !answer.plan.answer.ok) throw new Error("no load");
    // Slow and obvious: every choice of so many pairs of each.
    const rows = [...answer.plan.plates.values()];
    let best = 0;
    const limit = massUnitsFromKg(143) - massUnitsFromKg(29.4);
    const grow = (k: number, mass: number) => {
      if (2 * mass > limit) return;
      best = Math.max(best, mass);
      for (let i = k; i < rows.length; i += 1) {
        let sum = mass;
        for (let n = 1; n <= rows[i]!.pairs; n += 1) grow(i + 1, (sum += rows[i]!.massUnits));
      }
    };
    grow(0, 0);
    expect(answer.plan.answer.achievedUnits).toBe(massUnitsFromKg(29.4) + 2 * best);
  });
  it("warns before a bar tips at its rack, with a fifth in reserve", async () => {
    const { item, rack, manager, wish } = await withPlates("tipping");
    const result = await planRun(manager, item, wish);
    if (!result.ok) throw new Error(result.message);
    const heavy = tippingAt(item.bar, rack, result.run.plates, ["r25", "r25", "r20", "r20"], null)!;
    expect(heavy.maxOneSidedRemoval.left).toBeLessThan(4);
    expect(heavy.safeUnloadOrder).toHaveLength(8);
    expect(tippingAt(item.bar, null, result.run.plates, ["r25"], null)).toBeNull();
    expect(result.run.sets.every(({ tipping }) => tipping !== null)).toBe(true);
  });
});
