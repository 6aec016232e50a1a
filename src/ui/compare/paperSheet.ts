import { comparisonSheet } from "@/core/drawing/comparisonSheet";
import type { SvgSheet } from "@/core/drawing/svgText";
import type { Comparison } from "@/server/compare";
import { INKS } from "./inks";

/** How much the bend is exaggerated, on screen and on paper alike. */
export const EXAGGERATION = 5;

/** Stands beside every number about bending. */
export const CAUTION = "Whip is not strength, and the margin is not a rating: never over the seller’s limit.";

/** A comparison's drawing for files and prints. */
export function paperSheet({ items, handsMm, lift, state }: Comparison): SvgSheet {
  return comparisonSheet(items, {
    handsMm,
    exaggeration: EXAGGERATION,
    supportWord: lift.contact === "back" ? "back" : "hands",
    inks: INKS,
    title: `${items.map(({ bar }) => bar.tag).join(", ")}: ${lift.name}, ${state.loadText} kg in all`,
  });
}
