import type { FieldDef, HANDLES_POINT, HANGS_WAYS } from "../bars/barFields";
import { listed } from "../units/format";

export const PLACE_KINDS = ["wall-horizontal", "wall-vertical", "rack", "floor"] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

export const PLACE_KIND_WORDS: Record<PlaceKind, string> = {
  "wall-horizontal": "wall, bars lie across",
  "wall-vertical": "wall, bars stand up",
  rack: "in a rack, on spare J-cups",
  floor: "cradle or floor",
};

/** What is kept of a place where bars hang. */
export const PLACE_FIELDS = {
  name: { kind: "text", most: 60, group: "identity", label: "name", isRequired: true },
  kind: {
    kind: "choice",
    of: PLACE_KINDS,
    words: PLACE_KIND_WORDS,
    group: "identity",
    label: "kind",
    isRequired: true,
  },
  slots: {
    kind: "number",
    unit: "",
    range: [1, 60],
    isWhole: true,
    group: "identity",
    label: "bars it holds",
    hint: "pegs, hooks or tubes",
  },
  lengthMm: {
    kind: "number",
    unit: "mm",
    range: [200, 10_000],
    group: "geometry",
    label: "longest bar it takes",
    hint: "for bars that stand: up to the ceiling",
  },
  heightMm: {
    kind: "number",
    unit: "mm",
    range: [0, 4000],
    group: "geometry",
    label: "height above the floor",
    hint: "where a bar’s middle hangs",
  },
  reachMm: {
    kind: "number",
    unit: "mm",
    range: [0, 5000],
    group: "geometry",
    label: "free room in front",
    hint: "for what sticks out and swings",
  },
  isByWalkway: { kind: "yes-no", group: "geometry", label: "people walk past" },
  stationKey: {
    kind: "text",
    most: 20,
    group: "identity",
    label: "rack",
    hint: "short name of the station, for spare J-cups",
  },
} as const satisfies Record<string, FieldDef>;

export interface StoragePlace {
  name: string;
  kind: PlaceKind;
  slots: number | null;
  lengthMm: number | null;
  heightMm: number | null;
  reachMm: number | null;
  isByWalkway: boolean | null;
  /** For a rack: pairs of J-cups it owns, of which one is for lifting; null when not known. */
  jCupPairs: number | null;
}

export interface StoredBar {
  tag: string;
  name: string;
  place: string | null;
  slot: number | null;
  overallMm: number | null;
  hangsWay: (typeof HANGS_WAYS)[number] | null;
  handlesPoint: (typeof HANDLES_POINT)[number] | null;
  sticksOutMm: number | null;
  swingMm: number | null;
  /** In words: what it must be set to when it hangs, and what it is set to now; null when nobody said. */
  storedSetting: string | null;
  presentSetting: string | null;
  /** Loose parts that were not there when it was last put away. */
  missingParts: readonly string[];
}

export interface StorageConflict {
  key: "slot" | "full" | "long" | "way" | "walkway" | "reach" | "j-cups" | "setting" | "parts" | "nowhere";
  /** Whether somebody can be hurt by it. */
  isDangerous: boolean;
  place: string | null;
  tags: readonly string[];
  text: string;
}

/** Heads of people who walk past are between these, in mm. Ours. */
const HEAD_HEIGHT = [1200, 2050] as const;
/** A bar is as low and as high as this around its place's height, handles included. Ours. */
const AROUND_MM = 150;

/**
 * What is wrong with how bars hang, the dangerous first. Nothing is assumed of what nobody measured.
 *
 * @returns conflicts with the tags concerned
 */
