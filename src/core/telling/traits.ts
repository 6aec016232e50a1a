import { type Bar, type Finish, valueOf } from "../bars/bar";
import { type BarForm, FAMILIES } from "../bars/families";

/*
 * What somebody who stands before a wall can say of a bar without a tool, in the order in which it is plain: its shape
 * and colour, then thickness, collar, where the knurl stops, the middle, rings, length, and how the sleeve turns. Common practice, no
 * source; the order and what is told apart by eye and hand are house figures.
 */

export const TRAITS = [
  "shape",
  "colour",
  "thickness",
  "collar",
  "knurlStop",
  "centreKnurl",
  "marks",
  "length",
  "spin",
] as const;
export type Trait = (typeof TRAITS)[number];

/** A word where kinds differ, a number in mm where sizes do, null where nobody knows. */
export type TraitValue = string | number | null;

/** A bar as somebody sees it who does not know which it is. */
export interface SeenBar {
  tag: string;
  traits: Record<Trait, TraitValue>;
}

/** From here on two sizes are told apart by hand or eye, in mm, where the bars can be held side by side. Ours, to start from. */
export const TOLD_APART_MM: Partial<Record<Trait, number>> = { thickness: 1.5, collar: 8, knurlStop: 20, length: 60 };

/** A sleeve that turns longer than this after a push spins on, in s. Ours, to start from. */
const SPINS_ON_S = 4;

/** How finishes look from a step away; what is coated can have any colour. */
const COLOURS: Record<Finish, string> = {
  bare: "grey",
  "black-oxide": "black",
  "black-zinc": "black",
  "bright-zinc": "bright",
  "hard-chrome": "bright",
  stainless: "bright",
  "e-coat": "coated",
  ceramic: "coated",
};

/**
 * What eye and hand find of a bar, from its measurements.
 *
 * @returns every trait; lengths in mm, null where nobody stated or measured it
 */
export function seenBar(bar: Bar): SeenBar {
  const { form } = FAMILIES[bar.family];
  const isStraight = form === "straight";
  return {
    tag: bar.tag,
    traits: {
      shape: shapeOf(bar, form),
      colour: bar.finish && COLOURS[bar.finish],
      thickness: valueOf(bar, "shaftDiameter"),
      collar: isStraight ? valueOf(bar, "collarThickness") : null,
      knurlStop: isStraight ? bar.plainGapMm : null,
      centreKnurl: isStraight ? bar.centreKnurl : null,
      // Nobody looks for rings on a pad or a frame: there are none.
      marks: isStraight ? bar.ringMarks : (bar.ringMarks ?? "none"),
      length: valueOf(bar, "overallLength"),
      spin: spinOf(bar),
    },
  };
}

/** Forms of one word can look different: a frame that is open on one side is seen at once. */
function shapeOf(bar: Bar, form: BarForm): string {
  if (bar.family === "open-frame") return "open-frame";
  if (bar.family === "cambered-yoke") return "cambered-yoke";
  return form;
}

function spinOf(bar: Bar): string | null {
  if (bar.sleeveRotation === "fixed") return "fixed";
  const seconds = valueOf(bar, "spinDown");
  if (seconds !== null) return seconds > SPINS_ON_S ? "on" : "little";
  if (bar.sleeveRotation === null) return null;
  return bar.sleeveRotation === "bushing" ? "little" : "on";
}
