import { describe, expect, it, test } from "vitest";
import { conformity, ruleBooksFor } from "./conformity";
import { measured, MENS_BAR, stated, testBar } from "./testBar.fixture";

const asMeasured = (quantities: typeof MENS_BAR) =>
  Object.fromEntries(Object.entries(quantities).map(([kind, { value }]) => [kind, measured(value)]));
const lineAbout = (about: string, ...args: Parameters<typeof conformity>) =>
  conformity(...args).lines.find((line) => line.about === about)!;

describe("IWF men's bar (Technical and Competition Rules, from memory)", () => {
  it("is met by the published figures when they are measured", () =>
    expect(conformity(testBar(asMeasured(MENS_BAR)), "iwf-men").result).toBe("meets"));
  it("is not sure of a bar that was only stated", () => {
    expect(conformity(testBar(MENS_BAR), "iwf-men").result).toBe("unknown");
    expect(lineAbout("mass", testBar(MENS_BAR), "iwf-men").note).toMatch(/only stated/);
  });
  // +0.1 % and −0.05 % of 20 kg: 19.990 to 20.020 kg.
  test.each([
    [19.989, "fails"],
    [19.99, "meets"],
    [20.02, "meets"],
    [20.021, "fails"],
  ])("%f kg %s", (kg, result) =>
    expect(lineAbout("mass", testBar({ mass: measured(kg) }), "iwf-men").result).toBe(result),
  );
  it("says how far off a shaft is, and which tolerance it allowed for measuring", () => {
    const line = lineAbout("shaft diameter", testBar({ shaftDiameter: measured(28.5) }), "iwf-men");
    expect(line).toMatchObject({ result: "fails", rule: "28 mm", found: "28.5 mm" });
    expect(line.note).toMatch(/0\.40 mm over; .*±0\.1 mm for measuring/);
  });
  it("has nothing to say about knurl and sleeve rotation", () =>
    expect(lineAbout("sleeve rotation", testBar(), "iwf-men")).toMatchObject({
      rule: null,
      found: "bushing",
      result: "nothing-to-say",
    }));
});

describe("IWF women's bar (from memory)", () => {
  it("is 15 kg, 2010 mm, 25 mm", () => {
    const womens = asMeasured({
      ...MENS_BAR,
      mass: stated(15),
      overallLength: stated(2010),
      shaftDiameter: stated(25),
      sleeveLength: stated(320),
    });
    expect(conformity(testBar(womens), "iwf-women").result).toBe("meets");
    expect(conformity(testBar(asMeasured(MENS_BAR)), "iwf-women").result).toBe("fails");
  });
});

describe("IPF (Technical Rules Book, from memory)", () => {
  const ipf = { ...asMeasured(MENS_BAR), shaftDiameter: measured(29) };
  it("is met at 29 mm, 1310 mm, 2200 mm, with clamps of 5 kg", () =>
    expect(conformity(testBar(ipf), "ipf").result).toBe("meets"));
  test.each([
    ["shaft diameter", { shaftDiameter: measured(27.9) }, "fails"],
    ["shaft diameter", { shaftDiameter: measured(28) }, "meets"],
    ["shaft diameter", { shaftDiameter: measured(29.1) }, "fails"],
    ["between the collars", { shaftLength: measured(1320) }, "meets"],
    ["between the collars", { shaftLength: measured(1321) }, "fails"],
    ["overall length", { overallLength: measured(2201) }, "fails"],
    ["sleeve diameter", { sleeveDiameter: measured(49.9) }, "fails"],
  ])("%s %j %s", (about, quantity, result) =>
    expect(lineAbout(about, testBar({ ...ipf, ...quantity }), "ipf").result).toBe(result),
  );
  it("counts bar and clamps together", () =>
    expect(lineAbout("bar and clamps", testBar(ipf), "ipf", { clampPairKg: 0.5 })).toMatchObject({
      result: "fails",
      found: "20.5 kg",
    }));
  it("wants marks 810 mm apart, and does not guess when nobody looked", () => {
    expect(lineAbout("ring marks", testBar(ipf, { ringMarks: "weightlifting" }), "ipf").result).toBe("fails");
    expect(lineAbout("ring marks", testBar(ipf, { ringMarks: null }), "ipf").result).toBe("unknown");
  });
});

it("holds no specialty bar against a rule book", () => {
  expect(ruleBooksFor(testBar({}, { family: "yoke" }))).toEqual([]);
  expect(ruleBooksFor(testBar({}, { family: "power" }))).toContain("ipf");
});