export function storageConflicts(places: readonly StoragePlace[], bars: readonly StoredBar[]): StorageConflict[] {
  const found: StorageConflict[] = [];
  const flag = (
    key: StorageConflict["key"],
    place: string | null,
    tags: readonly string[],
    text: string,
    isDangerous = false,
  ) => found.push({ key, isDangerous, place, tags, text });
  const byPlace = new Map(places.map((place) => [place.name, place]));
  for (const place of places) {
    const here = bars.filter((bar) => bar.place === place.name);
    if (place.slots !== null && here.length > place.slots)
      flag(
        "full",
        place.name,
        here.map(({ tag }) => tag),
        `${place.name} holds ${place.slots}, ${here.length} bars belong there.`,
      );
    const bySlot = new Map<number, string[]>();
    for (const { slot, tag } of here) if (slot !== null) bySlot.set(slot, [...(bySlot.get(slot) ?? []), tag]);
    for (const [slot, tags] of bySlot) {
      if (tags.length > 1) flag("slot", place.name, tags, `${listed(tags)} share peg ${slot} of ${place.name}.`);
      if (place.slots !== null && slot > place.slots)
        flag("slot", place.name, tags, `${place.name} has no peg ${slot}, only ${place.slots}.`);
    }
    if (place.kind === "rack" && place.jCupPairs !== null && here.length > Math.max(0, place.jCupPairs - 1))
      flag(
        "j-cups",
        place.name,
        here.map(({ tag }) => tag),
        `${place.name} has ${place.jCupPairs} ${place.jCupPairs === 1 ? "pair" : "pairs"} of J-cups and one is for lifting: ${
          place.jCupPairs > 1 ? `${place.jCupPairs - 1} can store a bar` : "no pair is spare to store a bar"
        }.`,
      );
  }
  for (const bar of bars) {
    const place = bar.place === null ? undefined : byPlace.get(bar.place);
    const said = `${bar.tag} ${bar.name}`;
    if (!place) {
      flag("nowhere", null, [bar.tag], `${said} hangs nowhere: give it a place.`);
    } else {
      const isUp = place.kind === "wall-vertical";
      if (place.lengthMm !== null && bar.overallMm !== null && bar.overallMm > place.lengthMm)
        flag(
          "long",
          place.name,
          [bar.tag],
          `${said} is ${Math.round(bar.overallMm)} mm long, ${place.name} takes ${place.lengthMm} mm.`,
        );
      if (bar.hangsWay && bar.hangsWay !== "either" && place.kind !== "floor" && (bar.hangsWay === "vertical") !== isUp)
        flag(
          "way",
          place.name,
          [bar.tag],
          `${said} must hang ${bar.hangsWay}, ${place.name} is ${isUp ? "for bars that stand" : "for bars that lie across"}.`,
        );
      const out = (bar.sticksOutMm ?? 0) + (bar.swingMm ?? 0);
      if (bar.handlesPoint === "room" && (bar.sticksOutMm ?? 0) > 0 && place.isByWalkway && isAtHead(place.heightMm))
        flag(
          "walkway",
          place.name,
          [bar.tag],
          `${said}: handles point ${Math.round(bar.sticksOutMm!)} mm into a walkway at head height. Turn them to the wall or hang it elsewhere.`,
          true,
        );
      if (place.reachMm !== null && bar.handlesPoint !== "wall" && out > place.reachMm)
        flag(
          "reach",
          place.name,
          [bar.tag],
          `${said} sticks out and swings ${Math.round(out)} mm, ${place.name} has ${place.reachMm} mm of room.`,
        );
    }
    if (bar.storedSetting && bar.presentSetting && bar.presentSetting !== bar.storedSetting)
      flag(
        "setting",
        bar.place,
        [bar.tag],
        `${said} should hang at ${bar.storedSetting}; it is at ${bar.presentSetting}.`,
      );
    if (bar.missingParts.length > 0)
      flag("parts", bar.place, [bar.tag], `${said}: ${listed(bar.missingParts)} missing when it was put away.`, true);
  }
  return found.sort((a, b) => Number(b.isDangerous) - Number(a.isDangerous));
}

const isAtHead = (heightMm: number | null) =>
  heightMm === null || (heightMm + AROUND_MM >= HEAD_HEIGHT[0] && heightMm - AROUND_MM <= HEAD_HEIGHT[1]);

/**
 * The lowest peg that no bar hangs on; null when the place does not count its pegs or all are taken.
 *
 * @returns the peg's number from 1, or null
 */
export function freeSlot(place: Pick<StoragePlace, "slots">, taken: readonly (number | null)[]): number | null {
  if (place.slots === null) return null;
  for (let slot = 1; slot <= place.slots; slot += 1) if (!taken.includes(slot)) return slot;
  return null;
}

export interface LoosePart {
  name: string;
  count: number;
}

/**
 * "4 pins" is four of pins; a line without a number is one.
 *
 * @returns names and counts
 */
export function readLooseParts(lines: readonly string[]): LoosePart[] {
  return lines.map((line) => {
    const [, count, name] = /^(\d{1,3})\s+(.+)$/.exec(line.trim()) ?? [];
    return count ? { name: name!, count: Number(count) } : { name: line.trim(), count: 1 };
  });
}

/**
 * What of the loose parts is not there by a count, in words: "1 of 4 pins". More than there should be is a miscount.
 *
 * @returns words for each part that is short
 */
export function missingParts(parts: readonly LoosePart[], counted: readonly number[]): string[] {
  return parts.flatMap(({ name, count }, i) => {
    const there = counted[i] ?? 0;
    return there < count ? [`${count - there} of ${count} ${name}`] : [];
  });
}
