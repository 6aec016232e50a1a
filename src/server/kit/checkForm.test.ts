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
      checkForm("offer", offer, { currency: "GBP", massUnit: "kg" })
        .map(({ path }) => path)
        .sort(),
    ).toEqual(["leadDays", "price"]);
    expect(
      checkForm("offer", { ...offer, price: "£410", leadDays: "14" }, { currency: "GBP", massUnit: "kg" }),
    ).toEqual([]);
    const held = { name: "Early", heldOn: "2026-04-03", startsAt: "7", blocks: "3", blockMinutes: "20" };
    expect(checkForm("class", { ...held, "capacity.r1": "40" }).map(({ path }) => path)).toEqual([
      "startsAt",
      "capacity.r1",
    ]);
    expect(checkForm("class", { ...held, startsAt: "07:00", "capacity.r1": "2", "capacity.r2": "" })).toEqual([]);
  });
  it("says of the gym's rules what saving would say, every problem at its field", () => {
    const paths = (kind: string, texts: Record<string, string>) => checkForm(kind, texts).map(({ path }) => path);
    const gym = { name: "Quay", timeZone: "Europe/Lisbon", massUnit: "kg", lengthUnit: "mm", locale: "en-GB" };
    expect(paths("gym", { ...gym, currency: "eur" })).toEqual([]);
    expect(paths("gym", { ...gym, name: " ", timeZone: "Moon/Sea", currency: "€" })).toEqual([
      "name",
      "timeZone",
      "currency",
    ]);
    expect(paths("keeping", { accountLogDays: "400", retiredLifterMonths: "" })).toEqual([]);
    expect(paths("keeping", { accountLogDays: "29", retiredLifterMonths: "1.5" })).toEqual([
      "accountLogDays",
      "retiredLifterMonths",
    ]);
    expect(paths("measuring", { noticeableMm: "1/16 in", mass: "1 lb" })).toEqual([]);
    expect(paths("measuring", { noticeableMm: "0", mass: "a bit" })).toEqual(["noticeableMm", "mass"]);
    expect(paths("climate", { climate: "dry" })).toEqual([]);
    expect(paths("climate", { climate: "dry", temperatureC: "12" })).toEqual(["temperatureC"]);
    expect(paths("climate", { climate: "own", temperatureC: "12 °C", relativeHumidityPct: "120" })).toEqual([
      "relativeHumidityPct",
      "so2Deposition",
      "chlorideDeposition",
    ]);
    expect(paths("house", { tallMm: "6 ft 3", loadToleranceKg: "1 lb" })).toEqual([]);
    expect(paths("house", { tallMm: "tall", emptyShareLimit: "5 %" })).toEqual(["emptyShareLimit", "tallMm"]);
    expect(paths("strength", { noise: "900" })).toEqual(["noise"]);
    expect(paths("care-rules", { rule: "meter", hour: "£18.50", quiet: "Sat 09:00-12:00" })).toEqual([]);
    expect(paths("care-rules", { rule: "moon", watchTirMm: "no", hour: "dear", quiet: "Saturday" })).toEqual([
      "rule",
      "watchTirMm",
      "hour",
      "quiet",
    ]);
    expect(paths("care-rules", { rule: "meter", watchTirMm: "4", quarantineTirMm: "3" })).toEqual(["watchTirMm"]);
    expect(paths("sensor", { chloride: "60", so2: "2", lagHours: "25" })).toEqual(["lagHours"]);
    expect(paths("invitation", { name: "", email: "ines" })).toEqual(["name", "email"]);
    expect(paths("token", { label: "Stock", days: "90" })).toEqual([]);
    expect(paths("token", { label: "", days: "0" })).toEqual(["label", "days"]);
    expect(paths("floor", { widthMm: "12", depthMm: "40 ft" })).toEqual([]);
    expect(paths("floor", { widthMm: "12 mm", depthMm: "" })).toEqual(["widthMm", "depthMm"]);
    expect(paths("hours", { hours: "Mon 9-10" })).toEqual(["hours"]);
    expect(paths("sets", { lines: "140x5 @2\n315 lb 3,3,2" })).toEqual([]);
    expect(paths("sets", { lines: "heavy\nheavier", note: "x".repeat(201) })).toEqual(["lines", "note"]);
    const rotation = { name: "R", weeks: "8", liftKey: "bench", "session.0.weekday": "monday", lifterIds: "a | b" };
    expect(paths("rotation", rotation)).toEqual([]);
    expect(paths("rotation", { ...rotation, lifterIds: "", "session.0.startsAt": "late" })).toEqual([
      "lifterIds",
      "session.0.startsAt",
    ]);
    const arm = { pins: "1 = 100 100", padKg: "15", hasHalfMarks: "no", changesEmptyOnly: "no" };
    expect(paths("arm-chart", { ...arm, marks: "1 = 10 10" })).toEqual([]);
    expect(paths("arm-chart", { ...arm, marks: "1 = steep" })).toEqual(["marks"]);
    expect(paths("frame-chart", {})).toContain("holes");
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
