import { balance, type Figure } from "../balance/balance";
import type { CarryKey } from "../balance/carry";
import { carryOn } from "../balance/carryOn";
import type { Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import type { UsePart } from "./useCards";

/** A step as the side view shows it: the model's figure under this bar. */
export interface StepFigure {
  figure: Figure;
  carry: CarryKey;
  isHanging: boolean;
}

/** Somebody of no particular size: what is shown is where things are, not how this lifter stands. */
export const SHOWN_LIFTER = { heightMm: 1750, massKg: 80 };
const SHOWN_LOAD_KG = 60;
/** Nearly upright, halfway, and thighs level. */
const THIGHS_DEG: Partial<Record<UsePart, number>> = { in: 80, elbows: 80, stays: 35, through: 0, out: 80 };

/**
 * The picture of a step: the balance model's figure for bars that are carried on the back; nothing for others, and for
 * what no side view shows.
 *
 * @returns null where the bar's own drawing says more
 */
export function stepFigure(bar: Bar, part: UsePart): StepFigure | null {
  const thighAngleDeg = THIGHS_DEG[part];
  const { form } = FAMILIES[bar.family];
  const isOnBack =
    form === "yoke" || form === "cambered" || ["power", "squat", "all-round", "bowed"].includes(bar.family);
  if (thighAngleDeg === undefined || !isOnBack) return null;
  const carried = carryOn(bar, "back-squat-high");
  if (!carried) return null;
  // Upright the shank stands too; down it leans as the carry has it.
  const shankLeanDeg = carried.shankLeanDeg * (1 - thighAngleDeg / 90);
  const found = balance({
    lifter: SHOWN_LIFTER,
    pose: { shankLeanDeg, thighAngleDeg },
    carry: carried.carry,
    loadKg: SHOWN_LOAD_KG,
  });
  return found && { figure: found.figure, carry: carried.key, isHanging: carried.carry.camber === "hanging" };
}
