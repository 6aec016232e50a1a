import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { QUANTITY_KINDS } from "./quantities";
import { rangeText, readRange, readTags, readWallQuery, WALL_SORTS, wallParams } from "./wallQuery";

describe("the wall's address", () => {
  it("ignores what it does not understand", () =>
    expect(readWallQuery({ state: "broken", family: "sword", sort: "colour", mass: "much", down: "yes" })).toEqual(
      readWallQuery({}),
    ));
  it("reads picked tags once each, at most so many", () => {
    expect(readTags("K04,K11,K04, ,K12,K13,K14", 4)).toEqual(["K04", "K11", "K12", "K13"]);
    expect(readTags(undefined, 4)).toEqual([]);
  });
  test.each([
    ["19..21", { from: 19, to: 21 }],
    ["..21.5", { from: null, to: 21.5 }],
    ["-5..", { from: -5, to: null }],
    ["..", null],
    ["19", null],
    ["19..x", null],
    ["1e9..", null],
    [undefined, null],
  ])("reads the range %j", (text, range) => expect(readRange(text)).toEqual(range));
  it("says what it reads", () =>
    fc.assert(
      fc.property(
        fc.record({
          state: fc.constantFrom("", "usable", "watch"),
          family: fc.constantFrom("", "power", "yoke"),
          finish: fc.constantFrom("", "bare"),
          place: fc.constantFrom("", "Rack wall A"),
          text: fc.constantFrom("", "long puller"),
          sort: fc.constantFrom(...WALL_SORTS),
          isDescending: fc.boolean(),
          picked: fc.uniqueArray(fc.constantFrom("K1", "K2", "K3"), { maxLength: 3 }),
          ranges: fc.dictionary(
            fc.constantFrom(...QUANTITY_KINDS),
            fc.record({ from: fc.integer({ min: -400, max: 400 }), to: fc.constantFrom(null, 500.5) }),
            { noNullPrototype: true, maxKeys: 3 },
          ),
        }),
        (query) => {
          const said = Object.fromEntries(
            Object.entries(wallParams(query as never)).flatMap(([key, value]) =>
              value === null ? [] : [[key, value]],
            ),
          );
          expect(readWallQuery(said)).toEqual(query);
        },
      ),
    ));
  it("writes open ends as nothing", () => expect(rangeText({ from: null, to: 3 })).toBe("..3"));
});
