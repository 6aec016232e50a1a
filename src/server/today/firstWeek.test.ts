import { expect, it } from "vitest";
import { bars, lifters, plates } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { firstWeek } from "./firstWeek";

it("a new gym's first week ticks itself by what is there, and is only for whoever sets a gym up", async () => {
  const { context, hall } = await makeContexts("first-week");
  const manager = () => ({ ...context("manager") });
  const done = async () => (await firstWeek(manager())).filter(({ isDone }) => isDone).map(({ key }) => key);
  const before = await done();
  for (const key of ["plates", "lifters", "hours"]) expect(before).not.toContain(key);
  await hall.insert(plates, {
    ...{ key: "p20", massValue: "20", massUnit: "kg" as const, massUnits: massUnitsFromKg(20), pairs: 1 },
    ...{ thicknessMm: 30, diameterMm: 450, material: "steel" as const },
  });
  await hall.insert(lifters, { key: "ann", name: "Ann", experience: "regular" } as never);
  expect((await done()).filter((key) => !before.includes(key))).toEqual(["plates", "lifters"]);
  await hall.update(bars, undefined, { state: "retired", stateReason: "a test" });
  expect(await done()).not.toContain("bars");
  expect(await firstWeek({ ...context("care") })).toEqual([]);
  expect(await firstWeek({ ...context("lifter") })).toEqual([]);
});
