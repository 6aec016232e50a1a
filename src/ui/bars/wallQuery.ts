import { BAR_STATES, isUsable, valueOf, type Bar, type BarState } from "@/core/bars/bar";
import { FAMILIES, FAMILY_KEYS, type FamilyKey } from "@/core/bars/families";
import { seatToSeatOf } from "@/core/bars/lengths";

export const WALL_SORTS = ["tag", "place", "family", "mass", "shaft", "seats"] as const;
export type WallSort = (typeof WALL_SORTS)[number];

/** What is on the wall, as the address says it. Anything that is not understood counts as not said. */
export interface WallQuery {
  state: BarState | "usable" | "";
  family: FamilyKey | "";
  text: string;
  sort: WallSort;
  /** Tags picked for comparison, in the order picked. */
  picked: string[];
}

export const MOST_PICKED = 4;

export function readWallQuery(search: Record<string, string | undefined>): WallQuery {
  const one = <T extends string>(value: string | undefined, of: readonly T[]) => of.find((item) => item === value);
  return {
    state: one(search.state, [...BAR_STATES, "usable" as const]) ?? "",
    family: one(search.family, FAMILY_KEYS) ?? "",
    text: (search.q ?? "").slice(0, 60),
    sort: one(search.sort, WALL_SORTS) ?? "tag",
    picked: readTags(search.pick, MOST_PICKED),
  };
}

/** A comma-separated list of tags, each once. */
export function readTags(text: string | undefined, most: number): string[] {
  return [
    ...new Set(
      (text ?? "")
        .split(",")
        .map((tag) => tag.trim())
        .filter(Boolean),
    ),
  ].slice(0, most);
}

interface Hung {
  bar: Bar;
  place: string | null;
  placeOrder: number;
}

/** The bars that the query leaves, in its order. */
export function barsFor<T extends Hung>(all: readonly T[], { state, family, text, sort }: WallQuery): T[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return all
    .filter(({ bar }) => (state === "usable" ? isUsable(bar.state) : state === "" || bar.state === state))
    .filter(({ bar }) => family === "" || bar.family === family)
    .filter(({ bar, place }) => {
      const said = [bar.tag, bar.name, FAMILIES[bar.family].name, place, bar.state, bar.finish, bar.sleeveRotation]
        .join(" ")
        .toLowerCase();
      return words.every((word) => said.includes(word));
    })
    .sort((a, b) => bySort(sort, a, b) || (a.bar.tag < b.bar.tag ? -1 : 1));
}

function bySort(sort: WallSort, a: Hung, b: Hung): number {
  // Unknown values come last.
  const number = (of: (bar: Bar) => number | null) => (of(a.bar) ?? Infinity) - (of(b.bar) ?? Infinity) || 0;
  switch (sort) {
    case "tag":
      return 0;
    case "place":
      return a.placeOrder - b.placeOrder;
    case "family":
      return FAMILY_KEYS.indexOf(a.bar.family) - FAMILY_KEYS.indexOf(b.bar.family);
    case "mass":
      return number((bar) => valueOf(bar, "mass"));
    case "shaft":
      return number((bar) => valueOf(bar, "shaftDiameter"));
    case "seats":
      return number((bar) => seatToSeatOf(bar)?.value ?? null);
  }
}
