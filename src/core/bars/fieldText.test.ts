import { describe, expect, test } from "vitest";
import type { FieldDef } from "./barFields";
import { readField } from "./fieldText";

/* What people type into fields, as forgivingly as can be, and never wrongly. */

const field = (def: object): FieldDef => ({ group: "identity", label: "field", ...def }) as unknown as FieldDef;
const height = field({ kind: "number", unit: "mm", range: [500, 2500] });
const mass = field({ kind: "number", unit: "kg", range: [20, 350] });
const choice = field({ kind: "choice", of: ["black-zinc", "rack"], words: { rack: "in a rack, on spare J-cups" } });
const choices = field({
  kind: "choices",
  of: ["reach", "shoulder", "lower-back"],
  words: { reach: "cannot reach back", "lower-back": "lower back" },
});
const money = field({ kind: "money" });
const valueOf = (def: FieldDef, text: string) => {
  const read = readField(def, text);
  return read.ok ? read.value : read.message;
};

describe("a field", () => {
  test.each([
    [height, "1.93 m", 1930],
    [height, "193cm", 1930],
    [height, "6 ft 4 in", 76 * 25.4],
    [height, "1,930", 1930],
    [mass, "12 st", 168 * 0.45359237],
    [mass, "180 lb", 180 * 0.45359237],
    [mass, "82,5", 82.5],
    [choice, "Black zinc", "black-zinc"],
    [choice, "IN A RACK, on spare j-cups", "rack"],
    [choices, "Cannot reach back, Lower back", ["reach", "lower-back"]],
    [choices, "shoulder reach", ["reach", "shoulder"]],
    [choices, "reach | lower back", ["reach", "lower-back"]],
    [money, "£410", 41_000],
    [money, "1,250", 125_000],
    [money, "1.250,50 €", 125_050],
    [money, "EUR 99.9", 9_990],
  ])("takes %#: %j", (def, text, value) => {
    const found = valueOf(def as FieldDef, text as string);
    if (typeof value === "number") expect(found).toBeCloseTo(value, 9);
    else expect(found).toEqual(value);
  });
  test.each([
    [height, "tall", /“tall” is no number in mm; write 1930, 193 cm or 1.93 m/],
    [height, "80 kg", /is no number in mm/],
    [height, "9 m", /out of range: 500 to 2500 mm/],
    [mass, "1.8 m", /is no number in kg/],
    [choice, "gold", /“gold” is none of black-zinc, rack/],
    [choices, "reach, elbow", /“elbow” is none of/],
    [money, "-5", /no amount of money/],
    [money, "5.555.5", /no amount of money/],
    [money, "lots", /no amount of money/],
  ])("says what was read and what would be right %#", (def, text, message) => {
    expect(valueOf(def as FieldDef, text as string)).toMatch(message as RegExp);
  });
});
