import { eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { barQuantities, bars, plates, stations } from "@/data/schema";
import { makeHall } from "@/data/testHall.fixture";
import { barsOnTheWall } from "./bars";
import { listStations } from "./equipment";
import { planLoad } from "./loading";
import { planRun, tippingAt, type SessionWish } from "./sessionPlanning";

const LB = 0.45359237;

/** A hall with a 29.4 kg bar, kg and lb plates mixed, and a rack. */
async function withPlates(name: string) {
  const made = await makeHall(name);
  const { hall, bar } = made;
  const quantity = (kind: string, value: number) => ({
    barId: bar.id,
    kind,
    statedValue: String(value),
    statedUnit: kind === "mass" ? "kg" : "mm",
    stated: value,
    effective: value,
    source: "stated",
  });
  await hall.insert(barQuantities, [
    quantity("mass", 29.4),
    quantity("shaftLength", 1310),
    quantity("collarThickness", 30),
    quantity("sleeveLength", 415),
  ]);
  await hall.insert(
    plates,
    (
      [
        ["r25", 25, "kg", 2, 62],
        ["r20", 20, "kg", 2, 54],
        ["r10", 10, "kg", 2, 38],
        ["s5", 5, "kg", 2, 22],
        ["s2.5", 2.5, "kg", 2, 18],
        ["s1.25", 1.25, "kg", 1, 14],
        ["i45lb", 45, "lb", 2, 38],
        ["i10lb", 10, "lb", 2, 25],
        ["i5lb", 5, "lb", 1, 20],
        ["i2.5lb", 2.5, "lb", 1, 15],
      ] as const
    ).map(([key, mass, unit, pairs, thicknessMm]) => ({
      key,
      massValue: String(mass),
      massUnit: unit,
      massUnits: massUnitsFromKg(unit === "kg" ? mass : mass * LB),
      material: "iron",
      diameterMm: 450,
      thicknessMm,
      pairs,
      isDropRated: false,
    })),
  );
  await hall.insert(stations, { key: "r1", name: "Rack 1", kind: "rack", supportSpacingMm: 1090, jCupPairs: 1 });
  const manager = made.who("manager");
  const [item] = await barsOnTheWall(manager);
  const [rack] = (await listStations(manager)).items;
  const wish: SessionWish = {
    lifters: [
      { name: "Ann", workKg: 100 },
      { name: "Bo", workKg: 80 },
      { name: "Cy", workKg: 120 },
    ],
    way: "count",
    jumpKg: 20,
    count: 3,
    workSets: 2,
    order: "named",
    clamps: null,
    only: "kg",
    station: rack!,
  };
  return { ...made, manager, item: item!, rack: rack!, wish };
}

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
  it("keeps what is done when a load changes half-way or a set is left out, and plans the rest from there", async () => {
    const { manager, item, wish } = await withPlates("changes");
    const first = await planRun(manager, item, wish);
    if (!first.ok) throw new Error(first.message);
    const [changed, skipped] = [first.run.sets[7]!, first.run.sets[9]!];
    const changes = [
      { done: 6, id: changed.id, kg: 90 },
      { done: 8, id: skipped.id, kg: null },
      { done: 9, id: "99.1", kg: 50 },
    ];
    const later = await planRun(manager, item, { ...wish, changes });
    if (!later.ok) throw new Error(later.message);
    const { sets, plan } = later.run;
    expect(sets.slice(0, 6)).toEqual(first.run.sets.slice(0, 6));
    expect(sets.find(({ id }) => id === changed.id)).toMatchObject({ targetKg: 90, lifter: changed.lifter });
    expect(sets.some(({ id }) => id === skipped.id)).toBe(false);
    expect(sets).toHaveLength(first.run.sets.length - 1);
    const sleeve: string[] = [];
    let handled = 0;
    for (const { off, on, perSide } of sets) {
      for (const key of off) expect(sleeve.pop()).toBe(key);
      sleeve.push(...on);
      handled += off.length + on.length;
      expect(sleeve).toEqual(perSide);
    }
    expect(handled + sleeve.length).toBe(plan.handled);
  });
  it("is refused for a quarantined bar and for a bar that nobody weighed, with the reason", async () => {
    const { manager, item, wish, hall, bar } = await withPlates("refused");
    const bent = { ...item, bar: { ...item.bar, state: "quarantined" as const, stateReason: "bent" } };
    expect(await planRun(manager, bent, wish)).toMatchObject({
      ok: false,
      message: "T1 is quarantined, bent. Take another bar.",
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
