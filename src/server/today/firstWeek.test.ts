import { expect, it } from "vitest";
import { bars, lifters, people, plates, staffHours } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { firstWeek } from "./firstWeek";

it("a new gym's first week ticks itself by what is there, and is only for whoever sets a gym up", async () => {
  const { context, hall } = await makeContexts("first-week");
  const manager = () => ({ ...context("manager") });
  const done = async () => (await firstWeek(manager())).filter(({ isDone }) => isDone).map(({ key }) => key);
  const before = await done();
  expect(before).not.toContain("bars");
  expect(before).not.toContain("plates");
  await hall.insert(bars, { tag: "N1", name: "New", family: "power", state: "retired" } as never);
  expect(await done()).not.toContain("bars");
  await hall.insert(bars, { tag: "N2", name: "New", family: "power" } as never);
  expect(await done()).toContain("bars");
  await hall.insert(plates, {
    ...{ key: "p20", massValue: "20", massUnit: "kg" as const, massUnits: massUnitsFromKg(20), pairs: 1 },
  } as never);
  expect(await done()).toContain("plates");
  expect(await firstWeek({ ...context("care") })).toEqual([]);
  expect(await firstWeek({ ...context("lifter") })).toEqual([]);
  expect([people, lifters, staffHours].every(Boolean)).toBe(true);
});
