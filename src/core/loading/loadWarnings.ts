import { IRON_TO_RUBBER, ironShareVerdict, isBlowCarried, MAX_KG_PER_RUBBER_MM } from "./endings";
import { isFullDiameter, isRubber } from "./plateKind";
import type { LoadQuestion } from "./question";
import type { Side } from "./side";

export interface LoadWarning {
  code:
    | "rating-near"
    | "iron-share"
    | "full-diameter-iron"
    | "material-unknown"
    | "thickness-unknown"
    | "blow-unknown"
    | "not-proven";
  message: string;
}

/** Over this share of the rating a load is warned about. House rule to start from. */
export const RATING_WARN_SHARE = 0.8;

/**
 * Everything that is allowed but should be known before the plates go on.
 *
 * @returns warnings with their codes, the gravest first
 */
export function loadWarnings(
  question: LoadQuestion,
  side: Side,
  achievedUnits: number,
  perSide: readonly string[],
  isProven: boolean,
): LoadWarning[] {
  const used = question.plates.filter(({ id }) => perSide.includes(id));
  const warnings: LoadWarning[] = [];
  const warn = (code: LoadWarning["code"], message: string) => warnings.push({ code, message });

  if (question.ratedUnits !== null && achievedUnits > question.ratedUnits * RATING_WARN_SHARE)
    warn(
      "rating-near",
      `This is ${Math.round((100 * achievedUnits) / question.ratedUnits)} % of what the bar may carry.`,
    );
  if (question.roomMm !== null && used.some(({ thicknessMm }) => thicknessMm === null))
    warn("thickness-unknown", "A plate's thickness is unknown, so the sleeve may be too short: measure it.");
  if (question.ending === "dropped") {
    const rule = question.ironToRubber ?? IRON_TO_RUBBER;
    if (ironShareVerdict(side, rule) === "warn")
      warn(
        "iron-share",
        `Iron is ${Math.round((100 * side.ironUnits) / side.rubberUnits)} % of the rubber; the gym warns over ${Math.round(100 * rule.warn)} % when dropping.`,
      );
    if (used.some((plate) => !isRubber(plate) && isFullDiameter(plate)))
      warn(
        "full-diameter-iron",
        "A full-diameter iron plate reaches the floor with the rubber: put it away or lower the bar.",
      );
    if (used.some(({ material }) => material === null))
      warn("material-unknown", "A plate's material is unknown and counts as iron.");
    if (isBlowCarried(side, achievedUnits, question.maxKgPerRubberMm ?? MAX_KG_PER_RUBBER_MM) === "unknown")
      warn("blow-unknown", "The rubber's thickness is unknown: measure it to know whether it takes the impact.");
  }
  if (!isProven) warn("not-proven", "Too many different plates to prove the nearest load in time.");
  return warnings;
}
