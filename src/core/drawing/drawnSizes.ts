import { valueOf, type Bar } from "../bars/bar";
import { FAMILIES, type FamilyKey } from "../bars/families";
import { seatToSeatOf } from "../bars/lengths";
import { QUANTITIES, type QuantityKind } from "../bars/quantities";

/** The lengths a drawing needs, in mm, all known: from the bar, else at the usual size of its family. */
export interface DrawnSizes {
  shaftDiameter: number;
  halfShaft: number;
  seat: number;
  sleeveLength: number;
  sleeveDiameter: number;
  camberDrop: number;
  camberForward: number;
  handleOffset: number;
  yokeWidth: number;
  /** Across pads and handles of a raised bar. */
  paddedWidth: number;
  handleLength: number;
  frameWidth: number;
  frameDepth: number;
  assumed: string[];
}

/** Usual sizes where the family has its own. Common practice, no source; used for drawing only. */
const USUAL: Partial<Record<FamilyKey, Partial<Record<QuantityKind, number>>>> = {
  yoke: { camberDrop: 80, camberForward: 90, rackSpanInner: 420 },
  "low-yoke": { camberDrop: 92, camberForward: 120, rackSpanInner: 460, handleLength: 160 },
  "adjustable-yoke": { camberDrop: 60, camberForward: 150, rackSpanInner: 440, handleLength: 180 },
  cambered: { camberDrop: 300, rackSpanInner: 640 },
  "cambered-yoke": { camberDrop: 300, rackSpanInner: 640 },
  bowed: { camberDrop: 75 },
  "closed-frame": { handleLength: 130, handleOffset: 100 },
  "open-frame": { handleLength: 150, handleOffset: 60 },
  "multi-grip": { frameWidth: 560, frameDepth: 230 },
  curl: { shaftLength: 800, sleeveLength: 160 },
};

const GENERAL: Partial<Record<QuantityKind, number>> = {
  shaftDiameter: 29,
  shaftLength: 1310,
  collarThickness: 30,
  sleeveLength: 400,
  sleeveDiameter: 50,
  camberDrop: 0,
  camberForward: 0,
  handleOffset: 0,
  yokeWidth: 1230,
  rackSpanInner: 460,
  handleLength: 200,
  frameWidth: 620,
  frameDepth: 560,
};

/** Sizes that matter to each form; others are never reported as assumed. */
const RELEVANT: Record<string, readonly QuantityKind[]> = {
  straight: [],
  yoke: ["camberDrop", "camberForward", "yokeWidth", "handleLength"],
  cambered: ["camberDrop", "yokeWidth"],
  bowed: ["camberDrop"],
  frame: ["frameWidth", "frameDepth", "handleOffset"],
  "multi-grip": ["frameWidth", "frameDepth"],
  zigzag: [],
};

/**
 * The sizes a bar is drawn with: its own, else the usual of its family.
 *
 * @returns mm, with the names of what was assumed
 */
export function drawnSizes(bar: Bar): DrawnSizes {
  const { form } = FAMILIES[bar.family];
  const relevant = new Set<QuantityKind>(["shaftDiameter", "shaftLength", "sleeveLength", ...RELEVANT[form]!]);
  const assumed: string[] = [];
  const size = (kind: QuantityKind) => {
    const known = valueOf(bar, kind);
    if (known === null && relevant.has(kind)) assumed.push(QUANTITIES[kind].label);
    return known ?? USUAL[bar.family]?.[kind] ?? GENERAL[kind]!;
  };
  const halfShaft = size("shaftLength") / 2;
  return {
    shaftDiameter: size("shaftDiameter"),
    halfShaft,
    seat: (seatToSeatOf(bar)?.value ?? 2 * halfShaft + 2 * size("collarThickness")) / 2,
    sleeveLength: size("sleeveLength"),
    sleeveDiameter: size("sleeveDiameter"),
    camberDrop: size("camberDrop"),
    camberForward: size("camberForward"),
    handleOffset: size("handleOffset"),
    // The drop to the sleeves lies inside the collars, whatever the record says.
    yokeWidth: Math.min(valueOf(bar, "rackSpanOuter") ?? size("yokeWidth"), 2 * halfShaft - 20),
    paddedWidth: size("rackSpanInner"),
    handleLength: size("handleLength"),
    frameWidth: size("frameWidth"),
    frameDepth: size("frameDepth"),
    assumed,
  };
}
