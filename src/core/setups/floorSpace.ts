import { listed, trimmed } from "../units/format";

/** A floor as it is paced out, in mm. */
export interface FloorSize {
  widthMm: number;
  depthMm: number;
}

export const FLOOR_RANGE_MM = [2000, 60_000] as const;

/** Between the ends of two bars side by side, and from the front of one lifter to the next row's. Ours. */
export const BAR_GAP_MM = 600;
export const ROW_MM = 2000;

/** People with a bar each on a floor, in rows. */
export interface PeopleRows {
  perRow: number;
  rows: number;
  people: number;
  /** What is left beside the bars of a row, in mm. */
  spareMm: number;
}

/**
 * How many people lift in rows, each with a bar of some length across the floor: bars end to end with a gap between
 * them, rows one behind the other.
 *
 * @param gapMm between the ends of two bars
 * @param rowMm from row to row
 * @returns counts; nobody where not even one bar fits
 */
export function peopleInRows(
  { widthMm, depthMm }: FloorSize,
  barMm: number,
  gapMm = BAR_GAP_MM,
  rowMm = ROW_MM,
): PeopleRows {
  const perRow = Math.max(0, Math.floor((widthMm + gapMm) / (barMm + gapMm) + 1e-9));
  const rows = Math.max(0, Math.floor(depthMm / rowMm + 1e-9));
  return {
    perRow,
    rows,
    people: perRow * rows,
    spareMm: perRow === 0 ? widthMm : widthMm - perRow * barMm - (perRow - 1) * gapMm,
  };
}

/** A bar that is stored in spare J-cups of a rack. */
export interface RackStored {
  tag: string;
  /** Height of the J-cups that hold it, above the floor. */
  heightMm: number;
}

/** Somebody's hole in that rack. */
export interface UsedHole {
  who: string;
  hole: number;
  heightMm: number;
}

/** A bar, hands and plates want so much above and below the J-cups that are lifted from. Ours. */
export const CLEAR_MM = 250;

/** Whether a stored bar leaves the cage usable, for whom not, and by how much. */
export interface CageUse {
  tag: string;
  /** Who has to hang it elsewhere first. */
  blocked: UsedHole[];
  /** The least distance to a hole that somebody uses; null where nobody uses any. */
  nearestMm: number | null;
  text: string;
}

/**
 * Whether bars stored in a rack's spare J-cups leave the cage usable: each stored bar against every hole that somebody
 * lifts from there.
 *
 * @returns one answer a bar, with distances in mm
 */
export function cageUse(stored: readonly RackStored[], used: readonly UsedHole[], clearMm = CLEAR_MM): CageUse[] {
  return stored.map(({ tag, heightMm }) => {
    const off = (one: UsedHole) => Math.abs(one.heightMm - heightMm);
    const blocked = used.filter((one) => off(one) < clearMm);
    const nearestMm = used.length === 0 ? null : Math.min(...used.map(off));
    const at = `${tag} hangs at ${trimmed(heightMm, 0)} mm`;
    const text =
      nearestMm === null
        ? `${at}; no saved hole for this rack.`
        : blocked.length === 0
          ? `${at}, clear of every hole that someone uses here by ${trimmed(nearestMm, 0)} mm or more: the cage stays usable.`
          : `${at}, ${trimmed(nearestMm, 0)} mm from a hole in use: ${listed(blocked.map(({ who, hole }) => `${who} (hole ${hole})`))} must hang it elsewhere first.`;
    return { tag, blocked, nearestMm, text };
  });
}

/**
 * How far two places of a floor sketch lie apart.
 *
 * @param from in thousandths of the floor's width and depth
 * @returns mm
 */
export function floorDistanceMm(
  { widthMm, depthMm }: FloorSize,
  from: { x: number; y: number },
  to: { x: number; y: number },
): number {
  return Math.hypot(((from.x - to.x) / 1000) * widthMm, ((from.y - to.y) / 1000) * depthMm);
}
