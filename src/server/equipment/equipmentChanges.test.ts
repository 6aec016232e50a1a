import { asc } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { changes, clamps, plates, stations } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { equipmentTexts, saveEquipment } from "./equipmentChanges";
import { platePairings, weighPlate } from "./weighing";

const PLATE = { key: "i45", mass: "45 lb", pairs: "2", material: "iron", diameterMm: "450", thicknessMm: "38" };
const save = (
  made: Awaited<ReturnType<typeof makeContexts>>,
  texts: Record<string, string>,
  id: string | null = null,
  version = 0,
) => saveEquipment(made.context("coach"), "plate", { id, version, texts });

describe("plates, clamps and stations", () => {
  it("are kept as typed and exactly, with history", async () => {
    const made = await makeContexts("equipment");
    expect(await save(made, PLATE)).toEqual({ ok: true, key: "i45", version: 1 });
    const row = (await made.hall.first(plates))!;
    expect(row).toMatchObject({ massValue: "45", massUnit: "lb", massUnits: 204116566500, isDropRated: false });
    expect(equipmentTexts("plate", row)).toEqual({ ...PLATE, isDropRated: "no" });
    expect(await save(made, { ...PLATE, pairs: "3" }, row.id, 1)).toMatchObject({ ok: true, version: 2 });
    expect(await made.hall.rows(changes, { orderBy: [asc(changes.at)] })).toMatchObject([
      { action: "entered" },
      { before: { pairs: "2" }, after: { pairs: "3" } },
    ]);
  });
  it("refuse a stale edit with both texts, a second of the same name, and other roles", async () => {
    const made = await makeContexts("equipment");
    await save(made, PLATE);
    const { id } = (await made.hall.first(plates))!;
    await save(made, { ...PLATE, pairs: "3" }, id, 1);
    const stale = await save(made, { ...PLATE, pairs: "4" }, id, 1);
    expect(!stale.ok && stale.problems.map(({ message }) => message)).toEqual([
      "pairs owned: you wrote “4”, it is now “3”",
    ]);
    expect(await save(made, PLATE)).toMatchObject({ code: "invalid", problems: [{ path: "key" }] });
    expect(await saveEquipment(made.context("lifter"), "plate", { id: null, version: 0, texts: PLATE })).toMatchObject({
      code: "forbidden",
    });
  });
  it("count the J-cup pairs of a station and where they sit", async () => {
    const made = await makeContexts("equipment");
    const texts = {
      key: "r1",
      name: "Rack 1",
      kind: "rack",
      jCupPairs: "2",
      jCupHoles: "7\n14",
      supportSpacingMm: "1100",
      ratedKg: "320",
    };
    expect(await saveEquipment(made.context("manager"), "station", { id: null, version: 0, texts })).toMatchObject({
      ok: true,
    });
    expect(await made.hall.first(stations)).toMatchObject({
      jCupPairs: 2,
      jCupHoles: [7, 14],
      supportSpacingMm: 1100,
      ratedKg: 320,
    });
    expect(
      await saveEquipment(made.context("manager"), "station", {
        id: null,
        version: 0,
        texts: { ...texts, key: "r2", jCupHoles: "low" },
      }),
    ).toMatchObject({ code: "invalid", problems: [{ path: "jCupHoles" }] });
  });
  it("keep the mass of a pair of clamps", async () => {
    const made = await makeContexts("equipment");
    const texts = { key: "s", name: "spring", pairMass: "1 lb", widthMm: "30", pairs: "4" };
    await saveEquipment(made.context("manager"), "clamp", { id: null, version: 0, texts });
    expect(await made.hall.first(clamps)).toMatchObject({ pairMassUnits: 4535923700, pairMassValue: "1" });
  });
});

describe("plates weighed one by one", () => {
  it("are paired nearest first; weighing one again replaces it", async () => {
    const made = await makeContexts("equipment");
    await save(made, PLATE);
    const { id } = (await made.hall.first(plates))!;
    for (const [mark, mass] of [
      ["a", "20.1 kg"],
      ["b", "20.6 kg"],
      ["c", "20.2"],
      ["d", "30"],
      ["d", "20.55"],
    ])
      expect(await weighPlate(made.context("care"), { plateId: id, mark: mark!, mass: mass! })).toMatchObject({
        ok: true,
      });
    const pairing = (await platePairings(made.context("care"))).get(id)!;
    expect(pairing.pairs.map(({ plates: [x, y] }) => [x.mark, y.mark])).toEqual([
      ["a", "c"],
      ["d", "b"],
    ]);
    expect(await weighPlate(made.context("care"), { plateId: id, mark: "", mass: "x" })).toMatchObject({
      problems: [{ path: "mark" }, { path: "mass" }],
    });
  });
});
