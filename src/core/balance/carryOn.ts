import { valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { CARRIES, type Carry, type CarryKey } from "./carry";

export interface CarriedBar {
  key: CarryKey;
  carry: Carry;
  shankLeanDeg: number;
  /** Share of the bar's own mass that lies at the contact; the rest is at the end of the camber. */
  contactShare: number;
}

/** Where the arms of a camber hold most of a bar's mass; what lies at the back is the padded middle. Ours, editable. */
const CAMBERED_CONTACT_SHARE = 0.4;

/**
 * How a bar is carried in a lift, with its own camber where that is known; null for a lift that carries nothing.
 *
 * @returns where bar and load sit, in mm in the trunk's frame; null for a lift that carries nothing
 */
export function carryOn(bar: Bar, liftKey: string): CarriedBar | null {
  const key = carryKeyOf(bar, liftKey);
  if (!key) return null;
  const { carry, shankLeanDeg } = CARRIES[key];
  if (FAMILIES[bar.family].form === "straight" || bar.family === "bowed")
    return { key, carry, shankLeanDeg, contactShare: 0 };
  return {
    key,
    shankLeanDeg,
    contactShare: carry.camber === "hanging" ? CAMBERED_CONTACT_SHARE : 0,
    carry: {
      ...carry,
      camberForwardMm: carry.camber === "rigid" ? (valueOf(bar, "camberForward") ?? carry.camberForwardMm) : 0,
      camberDropMm: valueOf(bar, "camberDrop") ?? carry.camberDropMm,
    },
  };
}

function carryKeyOf(bar: Bar, liftKey: string): CarryKey | null {
  if (liftKey === "front-squat") return bar.family === "adjustable-yoke" ? "goblet" : "front";
  if (liftKey === "goblet-squat") return "goblet";
  if (!["back-squat-high", "back-squat-low", "box-squat", "good-morning", "lunge"].includes(liftKey)) return null;
  switch (FAMILIES[bar.family].form) {
    case "yoke":
      return bar.family === "low-yoke" ? "low-yoke" : "yoke";
    case "cambered":
      return "cambered";
    case "straight":
    case "bowed":
      return liftKey === "back-squat-low" ? "low" : "high";
    default:
      return null;
  }
}
