import { eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { barQuantities, bars, lifterSettings, lifters, places, stations } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { floorRules, saveFloor } from "@/server/rules";
import { spaceOf } from ".";

describe("the room of a gym", () => {
  it("knows for whom a bar in spare J-cups is in the way, with names for coaches only", async () => {
    const { context, hall, bar, actor } = await makeContexts("space cages");
    await hall.insert(stations, {
      ...{ key: "r1", name: "Rack 1", kind: "rack", supportSpacingMm: 1090, jCupPairs: 2, jCupHoles: [20, 26] },
      ...{ holePitchMm: 50, firstHoleMm: 300 },
    });
    const [place] = await hall.insert(places, { name: "Rack 1 spare", roundOrder: 1, kind: "rack", stationKey: "r1" });
    await hall.update(bars, eq(bars.id, bar.id), { placeId: place!.id, placeSlot: 1 });
    await hall.insert(barQuantities, {
      ...{ barId: bar.id, kind: "overallLength", effective: 2200, source: "measured" },
    } as never);
    const [ada] = await hall.insert(lifters, { key: "ada", name: "Ada" });
    await hall.insert(lifterSettings, {
      ...{ lifterId: ada!.id, barId: bar.id, liftKey: "back-squat-high", setting: {}, chartVersion: 1 },
      ...{ stationKey: "r1", jCupHole: 23, personId: actor("coach").personId },
    });
    // Hole 26 lies 25 × 50 mm above the first, 150 mm over hole 23.
    const space = await spaceOf(context("coach"));
    expect(space.cages).toMatchObject([
      { rack: "Rack 1", uses: [{ tag: "T1", nearestMm: 150, blocked: [{ who: "Ada", hole: 23, heightMm: 1400 }] }] },
    ]);
    expect((await spaceOf(context("care"))).cages[0]!.uses[0]!.blocked[0]!.who).toBe("someone");
    await hall.update(places, eq(places.id, place!.id), { heightMm: 1900 });
    expect((await spaceOf(context("coach"))).cages[0]!.uses[0]).toMatchObject({ blocked: [], nearestMm: 500 });
  });

  it("keeps the size of its floor, within reason, and under a version", async () => {
    const { context } = await makeContexts("space floor");
    expect(await floorRules(context("coach"))).toEqual({ floor: null, version: 0 });
    const bad = await saveFloor(context("coach"), { widthMm: "12 mm", depthMm: "wide" }, 0);
    expect(bad.ok ? [] : bad.problems.map(({ path }) => path)).toEqual(["widthMm", "depthMm"]);
    const [typed, floor] = [
      { widthMm: "12", depthMm: "800 cm" },
      { widthMm: 12_000, depthMm: 8000 },
    ];
    expect(await saveFloor(context("coach"), typed, 0)).toEqual({ ok: true });
    expect(await saveFloor(context("coach"), typed, 0)).toMatchObject({ code: "stale", version: 1 });
    expect(await floorRules(context("coach"))).toEqual({ floor, version: 1 });
    expect(await saveFloor(context("care"), typed, 1)).toMatchObject({ code: "forbidden" });
  });
});
