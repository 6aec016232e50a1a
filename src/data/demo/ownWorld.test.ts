import { expect, it, test } from "vitest";
import { DEMO_BARS } from "./demoBars";
import { DEMO_CHARTS, DEMO_LIFTERS, DEMO_SETTINGS } from "./demoHall";

/* The demonstration is invented to the last figure: none of it is somebody's wall. */

const bar = (tag: string) => DEMO_BARS.find((one) => one.tag === tag)!;
const byFamily = (family: string) => DEMO_BARS.filter((one) => one.family === family);
const texts = JSON.stringify([DEMO_BARS, DEMO_CHARTS, DEMO_LIFTERS, DEMO_SETTINGS]);

test.each([
  ["the deadlift bars' seats", () => byFamily("deadlift").map((one) => one.measured!.seatToSeat), /155[0-9]|151[0-9]/],
  ["a yoke bar's mass", () => byFamily("yoke").map((one) => one.stated.mass), /65 lb|29\.5/],
  ["a low-yoke bar's mass", () => byFamily("low-yoke").map((one) => one.stated.mass), /^29/],
  ["a frame's mass", () => byFamily("closed-frame").map((one) => one.stated.mass), /60 lb|27\.2/],
  ["the light bar's limit", () => byFamily("technique").map((one) => one.hardLimit), /^40/],
])("%s is our own", (_, figures, notThese) => {
  for (const figure of figures()) expect(figure).not.toMatch(notThese);
});

it("has no power bar of 28.5 mm with thick collars, no dots for holes, no knobs to count, and not that many bars", () => {
  for (const { stated } of byFamily("power"))
    if (stated.shaftDiameter?.startsWith("28.5")) expect(parseFloat(stated.collarThickness!)).toBeLessThan(35);
  expect(texts).not.toMatch(/\bdots?\b|knobs|shoulder hates|No shoulder pain/i);
  expect(bar("K10").note).not.toMatch(/between the racks/);
  expect(DEMO_BARS.filter(({ state }) => state !== "on-order")).not.toHaveLength(27);
});

it("has an adjustable bar of nine notches by five holes", () => {
  const { marks, pins } = DEMO_CHARTS.K17!.texts;
  expect(marks!.split("|")).toHaveLength(9);
  expect(pins!.split("|")).toHaveLength(5);
});
