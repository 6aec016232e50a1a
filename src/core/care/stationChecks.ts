import { addDays, type HallDay } from "../units/hallDay";

/** What holds a station together and wears. Common practice, no source. */
export const STATION_PARTS = ["bolts", "pins", "liners", "pads"] as const;
export type StationPart = (typeof STATION_PARTS)[number];

export const STATION_FOUNDS = ["sound", "worn", "loose", "cracked", "missing"] as const;
export type StationFound = (typeof STATION_FOUNDS)[number];

interface PartFacts {
  name: string;
  /** What is done, in one line. */
  how: string;
  /** Days between two looks; ours. */
  days: number;
  /** One person, one station; ours. */
  minutes: number;
  kinds: readonly ("rack" | "bench" | "platform" | "floor")[];
}

/** Parts of stations, what is looked at, and how often. The maker’s own intervals come first. */
export const STATION_PART_FACTS: Record<StationPart, PartFacts> = {
  bolts: {
    name: "bolts and anchors",
    how: "Every bolt by hand, then with a spanner: none turns. The frame does not rock.",
    days: 30,
    minutes: 4,
    kinds: ["rack", "bench"],
  },
  pins: {
    name: "pins, J-cups and safeties",
    how: "Pins straight and whole, locks snap in, safeties sit level, no crack at a weld.",
    days: 14,
    minutes: 3,
    kinds: ["rack", "bench"],
  },
  liners: {
    name: "liners of the J-cups",
    how: "Plastic whole and tight: no bare steel touches a shaft.",
    days: 30,
    minutes: 2,
    kinds: ["rack", "bench"],
  },
  pads: {
    name: "pad and frame of the bench",
    how: "Pad tight, no tear, feet level.",
    days: 30,
    minutes: 2,
    kinds: ["bench"],
  },
};

/** Parts with which nobody lifts until they are put right, by what was found. */
const GRAVE: Partial<Record<StationFound, readonly StationPart[]>> = {
  cracked: STATION_PARTS,
  missing: ["bolts", "pins"],
  loose: ["bolts", "pins"],
};

/**
 * Whether a station is out of use after a look.
 *
 * @returns true for a crack anywhere, and for bolts or pins that are loose or missing
 */
export const isGrave = (part: StationPart, found: StationFound): boolean => GRAVE[found]?.includes(part) ?? false;

/**
 * What is looked at on a kind of station.
 *
 * @returns parts in the order of a round; none for platforms and floors
 */
export const partsOfStation = (kind: PartFacts["kinds"][number]): StationPart[] =>
  STATION_PARTS.filter((part) => STATION_PART_FACTS[part].kinds.includes(kind));

/**
 * When a part is due again.
 *
 * @param doneOn the last look; null where nobody has looked: then it is due today
 * @returns a day
 */
export const stationDueOn = (part: StationPart, doneOn: HallDay | null, today: HallDay): HallDay =>
  doneOn === null ? today : addDays(doneOn, STATION_PART_FACTS[part].days);
