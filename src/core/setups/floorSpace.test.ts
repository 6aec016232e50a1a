import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cageUse, floorDistanceMm, peopleInRows } from "./floorSpace";

describe("people in rows", () => {
  it("fit more with short-sleeved bars: by hand, 9 m by 6 m", () => {
    // (9000 + 600) / (2200 + 600) = 3.4 and (9000 + 600) / (1800 + 600) = 4; 6000 / 2000 = 3 rows.
    expect(peopleInRows({ widthMm: 9000, depthMm: 6000 }, 2200)).toEqual({
      perRow: 3,
      rows: 3,
      people: 9,
      spareMm: 1200,
    });
    expect(peopleInRows({ widthMm: 9000, depthMm: 6000 }, 1800)).toEqual({
      perRow: 4,
      rows: 3,
      people: 12,
      spareMm: 0,
    });
    expect(peopleInRows({ widthMm: 2000, depthMm: 6000 }, 2200)).toMatchObject({ perRow: 0, people: 0 });
  });
  it("always lie on the floor, and one more never would", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1000, max: 40_000 }),
        fc.integer({ min: 1000, max: 40_000 }),
        fc.integer({ min: 1200, max: 2400 }),
        fc.integer({ min: 0, max: 1500 }),
        (widthMm, depthMm, bar, gap) => {
          const { perRow, rows, spareMm } = peopleInRows({ widthMm, depthMm }, bar, gap);
          expect(perRow * bar + Math.max(0, perRow - 1) * gap).toBeLessThanOrEqual(widthMm);
          expect((perRow + 1) * bar + perRow * gap).toBeGreaterThan(widthMm);
          expect(rows * 2000).toBeLessThanOrEqual(depthMm);
          expect(spareMm).toBeGreaterThanOrEqual(0);
        },
      ),
    ));
});

describe("a bar stored in spare J-cups", () => {
  const used = [
    { who: "Hale", hole: 23, heightMm: 1450 },
    { who: "Wren", hole: 15, heightMm: 1050 },
  ];
  it("leaves the cage usable where it is clear of every hole in use, and says for whom it does not", () => {
    const [high, near] = cageUse(
      [
        { tag: "K09", heightMm: 1900 },
        { tag: "K10", heightMm: 1300 },
      ],
      used,
    );
    expect(high).toMatchObject({ blocked: [], nearestMm: 450 });
    expect(high!.text).toContain("the cage stays usable");
    expect(near!.blocked.map(({ who }) => who)).toEqual(["Hale"]);
    expect(near!.text).toContain("Hale (hole 23) must hang it elsewhere first");
  });
  it("says nothing for certain where nobody's hole is known", () =>
    expect(cageUse([{ tag: "K09", heightMm: 1900 }], [])[0]).toMatchObject({ nearestMm: null, blocked: [] }));
});

it("distances on the sketch are those of the floor", () => {
  const floor = { widthMm: 12_000, depthMm: 8000 };
  expect(floorDistanceMm(floor, { x: 0, y: 0 }, { x: 250, y: 500 })).toBe(5000);
  expect(floorDistanceMm(floor, { x: 100, y: 100 }, { x: 100, y: 100 })).toBe(0);
});
