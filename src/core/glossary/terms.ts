import type { FamilyKey } from "../bars/families";
import type { QuantityKind } from "../bars/quantities";

/** A word of the trade: what it means, and where on a bar it is seen. */
export interface Term {
  word: string;
  /** Other words for it. */
  also?: readonly string[];
  meaning: string;
  /** A bar from x to x in mm from its middle, with the part marked; or a bent shaft. */
  drawing:
    | { family: FamilyKey; from: number; to: number; mark: readonly [from: number, to: number] }
    | "whip"
    | "runout"
    | "roll"
    | "j-cups";
}

const term = (word: string, meaning: string, drawing: Term["drawing"], also?: readonly string[]): Term => ({
  ...{ word, meaning, drawing },
  ...(also ? { also } : {}),
});
const on = (family: FamilyKey, from: number, to: number, mark: readonly [number, number]) => ({
  family,
  from,
  to,
  mark,
});

/** Common practice, no source; what is measured and how stands in the handbook of the trade. */
export const TERMS = {
  shaft: term(
    "shaft",
    "The part between the collars that the hands hold. Its diameter decides grip and stiffness.",
    on("power", -720, 720, [-655, 655]),
  ),
  collar: term(
    "collar",
    "The shoulder that the plates rest against. It is part of the bar; the clamp goes outside the plates.",
    on("power", 520, 820, [655, 685]),
  ),
  seat: term(
    "seat",
    "The outer face of a collar, where the first plate sits. Seat to seat is how far apart the weights are.",
    on("power", 560, 860, [680, 690]),
  ),
  sleeve: term(
    "sleeve",
    "The end that carries the plates. Its loadable length is from the seat to the end cap.",
    on("power", 560, 1130, [685, 1100]),
  ),
  knurl: term(
    "knurl",
    "The cut pattern that gives grip: light, medium or sharp. It wears, and holds chalk and damp.",
    on("power", 0, 700, [120, 640]),
  ),
  "centre-knurl": term(
    "centre knurl",
    "Knurl in the middle, so that a bar does not slip on the back. It scrapes shins and throat in other lifts.",
    on("power", -260, 260, [-60, 60]),
  ),
  "ring-marks": term(
    "ring marks",
    "Smooth rings in the knurl that show where to hold, 810 or 910 mm apart.",
    on("power", 300, 560, [395, 415]),
    ["knurl rings"],
  ),
  whip: term(
    "whip",
    "How far a loaded bar bends before the plates leave the floor, and springs back. Not a measure of strength.",
    "whip",
  ),
  runout: term(
    "runout (TIR)",
    "How far the middle of the shaft strays when the bar is turned on its ends: total indicator reading. A bent bar has more.",
    "runout",
    ["TIR", "total indicator reading"],
  ),
  camber: term(
    "camber",
    "A bend that puts the plates below, above or ahead of the hands or the back. Drop is how far below, forward how far ahead.",
    on("cambered", -1100, 1100, [-690, 690]),
  ),
  pad: term(
    "pads and yoke",
    "Padded arms over the shoulders of a safety squat bar: it stays there without the hands holding it back.",
    on("yoke", -420, 420, [-260, 260]),
    ["yoke"],
  ),
  "j-cups": term(
    "J-cups",
    "The hooks of a rack that a bar lies in. Each hole up or down is one step of their height.",
    "j-cups",
    ["hooks"],
  ),
  "end-play": term(
    "end play",
    "How far a sleeve slides in and out on the shaft. More than a millimetre or two is heard, and worn.",
    on("weightlifting", 600, 1120, [685, 1100]),
  ),
  "spin-down": term(
    "spin-down",
    "Seconds until an empty sleeve that was spun by hand stops. Short means dirt, dry grease or a bent shaft.",
    on("weightlifting", 600, 1120, [685, 1100]),
  ),
  roll: term(
    "roll",
    "The turn that a load ahead of or behind the contact gives a bar: it wants to roll forward or off the back.",
    "roll",
    ["roll torque"],
  ),
} as const satisfies Record<string, Term>;

export type TermKey = keyof typeof TERMS;
export const TERM_KEYS = Object.keys(TERMS) as TermKey[];

/** Quantities that are named after a word of the trade. */
export const TERM_OF_QUANTITY: Partial<Record<QuantityKind, TermKey>> = {
  ...{ shaftDiameter: "shaft", shaftLength: "shaft", collarThickness: "collar", seatToSeat: "seat" },
  ...{ sleeveLength: "sleeve", sleeveDiameter: "sleeve", runout: "runout", endPlay: "end-play", spinDown: "spin-down" },
  ...{ camberDrop: "camber", camberForward: "camber", jCupOffset: "j-cups", knurlDepth: "knurl", knurlPitch: "knurl" },
};
