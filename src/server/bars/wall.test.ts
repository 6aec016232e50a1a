import fc from "fast-check";
import { beforeAll, describe, expect, it } from "vitest";
import { isUsable, valueOf } from "@/core/bars/bar";
import { FAMILIES, FAMILY_KEYS } from "@/core/bars/families";
import { seatToSeatOf } from "@/core/bars/lengths";
import { QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import { readWallQuery, WALL_SORTS, type WallQuery } from "@/core/bars/wallQuery";
import { makeContexts } from "@/server/access/context.fixture";
import { changeBarState } from "./barState";
import { enterBars } from "./addBars";
import { listBars } from "./bars";
import type { ListedBar } from "./listedBar";
import { wallBars, wallFacts } from "./wall";

let made: Awaited<ReturnType<typeof makeContexts>>;
let all: ListedBar[];
const context = () => made.context("manager");

beforeAll(async () => {
  made = await makeContexts("wall");
  const spec = (i: number) => {
    const family = FAMILY_KEYS[i % FAMILY_KEYS.length]!;
    return {
      name: `Bar ${String.fromCharCode(65 + ((i * 7) % 26))} 50%_${i % 3}`,
      family,
      state: "in-service",
      finish: ["bare", "ceramic", ""][i % 3]!,
      sleeveRotation: "bushing",
      place: ["Wall A", "Wall B", ""][i % 3]!,
      ...(i % 5 === 0 ? {} : { "stated.mass": `${10 + (i % 7)}` }),
      ...(i % 4 === 0 ? {} : { "stated.sleeveLength": `${300 + i}` }),
      "stated.shaftLength": "1310",
      "stated.collarThickness": `${20 + (i % 6)}`,
    };
  };
  for (let i = 0; i < 40; i += 1) await enterBars(context(), spec(i), [`W${String(i).padStart(2, "0")}`]);
  for (const [tag, state] of [
    ["W03", "quarantined"],
    ["W04", "retired"],
    ["W05", "watch"],
  ] as const)
    await changeBarState(context(), { tag, state, reason: "for the test", version: 1 });
  all = (await listBars(context())).items;
});

/** The slow, obvious way: every bar in memory, filtered and sorted by hand. */
function slowly(query: WallQuery): string[] {
  const value = ({ bar }: ListedBar, kind: QuantityKind) =>
    kind === "seatToSeat" ? (seatToSeatOf(bar)?.value ?? null) : valueOf(bar, kind);
  const words = query.text.toLowerCase().split(/\s+/).filter(Boolean);
  const kept = all.filter((item) => {
    const { bar, place } = item;
    if (
      query.state === ""
        ? bar.state === "retired"
        : query.state === "usable"
          ? !isUsable(bar.state)
          : bar.state !== query.state
    )
      return false;
    if (query.family && bar.family !== query.family) return false;
    if (query.finish && bar.finish !== query.finish) return false;
    if (query.place && place !== query.place) return false;
    for (const [kind, { from, to }] of Object.entries(query.ranges)) {
      const own = value(item, kind as QuantityKind);
      if (own === null || (from !== null && own < from) || (to !== null && own > to)) return false;
    }
    const said = [
      bar.tag,
      bar.name,
      bar.family,
      FAMILIES[bar.family].name,
      bar.state,
      bar.finish,
      bar.sleeveRotation,
      place,
    ]
      .join(" ")
      .toLowerCase();
    return words.every((word) => said.includes(word));
  });
  const key = (item: ListedBar): string | number | null => {
    switch (query.sort) {
      case "tag":
        return item.bar.tag;
      case "name":
        return item.bar.name;
      case "state":
        return item.bar.state;
      case "place":
        return item.place === null ? null : item.placeOrder;
      case "family":
        return FAMILY_KEYS.indexOf(item.bar.family);
      default:
        return value(item, query.sort);
    }
  };
  const way = query.isDescending ? -1 : 1;
  return kept
    .sort((a, b) => {
      const [x, y] = [key(a), key(b)];
      if (x !== y) {
        if (x === null) return 1;
        if (y === null) return -1;
        return (x < y ? -1 : 1) * way;
      }
      return a.bar.tag < b.bar.tag ? -1 : 1;
    })
    .map(({ bar }) => bar.tag);
}

const anyQuery = fc.record({
  state: fc.constantFrom("", "usable", "watch", "quarantined", "retired", "in-service"),
  family: fc.constantFrom("", "", "", "power", "yoke", "curl"),
  finish: fc.constantFrom("", "", "bare", "ceramic"),
  place: fc.constantFrom("", "", "Wall A", "Wall B", "Nowhere"),
  q: fc.constantFrom("", "", "bar", "wall a", "50%", "_1", "yoke", "\\", "low-yoke bar"),
  sort: fc.constantFrom(...WALL_SORTS),
  down: fc.constantFrom("", "1"),
  mass: fc.constantFrom("", "", "12..14", "..11", "15.."),
  sleeveLength: fc.constantFrom("", "", "310..330"),
  seatToSeat: fc.constantFrom("", "", "..1355"),
});

describe("the wall in the database", () => {
  it("filters and sorts as the slow, obvious way does", () =>
    fc.assert(
      fc.asyncProperty(anyQuery, async (search) => {
        const query = readWallQuery(search);
        const { items, total } = await wallBars(context(), query, { count: 100 });
        const expected = slowly(query);
        expect(items.map(({ bar }) => bar.tag)).toEqual(expected);
        expect(total).toBe(expected.length);
      }),
      { numRuns: 150, seed: 20261125 },
    ));
  it("answers in parts without a gap or a double, by every order", async () => {
    for (const sort of ["tag", "mass", "sleeveLength", "place"] as const) {
      const query = readWallQuery({ sort });
      const tags: string[] = [];
      for (let from = 0; from < 45; from += 7)
        tags.push(...(await wallBars(context(), query, { from, count: 7 })).items.map(({ bar }) => bar.tag));
      expect(tags).toEqual(slowly(query));
    }
  });
  it("says what there is to filter by", async () => {
    const facts = await wallFacts(context());
    expect(facts).toMatchObject({ quarantined: 1, places: ["Wall A", "Wall B"], finishes: ["bare", "ceramic"] });
    expect(facts.total).toBe(all.filter(({ bar }) => bar.state !== "retired").length);
    expect(facts.spans.mass).toEqual({ least: 10, greatest: 16 });
    expect(Object.keys(facts.spans).every((kind) => QUANTITY_KINDS.includes(kind as QuantityKind))).toBe(true);
  });
  it("shows the most urgent care of a bar, and no bar of another hall", async () => {
    const other = await makeContexts("elsewhere");
    const { items, total } = await wallBars(other.context("wall"), readWallQuery({}), { count: 10 });
    expect(total).toBe(1);
    expect(items[0]).toMatchObject({ bar: { tag: "T1" }, due: { taskName: "brush", dueOn: "2026-03-11" } });
  });
});
