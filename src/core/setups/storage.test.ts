import { describe, expect, it, test } from "vitest";
import {
  freeSlot,
  missingParts,
  readLooseParts,
  storageConflicts,
  type StorageConflict,
  type StoragePlace,
  type StoredBar,
} from "./storage";

const PLACE: StoragePlace = {
  name: "Wall",
  kind: "wall-horizontal",
  slots: 3,
  lengthMm: 2250,
  heightMm: 1500,
  reachMm: 300,
  isByWalkway: true,
  jCupPairs: null,
};
const BAR: StoredBar = {
  tag: "B1",
  name: "bar",
  place: "Wall",
  slot: 1,
  overallMm: 2200,
  hangsWay: null,
  handlesPoint: null,
  sticksOutMm: null,
  swingMm: null,
  storedSetting: null,
  presentSetting: null,
  missingParts: [],
};
const keysOf = (bars: Partial<StoredBar>[], place: Partial<StoragePlace> = {}): StorageConflict["key"][] =>
  storageConflicts(
    [{ ...PLACE, ...place }],
    bars.map((bar, i) => ({ ...BAR, tag: `B${i + 1}`, slot: i + 1, ...bar })),
  ).map(({ key }) => key);

describe("what is wrong with how bars hang", () => {
  // Each of them once wrong and once just right.
  test.each<[string, Partial<StoredBar>[], Partial<StoragePlace>, StorageConflict["key"][]]>([
    ["nothing", [{}], {}, []],
    ["two bars on one peg", [{ slot: 2 }, { slot: 2 }], {}, ["slot"]],
    ["a peg that is not there", [{ slot: 4 }], {}, ["slot"]],
    ["more bars than pegs", [{}, {}, {}, { slot: null }], {}, ["full"]],
    ["as many as pegs", [{}, {}, {}], {}, []],
    ["longer than its place", [{ overallMm: 2251 }], {}, ["long"]],
    ["as long as its place", [{ overallMm: 2250 }], {}, []],
    ["of unknown length", [{ overallMm: null }], {}, []],
    ["must stand and lies", [{ hangsWay: "vertical" }], {}, ["way"]],
    ["must stand and stands", [{ hangsWay: "vertical" }], { kind: "wall-vertical" }, []],
    ["either way", [{ hangsWay: "either" }], { kind: "wall-vertical" }, []],
    ["handles into a walkway", [{ handlesPoint: "room", sticksOutMm: 200 }], {}, ["walkway"]],
    ["handles to the wall", [{ handlesPoint: "wall", sticksOutMm: 200 }], {}, []],
    ["handles where nobody walks", [{ handlesPoint: "room", sticksOutMm: 200 }], { isByWalkway: false }, []],
    ["handles at knee height", [{ handlesPoint: "room", sticksOutMm: 200 }], { heightMm: 500 }, []],
    ["sticks out and swings too far", [{ sticksOutMm: 200, swingMm: 101 }], {}, ["reach"]],
    ["sticks out and swings within", [{ sticksOutMm: 200, swingMm: 100 }], {}, []],
    ["no spare J-cups", [{}], { kind: "rack", jCupPairs: 1 }, ["j-cups"]],
    ["one spare pair for one bar", [{}], { kind: "rack", jCupPairs: 2 }, []],
    ["set otherwise than it must hang", [{ storedSetting: "mark 1", presentSetting: "mark 3" }], {}, ["setting"]],
    ["set as it must hang", [{ storedSetting: "mark 1", presentSetting: "mark 1" }], {}, []],
    ["a missing part", [{ missingParts: ["1 of 4 pins"] }], {}, ["parts"]],
    ["no place", [{ place: null }], {}, ["nowhere"]],
  ])("%s", (_, bars, place, keys) => expect(keysOf(bars, place)).toEqual(keys));

  it("puts what can hurt first and says what would be right", () => {
    const found = storageConflicts(
      [PLACE],
      [
        { ...BAR, overallMm: 2400 },
        { ...BAR, tag: "B2", slot: 2, handlesPoint: "room", sticksOutMm: 260 },
      ],
    );
    expect(found.map(({ isDangerous }) => isDangerous)).toEqual([true, false]);
    expect(found[0]!.text).toContain("260 mm into a walkway at head height. Turn them to the wall");
  });
});

describe("pegs and parts", () => {
  it("finds the lowest free peg", () => {
    expect(freeSlot({ slots: 3 }, [1, null, 3])).toBe(2);
    expect(freeSlot({ slots: 2 }, [1, 2])).toBeNull();
    expect(freeSlot({ slots: null }, [])).toBeNull();
  });
  it("counts parts and names what is missing", () => {
    const parts = readLooseParts(["4 pins", "2 arms", "spanner"]);
    expect(parts).toEqual([
      { name: "pins", count: 4 },
      { name: "arms", count: 2 },
      { name: "spanner", count: 1 },
    ]);
    expect(missingParts(parts, [4, 2, 1])).toEqual([]);
    expect(missingParts(parts, [3, 2])).toEqual(["1 of 4 pins", "1 of 1 spanner"]);
    expect(missingParts(parts, [9, 9, 9])).toEqual([]);
  });
});
