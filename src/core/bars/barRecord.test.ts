import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { BAR_FIELDS, FIELD_KEYS, hasField, type FieldDef } from "./barFields";
import { differingTexts, readBarRecord, recordTexts } from "./barRecord";
import { FAMILIES, FAMILY_KEYS } from "./families";
import { fieldText, readField } from "./fieldText";
import { measurableKinds, QUANTITIES } from "./quantities";

const LEAST = { tag: "K1", name: "Bar", family: "power", state: "in-service" };
const messages = (texts: Record<string, string>) => {
  const read = readBarRecord(texts);
  return read.ok ? [] : read.problems.map(({ path, message }) => `${path}: ${message}`);
};

describe("a bar as someone enters it", () => {
  it("needs a tag, a name, a family and a state, and says all four at once", () =>
    expect(messages({})).toEqual([
      "tag: tag: must be given",
      "name: name: must be given",
      "family: family: must be given",
      "state: state: must be given",
    ]));
  it("keeps masses and stated quantities as typed, 45 lb as 45 lb", () => {
    const read = readBarRecord({ ...LEAST, rating: "700 lb", ratingBasis: "unknown", "stated.mass": "45 lb" });
    expect(read).toMatchObject({
      ok: true,
      record: { rating: { value: "700", unit: "lb" }, stated: { mass: { value: "45", unit: "lb" } } },
    });
  });
  test.each([
    [{ rating: "700 lb" }, /^ratingBasis: say what the rating counts/],
    [{ ratingBasis: "total" }, /^rating: /],
    [{ state: "watch" }, /^stateReason: say why/],
    [{ stateReason: "x" }, /^stateReason: a bar in service/],
    [{ boughtOn: "31.2.2020" }, /^boughtOn: bought on: .*YYYY-MM-DD/],
    [{ boughtOn: "2020-02-31" }, /^boughtOn/],
    [{ finish: "gold" }, /^finish: shaft finish: “gold” is none of bare/],
    [{ yieldMPa: "6000" }, /out of range: 1 to 5000 MPa/],
    [{ bearingsPerSide: "2.5" }, /whole number/],
    [{ price: "12,345,00" }, /no amount of money/],
    [{ tag: "much too long a tag" }, /at most 12 characters/],
    [{ "stated.mass": "20 mm" }, /no number in kg or lb/],
    [{ "stated.mass": "900" }, /cannot be true of a bar/],
    [{ gripOptions: "440 mm" }, /grips: a power bar has none/],
    [{ "stated.camberDrop": "300" }, /camber drop: a power bar has none/],
    [{ sleeveRotation: "fixed", "stated.spinDown": "20" }, /spin-down: a power bar has none/],
  ])("refuses %j", (more, expected) => expect(messages({ ...LEAST, ...more })[0]).toMatch(expected));
  it("reads choices as people write them", () =>
    expect(readBarRecord({ ...LEAST, finish: "Black Oxide", family: "Weightlifting_Short" })).toMatchObject({
      ok: true,
      record: { finish: "black-oxide", family: "weightlifting-short" },
    }));
});

const anyField = (def: FieldDef): fc.Arbitrary<string> => {
  switch (def.kind) {
    case "text":
      return fc
        .stringMatching(/^[a-zA-Z0-9 ,;"'=+@-]{1,10}$/)
        .map((text) => text.trim())
        .filter(Boolean);
    case "choice":
      return fc.constantFrom(...def.of);
    case "choices":
      return fc.subarray([...def.of], { minLength: 1 }).map((keys) => keys.join(" | "));
    case "day":
      return fc.constantFrom("2020-02-29", "2024-12-31", "1999-01-01");
    case "number":
      return fc.integer({ min: Math.ceil(def.range[0]), max: Math.floor(def.range[1]) }).map(String);
    case "mass":
      return fc.tuple(fc.integer({ min: 1, max: 4000 }), fc.constantFrom("kg", "lb")).map(([v, u]) => `${v / 4} ${u}`);
    case "money":
      return fc.integer({ min: 0, max: 10_000_000 }).map((minor) => (minor / 100).toFixed(2));
    case "yes-no":
      return fc.constantFrom("yes", "no");
    case "list":
      return fc
        .array(fc.stringMatching(/^[a-z0-9=°,]{1,12}$/), { minLength: 1, maxLength: 4 })
        .map((l) => l.join(" | "));
  }
};

describe("fields as text", () => {
  test.each(FIELD_KEYS)("%s reads back what it writes", (key) => {
    const def: FieldDef = BAR_FIELDS[key];
    fc.assert(
      fc.property(anyField(def), (text) => {
        const read = readField(def, text);
        if (!read.ok) throw new Error(`${text}: ${read.message}`);
        expect(readField(def, fieldText(def, read.value))).toEqual(read);
      }),
    );
  });
  it("a whole record reads back from its texts, for every family", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILY_KEYS).chain((family) => {
          const { form } = FAMILIES[family];
          const fields = FIELD_KEYS.filter(
            (key) => hasField(key, form) && !["family", "state", "stateReason"].includes(key),
          );
          return fc.record(
            {
              ...Object.fromEntries(fields.map((key) => [key, anyField(BAR_FIELDS[key])])),
              ...Object.fromEntries(
                measurableKinds(form, false).map((kind) => [
                  `stated.${kind}`,
                  fc.constant(
                    `${(QUANTITIES[kind].range[0] + QUANTITIES[kind].range[1]) / 2} ${QUANTITIES[kind].unit}`,
                  ),
                ]),
              ),
              family: fc.constant(family),
              state: fc.constant("in-service"),
              sleeveRotation: fc.constant("bushing"),
            },
            {
              requiredKeys: ["tag", "name", "family", "state", "rating", "ratingBasis", "sleeveRotation"] as never[],
            },
          );
        }),
        (texts) => {
          const read = readBarRecord(texts as Record<string, string>);
          if (!read.ok) throw new Error(JSON.stringify(read.problems));
          expect(readBarRecord(recordTexts(read.record))).toEqual(read);
        },
      ),
      { numRuns: 30 },
    ));
  it("tells what differs between two records, either way", () =>
    expect(differingTexts({ tag: "A", note: "old" }, { tag: "A", price: "1.00" })).toEqual({
      before: { note: "old", price: "" },
      after: { note: "", price: "1.00" },
    }));
});
