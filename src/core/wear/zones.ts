import type { Bar } from "../bars/bar";
import { drawnSizes } from "../drawing/drawnSizes";
import { KNURL_INNER_MM } from "../drawing/straight";

/** Parts of a bar from its left end to its right one, as somebody points at them. */
export const ZONES = [
  "left-sleeve",
  "left-collar",
  "left-knurl",
  "middle",
  "right-knurl",
  "right-collar",
  "right-sleeve",
] as const;
export type Zone = (typeof ZONES)[number];

export const ZONE_NAMES: Record<Zone, string> = {
  "left-sleeve": "left sleeve",
  "left-collar": "left collar",
  "left-knurl": "left knurl",
  middle: "middle",
  "right-knurl": "right knurl",
  "right-collar": "right collar",
  "right-sleeve": "right sleeve",
};

/**
 * What was found, with its place; once, where the words name the place already.
 *
 * @returns "rust, left knurl"
 */
export const foundAt = (found: string, zone: Zone | null): string =>
  zone === null || found.toLowerCase().includes(ZONE_NAMES[zone]) ? found : `${found}, ${ZONE_NAMES[zone]}`;

/** Left and right are as the bar hangs on the wall, seen from the room. */
export const SIDES_ARE = "Left and right as it hangs on the wall.";

/**
 * Where a part of a bar lies, in mm from its middle, positive to the right.
 *
 * @returns its two ends, the left one first
 */
export function zoneSpan(bar: Bar, zone: Zone): { fromMm: number; toMm: number } {
  const { halfShaft, seat, sleeveLength } = drawnSizes(bar);
  const inner = Math.min(KNURL_INNER_MM, halfShaft / 2);
  const outer = halfShaft - Math.min(bar.plainGapMm ?? 0, halfShaft - inner - 20);
  switch (zone) {
    case "middle":
      return { fromMm: -inner, toMm: inner };
    case "right-knurl":
      return { fromMm: inner, toMm: outer };
    case "right-collar":
      return { fromMm: outer, toMm: seat };
    case "right-sleeve":
      return { fromMm: seat, toMm: seat + sleeveLength };
    default: {
      const { fromMm, toMm } = zoneSpan(bar, zone.replace("left", "right") as Zone);
      return { fromMm: -toMm, toMm: -fromMm };
    }
  }
}

/**
 * The part of a bar at a place of it.
 *
 * @param atMm from the middle, positive to the right
 * @returns the zone; the sleeve for what lies beyond it
 */
export function zoneAt(bar: Bar, atMm: number): Zone {
  const side = atMm < 0 ? "left" : "right";
  const off = Math.abs(atMm);
  if (off <= zoneSpan(bar, "middle").toMm) return "middle";
  if (off <= zoneSpan(bar, "right-knurl").toMm) return `${side}-knurl`;
  return off <= zoneSpan(bar, "right-collar").toMm ? `${side}-collar` : `${side}-sleeve`;
}

/** Something that was found at a part of a bar, as its strip shows it. */
export interface FoundAlong {
  zone: Zone;
  /** Exactly, where that is known: a bend by three turns of the dial. */
  atMm?: number;
  text: string;
  /** Day. */
  on: string;
  isOpen: boolean;
}
