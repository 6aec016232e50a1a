import { fixed, signed, trimmed } from "../units/format";
import { bendingBarOf, type BendingBar } from "../whip/bendingBar";
import { assumedPlates } from "../whip/assumedPlates";
import { whip } from "../whip/closedForm";
import type { Bar } from "./bar";
import type { FlaggedGap } from "./flaggedGaps";

/** The load at which a difference in length or thickness is told as slack: a deadlift that many people do. */
const TOLD_AT_KG = 200;
const DEADLIFT_HALF_SPACING_MM = 220;

/**
 * What a gap between measured and stated changes for the people who use the bar, in one clause without a full stop.
 * Slack is told for a 200 kg deadlift when the bar is known well enough, by the closed form of handbook §5.
 *
 * @returns a clause without a full stop
 *
 * @example gapMeaning(bar, { kind: "mass", gap: 0.4, tolerance: 0.2 }) // "0.4 kg heavier: every load is off by that"
 */
export function gapMeaning(bar: Bar, { kind, gap }: Pick<FlaggedGap, "kind" | "gap">): string {
  const size = (decimals: number, unit = "mm") => `${trimmed(Math.abs(gap), decimals)} ${unit}`;
  const more = gap > 0;
  switch (kind) {
    case "mass":
      return `${size(2, "kg")} ${more ? "heavier" : "lighter"}: every load worked out from the label is off by that`;
    case "shaftDiameter": {
      const stated = bar.quantities.shaftDiameter!.value - gap;
      const stiffer = (((stated + gap) / stated) ** 4 - 1) * 100;
      const words = `${size(2)} ${more ? "thicker" : "thinner"}: the shaft is ${fixed(Math.abs(stiffer), 1)} % ${more ? "stiffer" : "softer"} than stated`;
      return words + slackWords(bar, (own) => ({ ...own, shaftDiameterMm: stated }));
    }
    case "shaftLength":
    case "collarThickness":
    case "seatToSeat": {
      const wider = kind === "collarThickness" ? 2 * gap : gap;
      const [much, little] = kind === "collarThickness" ? ["thicker", "thinner"] : ["longer", "shorter"];
      return (
        `${size(1)} ${more ? much : little} than stated: the plates sit ${trimmed(Math.abs(wider), 1)} mm ${more ? "further apart" : "closer together"}` +
        slackWords(bar, (own) => ({ ...own, seatToSeatMm: own.seatToSeatMm - wider }))
      );
    }
    case "sleeveLength":
      return `${size(1)} ${more ? "more" : "less"} room for plates on each side`;
    case "sleeveDiameter":
      return more ? `${size(2)} thicker: tight plates may not go on` : `${size(2)} thinner: plates sit looser`;
    case "overallLength":
      return `${size(1)} ${more ? "longer" : "shorter"}: mind the wall and the next rack`;
    case "camberDrop":
      return `the middle lies ${size(0)} ${more ? "further from" : "nearer to"} the sleeves: J-cups and safeties move with it`;
    case "camberForward":
      return `the load lies ${size(0)} ${more ? "further forward" : "further back"}: the bar rolls differently`;
    case "rackSpanInner":
      return more ? "it may not fit a narrow rack that it should" : "it fits narrower racks than stated";
    case "rackSpanOuter":
    case "yokeWidth":
      return more ? "it fits wider racks than stated" : "it may not fit a wide rack that it should";
    case "jCupOffset":
    case "lowestPart":
      return "J-cup and safety heights worked out from the label are off by that";
    default:
      return `${signed(gap, 2)} against what is stated`;
  }
}

/** ", 1.2 mm more slack at 200 kg", or nothing when that cannot be said or is too little to say. */
function slackWords(bar: Bar, asStated: (own: BendingBar) => BendingBar): string {
  const own = bendingBarOf(bar);
  const mass = bar.quantities.mass?.value ?? 20;
  if (!own.ok) return "";
  const plates = assumedPlates((TOLD_AT_KG - mass) / 2);
  const [is, said] = [own.bar, asStated(own.bar)].map((one) => whip(one, DEADLIFT_HALF_SPACING_MM, plates));
  if (!is || !said) return "";
  const difference = is.deflectionMm - said.deflectionMm;
  if (Math.abs(difference) < 0.05) return "";
  return `, ${fixed(Math.abs(difference), 1)} mm ${difference > 0 ? "more" : "less"} slack in a ${TOLD_AT_KG} kg deadlift`;
}
