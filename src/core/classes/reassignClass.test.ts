import { describe, expect, it } from "vitest";
import { MENS_BAR, stated, testBar } from "../bars/testBar.fixture";
import { MATCHING_RULES } from "../matching/houseRules";
import { LIFTS } from "../matching/lifts";
import { stream } from "./classWorld.fixture";
import { planClass, type ClassEntry, type ClassQuestion, type PlannedClass } from "./planClass";
import { reassignClass } from "./reassignClass";

const RATED = { rating: { kg: 500, basis: "total" as const }, sleeveRotation: "bushing" as const };
const bar = (tag: string, family: "power" | "squat" | "all-round", kg = 20) =>
  testBar({ ...MENS_BAR, mass: stated(kg) }, { ...RATED, tag, family });
const BARS = [bar("P", "power"), bar("S", "squat", 25), bar("A", "all-round"), bar("B", "all-round")];
const LIFTER = { limits: [], confirmed: [], used: new Map() };
const entry = (name: string, more: Partial<ClassEntry> = {}): ClassEntry => ({
  id: name,
  person: name,
  personName: name,
  lift: LIFTS["back-squat-high"],
  loadKg: 100,
  lifter: { ...LIFTER } as unknown as ClassEntry["lifter"],
  purpose: "general",
  block: null,
  station: null,
  tag: null,
  ...more,
});
const station = (n: number, capacity: number) => ({
  ...{ key: `r${n}`, name: `Rack ${n}`, kind: "rack" as const, supportSpacingMm: 1090, nearPlace: null },
  capacity,
});
const question = (entries: ClassEntry[], more: Partial<ClassQuestion> = {}): ClassQuestion => ({
  entries,
  stations: [station(1, 2), station(2, 2)],
  blocks: 2,
  bars: BARS,
  rules: MATCHING_RULES,
  today: "2026-03-20",
  ...more,
});

const placeOf = (plan: PlannedClass, id: string) => {
  const { block, station, tag } = plan.entries.find((one) => one.id === id)!;
  return [block, station, tag].join();
};

/** The slow obvious way: every set of people that may move, smallest first, by whole assignments. */
function fewestMoved(asked: ClassQuestion, before: PlannedClass, broken: ReadonlySet<string>): number {
  const others = asked.entries.filter(({ id }) => !broken.has(id));
  const target = planClass(asked).entries.filter(({ block }) => block !== null).length;
  let least = Infinity;
  for (let mask = 0; mask < 1 << others.length; mask += 1) {
    const free = new Set(others.filter((_, i) => mask & (1 << i)).map(({ id }) => id));
    if (free.size >= least) continue;
    const held = asked.entries.map((one) => {
      const was = before.entries.find(({ id }) => id === one.id)!;
      return broken.has(one.id) || free.has(one.id) || was.block === null
        ? one
        : { ...one, block: was.block, station: was.station, tag: was.tag };
    });
    const plan = planClass({ ...asked, entries: held });
    const isPlaced = (id: string) => plan.entries.find((one) => one.id === id)!.block !== null;
    const staysPut = held.every((one, i) => one === asked.entries[i] || isPlaced(one.id));
    if (staysPut && plan.entries.filter(({ block }) => block !== null).length === target) least = free.size;
  }
  return least;
}

describe("a class of which a bar broke", () => {
  it("keeps everybody else where they are, and those concerned at their station with another bar", () => {
    const entries = ["ann", "ben", "cy", "dee", "eve"].map((name) => entry(name));
    const before = planClass(question(entries));
    const out = before.entries[0]!.tag!;
    const broken = new Set(before.entries.filter(({ tag }) => tag === out).map(({ id }) => id));
    const asked = question(entries, { bars: BARS.filter(({ tag }) => tag !== out) });
    const after = reassignClass(asked, before, broken);
    expect(after.moved).toEqual([]);
    for (const { id, block, station } of before.entries) {
      const now = after.entries.find((one) => one.id === id)!;
      expect(now.tag).not.toBe(out);
      if (broken.has(id)) expect([now.block, now.station]).toEqual([block, station]);
      else expect(placeOf(after, id)).toBe(placeOf(before, id));
    }
  });

  it("moves as few as the slow obvious way, and places as many as a class from scratch", () => {
    const seed = 20261127;
    const random = stream(seed);
    for (let round = 0; round < 12; round += 1) {
      const lifts = [LIFTS["back-squat-high"], LIFTS["front-squat"], LIFTS["overhead-press"]];
      const entries = Array.from({ length: 5 }, (_, i) =>
        entry(`p${i}`, {
          lift: lifts[Math.floor(random() * 3)]!,
          loadKg: 40 + 10 * Math.floor(random() * 8),
          ...(random() < 0.3 ? { tag: ["P", "A"][Math.floor(random() * 2)]! } : {}),
        }),
      );
      const start = question(entries, { stations: [station(1, 1 + Math.floor(random() * 2)), station(2, 1)] });
      const before = planClass(start);
      const out = before.entries.find(({ tag }) => tag !== null)?.tag;
      if (!out) continue;
      const broken = new Set(before.entries.filter(({ tag }) => tag === out).map(({ id }) => id));
      const asked = {
        ...start,
        entries: entries.map((one) => (broken.has(one.id) || one.tag === out ? { ...one, tag: null } : one)),
        bars: BARS.filter(({ tag }) => tag !== out),
      };
      const after = reassignClass(asked, before, broken);
      const placed = (plan: PlannedClass) => plan.entries.filter(({ block }) => block !== null).length;
      expect(placed(after), `seed ${seed}, round ${round}`).toBe(placed(planClass(asked)));
      expect(after.moved.length, `seed ${seed}, round ${round}`).toBe(fewestMoved(asked, before, broken));
    }
  });

  it("ends in time with a whole assignment when it may not search on", () => {
    const entries = ["ann", "ben", "cy"].map((name) => entry(name));
    const before = planClass(question(entries, { stations: [station(1, 1)], blocks: 3 }));
    const after = reassignClass(
      question(entries, { stations: [station(2, 1)], blocks: 3 }),
      before,
      new Set(["ann"]),
      () => false,
    );
    expect(after.entries.every(({ block }) => block !== null)).toBe(true);
  });
});
