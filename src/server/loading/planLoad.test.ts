import type { BarState } from "@/core/bars/bar";
import { eq } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { barQuantities, bars, clamps, houseRules, plates } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { barsByTag } from "@/server/bars/bars";
import { listClamps, listPlates } from "@/server/equipment/equipment";
import { endThreads } from "@/server/computing";
import { ownStack } from "./ownStack";
import { type LoadWish, planLoad } from "./planLoad";

afterAll(endThreads);

async function loadedHall(more: { massKg?: number; state?: BarState } = {}) {
  const made = await makeContexts("loading");
  const { hall, bar, context } = made;
  if (more.massKg !== undefined)
    await hall.insert(barQuantities, {
      barId: bar.id,
      kind: "mass",
      effective: more.massKg,
      source: "measured",
      stated: 20,
    });
  if (more.state) await hall.update(bars, undefined, { state: more.state, stateReason: "bent" });
  const plate = (key: string, kg: number, unit: "kg" | "lb" = "kg", pairs = 1) => ({
    key,
    massValue: String(unit === "kg" ? kg : Math.round(kg / 0.45359237)),
    massUnit: unit,
    massUnits: massUnitsFromKg(kg),
    diameterMm: 450,
    thicknessMm: 40,
    pairs,
  });
  await hall.insert(plates, [plate("r25", 25), plate("r10", 10), plate("i45lb", 20.41165665, "lb"), plate("c2", 2)]);
  await hall.insert(clamps, {
    key: "spring",
    name: "spring clamps",
    pairMassValue: "0.5",
    pairMassUnit: "kg",
    pairMassUnits: massUnitsFromKg(0.5),
    widthMm: 30,
    pairs: 4,
  });
  const [item] = await barsByTag(context("coach"), ["T1"]);
  return { ...made, item: item! };
}

const wish = (more: Partial<LoadWish> = {}): LoadWish => ({
  targetKg: 90,
  clamps: null,
  ending: "racked",
  rounding: "at-or-below",
  toleranceKg: 0,
  only: null,
  onBar: [],
  ...more,
});

describe("loading a real bar with the plates of the hall", () => {
  it("counts whole kilograms where the house rounds, and says what that hides", async () => {
    const { context, item, hall } = await loadedHall({ massKg: 20.4 });
    await hall.insert(houseRules, { key: "matching", value: { schools: { mass: "rounded" } } });
    const result = await planLoad(context("coach"), item, wish());
    expect(result).toMatchObject({ ok: true, plan: { barKg: 20.4, countedKg: 20, answer: { errorUnits: 0 } } });
  });
  it("refuses iron over the share that the house allows when dropped", async () => {
    const { context, item, hall } = await loadedHall({ massKg: 20 });
    await hall.update(plates, eq(plates.key, "r25"), { material: "bumper", thicknessMm: 65 });
    await hall.update(plates, eq(plates.key, "r10"), {
      material: "iron",
      diameterMm: 228,
      massUnits: massUnitsFromKg(7),
    });
    // 7 kg of iron on 25 kg of rubber a side are 28 %.
    const dropped = () => planLoad({ ...context("coach") }, item, wish({ targetKg: 84, ending: "dropped" }));
    const before = await dropped();
    expect(before.ok && before.plan.answer.ok && before.plan.answer.perSide).toEqual(["r25", "r10"]);
    await hall.insert(houseRules, { key: "matching", value: { schools: { iron: "20" } } });
    const after = await dropped();
    expect(after.ok && after.plan.answer.ok && after.plan.answer.perSide).toEqual(["r25", "c2"]);
  });
  it("counts the measured mass of the bar, not the label", async () => {
    const { context, item } = await loadedHall({ massKg: 20.4 });
    const result = await planLoad(context("coach"), item, wish());
    expect(result).toMatchObject({ ok: true, plan: { barKg: 20.4 } });
    if (!result.ok || !result.plan.answer.ok) throw new Error("no answer");
    // 25 + 10 would weigh 90.4 kg, over the target: 20.41 (the 45 lb plate) and 10 and 2 stay under it.
    expect(result.plan.answer.perSide).toEqual(["i45lb", "r10", "c2"]);
  });
  it("keeps to plates marked in one unit when asked", async () => {
    const { context, item } = await loadedHall({ massKg: 20 });
    const result = await planLoad(context("coach"), item, wish({ only: "kg" }));
    if (!result.ok || !result.plan.answer.ok) throw new Error("no answer");
    expect(result.plan.answer.perSide).toEqual(["r25", "r10"]);
  });
  it("starts from the plates on the bar, up to the first the hall does not have", async () => {
    const { context, item } = await loadedHall({ massKg: 20 });
    const result = await planLoad(context("coach"), item, wish({ onBar: ["r10", "gone", "c2"] }));
    expect(result.ok && result.plan.onBar).toEqual(["r10"]);
    const twice = await planLoad(context("coach"), item, wish({ onBar: ["r10", "r10"] }));
    expect(twice.ok && twice.plan.onBar).toEqual(["r10"]);
  });
  it("refuses a quarantined bar and one that was never weighed, and says what to do", async () => {
    const bent = await loadedHall({ massKg: 20, state: "quarantined" });
    expect(await planLoad(bent.context("coach"), bent.item, wish())).toMatchObject({
      ok: false,
      message: "T1 is quarantined: bent. Take another bar.",
    });
    const unknown = await loadedHall();
    expect(await planLoad(unknown.context("coach"), unknown.item, wish())).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Weigh it first/),
    });
  });
});

describe("lists of equipment", () => {
  it("come in order and a page at a time, without a gap or a double", async () => {
    const { context } = await loadedHall();
    const first = await listPlates(context("coach"), { limit: 2 });
    expect(first.items.map(({ key }) => key)).toEqual(["r25", "i45lb"]);
    const after = JSON.parse(first.nextCursor!) as [number, string];
    const second = await listPlates(context("coach"), { limit: 2, after });
    expect(second.items.map(({ key }) => key)).toEqual(["r10", "c2"]);
    expect(second.nextCursor).toBeNull();
    expect((await listClamps(context("coach"))).map(({ key }) => key)).toEqual(["spring"]);
  });
});

describe("a bar as it stands", () => {
  it("is judged side by side, and comes to the target by the fewest plates", async () => {
    const { context, item } = await loadedHall({ massKg: 20 });
    const coach = context("coach");
    const planned = await planLoad(coach, item, wish());
    if (!planned.ok) throw new Error(planned.message);
    const standing = await ownStack(coach, { text: "25, 10, 2", other: "25, 10" }, planned.plan);
    expect(standing).toMatchObject({
      perSide: ["r25", "r10", "c2"],
      otherSide: ["r25", "r10"],
      uneven: { byKg: 2, heavier: "left", totalKg: 92 },
      change: { perSide: ["r25", "r10"], left: { off: ["c2"], on: [] }, right: { off: [], on: [] }, handled: 1 },
    });
    // As it should be, nothing is to change; and a side that cannot be read says which.
    expect(await ownStack(coach, { text: "25, 10", other: "" }, planned.plan)).toMatchObject({
      uneven: null,
      change: null,
    });
    expect((await ownStack(coach, { text: "25, 10", other: "7 kg" }, planned.plan)).problems[0]).toMatch(
      /^The other side: /,
    );
  });
});
