import type { QuantityKind } from "@/core/bars/quantities";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { barQuantities, plates, stations } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { barsOnTheWall } from "@/server/bars/bars";
import { listStations } from "@/server/equipment/equipment";
import type { SessionWish } from "./planRun";

const LB = 0.45359237;

/** A hall with a 29.4 kg bar, kg and lb plates mixed, and a rack. */
export async function withPlates(name: string) {
  const made = await makeContexts(name);
  const { hall, bar } = made;
  const quantity = (kind: QuantityKind, value: number) => ({
    barId: bar.id,
    kind,
    statedValue: String(value),
    statedUnit: kind === "mass" ? ("kg" as const) : ("mm" as const),
    stated: value,
    effective: value,
    source: "stated" as const,
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
  const manager = made.context("manager");
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
