import { describe, expect, it } from "vitest";
import type { Bar } from "@/core/bars/bar";
import { barsFor, readTags, readWallQuery } from "./wallQuery";

const hung = (tag: string, more: Partial<Bar> = {}, massKg?: number) => ({
  place: "Rack wall A",
  placeOrder: 1,
  bar: {
    tag,
    name: `Bar ${tag}`,
    family: "power",
    state: "in-service",
    finish: "bare",
    sleeveRotation: "bushing",
    quantities: massKg === undefined ? {} : { mass: { value: massKg, source: "stated" } },
    ...more,
  } as Bar,
});
const tags = (search: Record<string, string>, all: ReturnType<typeof hung>[]) =>
  barsFor(all, readWallQuery(search)).map(({ bar }) => bar.tag);

describe("the wall's address", () => {
  it("ignores what it does not understand", () =>
    expect(readWallQuery({ state: "broken", family: "sword", sort: "colour" })).toMatchObject({
      state: "",
      family: "",
      sort: "tag",
    }));
  it("reads picked tags once each, at most four", () => {
    expect(readTags("K04,K11,K04, ,K12,K13,K14", 4)).toEqual(["K04", "K11", "K12", "K13"]);
    expect(readTags(undefined, 4)).toEqual([]);
  });
});

describe("bars for a query", () => {
  const wall = [hung("B", { family: "squat" }, 25), hung("A", { state: "quarantined" }, 20), hung("C")];
  it("sorts by tag, or by a quantity with unknown ones last", () => {
    expect(tags({}, wall)).toEqual(["A", "B", "C"]);
    expect(tags({ sort: "mass" }, wall)).toEqual(["A", "B", "C"]);
    expect(tags({ sort: "mass" }, [hung("Z", {}, 8), ...wall])).toEqual(["Z", "A", "B", "C"]);
  });
  it("filters by state, family and words that must all be there", () => {
    expect(tags({ state: "usable" }, wall)).toEqual(["B", "C"]);
    expect(tags({ family: "squat" }, wall)).toEqual(["B"]);
    expect(tags({ q: "rack a quarantined" }, wall)).toEqual(["A"]);
    expect(tags({ q: "rack zinc" }, wall)).toEqual([]);
  });
});
