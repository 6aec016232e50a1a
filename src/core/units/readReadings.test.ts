import { describe, expect, it } from "vitest";
import { readReadings } from "./readReadings";

const read = (text: string, unit: "kg" | "mm" = "mm") => {
  const result = readReadings(text, unit);
  return result.ok ? result.readings.map(({ value, unit }) => `${value} ${unit}`) : { unread: result.unread };
};

describe("readings typed on one line", () => {
  it.each([
    ["28.1; 28.05; 28.1", ["28.1 mm", "28.05 mm", "28.1 mm"]],
    ["28.1 28.05", ["28.1 mm", "28.05 mm"]],
    ["28.1 · 28.05\n28", ["28.1 mm", "28.05 mm", "28 mm"]],
    [".5 in", [".5 in"]],
    ["51 9/16 in", ["51.5625 in"]],
    ["1 1/8; 1 3/32 in", ["1.125 in", "1.09375 in"]],
    ["1 1/8 1 3/32 in", ["1.125 in", "1.09375 in"]],
    ["", []],
    [" ; ", []],
  ])("divides %j", (text, expected) =>
    expect(Array.isArray(read(text)) && (read(text) as string[]).map((one) => one.replace(/^0(?=\.)/, ""))).toEqual(
      expected.map((one) => one.replace(/^0(?=\.)/, "")),
    ),
  );
  it("means a unit written once, at the end, for all", () =>
    expect(read("44.8; 45 lb", "kg")).toEqual(["44.8 lb", "45 lb"]));
  it("keeps a unit written with each", () => expect(read("1 in; 25 mm")).toEqual(["1 in", "25 mm"]));
  it("names every part that is no quantity, and keeps none", () =>
    expect(read("28.1; about; x")).toEqual({ unread: ["about", "x"] }));
});
