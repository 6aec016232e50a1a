import { BAR_STATES, FINISHES, type BarState, type Finish } from "./bar";
import { FAMILY_KEYS, type FamilyKey } from "./families";
import { QUANTITY_KINDS, type QuantityKind } from "./quantities";

export const WALL_SORTS = ["tag", "name", "place", "family", "state", ...QUANTITY_KINDS] as const;
export type WallSort = (typeof WALL_SORTS)[number];

/** What is on the wall, as the address says it. Anything that is not understood counts as not said. */
export interface WallQuery {
  state: BarState | "usable" | "";
  family: FamilyKey | "";
  finish: Finish | "";
  /** Name of a place. */
  place: string;
  text: string;
  sort: WallSort;
  isDescending: boolean;
  /** Effective values from one number to another, either of them open. */
  ranges: Partial<Record<QuantityKind, Range>>;
  /** Tags picked for comparison, in the order picked. */
  picked: string[];
}

export interface Range {
  from: number | null;
  to: number | null;
}

export const MAX_PICKED = 6;

/**
 * A query of the wall from the address of its page.
 *
 * @returns the query; what is not understood is as it starts
 */
export function readWallQuery(search: Record<string, string | undefined>): WallQuery {
  const one = <T extends string>(value: string | undefined, of: readonly T[]) => of.find((item) => item === value);
  return {
    state: one(search.state, [...BAR_STATES, "usable" as const]) ?? "",
    family: one(search.family, FAMILY_KEYS) ?? "",
    finish: one(search.finish, FINISHES) ?? "",
    place: (search.place ?? "").slice(0, 60),
    text: (search.q ?? "").slice(0, 60),
    sort: one(search.sort, WALL_SORTS) ?? "tag",
    isDescending: search.down === "1",
    ranges: Object.fromEntries(
      QUANTITY_KINDS.flatMap((kind) => {
        const range = readRange(search[kind]);
        return range ? [[kind, range]] : [];
      }),
    ),
    picked: readTags(search.pick, MAX_PICKED),
  };
}

/**
 * The parameters that say a query; what is as it starts is left out. Null takes one away.
 *
 * @returns parameters by name
 */
export function wallParams(query: WallQuery): Record<string, string | null> {
  const said = (text: string) => (text === "" ? null : text);
  return {
    state: said(query.state),
    family: said(query.family),
    finish: said(query.finish),
    place: said(query.place),
    q: said(query.text),
    sort: query.sort === "tag" ? null : query.sort,
    down: query.isDescending ? "1" : null,
    ...Object.fromEntries(Object.entries(query.ranges).map(([kind, range]) => [kind, rangeText(range)])),
    pick: said(query.picked.join(",")),
  };
}

const RANGE = /^(-?\d{1,5}(?:\.\d{1,3})?)?\.\.(-?\d{1,5}(?:\.\d{1,3})?)?$/;

/**
 * "19..21", "..21" or "19.."; null for anything else, an empty range included.
 *
 * @returns ends in the quantity's unit, null where open; null for no range
 */
export function readRange(text: string | undefined): Range | null {
  const match = RANGE.exec(text ?? "");
  if (!match || (match[1] === undefined && match[2] === undefined)) return null;
  return {
    from: match[1] === undefined ? null : Number(match[1]),
    to: match[2] === undefined ? null : Number(match[2]),
  };
}

/**
 * A range as `readRange` reads it.
 *
 * @returns "19..21", "..21" or "19.."
 */
export function rangeText({ from, to }: Range): string {
  return `${from ?? ""}..${to ?? ""}`;
}

/**
 * A comma-separated list of tags, each once.
 *
 * @returns tags in the order given, at most `most`
 */
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
