import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { BAR_FIELDS } from "@/core/bars/barFields";
import { readFields } from "@/core/bars/fieldText";
import { EQUIPMENT_FIELDS } from "@/core/equipment/equipmentFields";
import { checkForm } from "./checkForm";
import { problemsOfTexts } from "./fieldSchema";

describe("a form looked over before it is saved", () => {
  it("says of a plate what saving it would say, every problem at its field, as it was typed", () => {
    expect(checkForm("plate", { key: "", mass: "20 buckets", pairs: "2.5" })).toEqual([
      { path: "key", message: "short name: must be given" },
      { path: "mass", message: "nominal mass: “20 buckets” is no mass; write 320 kg or 700 lb" },
      { path: "pairs", message: expect.stringContaining("pairs owned: ") },
    ]);
    expect(checkForm("plate", { key: "r25", mass: "25 kg", pairs: "2" })).toEqual([]);
  });
  it("says of a bar what no bar of its family has, and takes several tags for several bars", () => {
    const bar = { tag: "N1 N2 N3", name: "Five", family: "power", state: "in-service" };
    expect(checkForm("bar", bar)).toEqual([]);
    expect(checkForm("bar", { ...bar, family: "spear" }).map(({ path }) => path)).toEqual(["family"]);
    expect(checkForm("bar", { ...bar, "stated.mass": "heavy" }).map(({ path }) => path)).toEqual(["stated.mass"]);
  });
  it("says of an offer and of a class what saving would say", () => {
    const offer = { name: "Thin", family: "deadlift", quantity: "1", price: "many", leadDays: "soon" };
    expect(
      checkForm("offer", offer, "GBP")
        .map(({ path }) => path)
        .sort(),
    ).toEqual(["leadDays", "price"]);
    expect(checkForm("offer", { ...offer, price: "£410", leadDays: "14" }, "GBP")).toEqual([]);
    const held = { name: "Early", heldOn: "2026-04-03", startsAt: "7", blocks: "3", blockMinutes: "20" };
    expect(checkForm("class", { ...held, "capacity.r1": "40" }).map(({ path }) => path)).toEqual([
      "startsAt",
      "capacity.r1",
    ]);
    expect(checkForm("class", { ...held, startsAt: "07:00", "capacity.r1": "2", "capacity.r2": "" })).toEqual([]);
  });
  it("has nothing to say of what it does not know", () => {
    expect(checkForm("constructor", { a: "1" })).toEqual([]);
    expect(checkForm("nothing", {})).toEqual([]);
  });
  it("agrees with the reader that saving uses, whatever is typed (property)", () => {
    const text = fc.oneof(
      fc.string({ maxLength: 30 }),
      fc.constantFrom("", "20 kg", "45 lb", "1 1/8 in", "{{x}}", "<b>", "{#label}", "yes"),
    );
    for (const defs of [EQUIPMENT_FIELDS.plate, EQUIPMENT_FIELDS.station, BAR_FIELDS])
      fc.assert(
        fc.property(fc.record(Object.fromEntries(Object.keys(defs).map((key) => [key, text]))), (texts) => {
          const read = readFields(defs, texts);
          expect(problemsOfTexts(defs, texts)).toEqual(read.ok ? [] : read.problems);
        }),
        { seed: 20, numRuns: 200 },
      );
  });
});
