import { EXPERIENCES, type Experience, type Limit, LIMITS } from "@/core/matching/lifter";
import { convertTyped, readTyped } from "@/core/units/typedQuantity";

/** Stands where a lifter's short name does; no short name has such a letter. */
export const GUEST = "@guest";

/** Somebody who is not on file, as the address says them. */
export interface Guest {
  heightMm: number | null;
  experience: Experience;
  limits: Limit[];
}

const HEIGHT_MM = [1200, 2300] as const;
/** Kilograms for each square metre of height, where nobody said a mass: the middle of what is usual. */
const USUAL_KG_PER_M2 = 23;

/** Reads somebody who is not on file; null where a lifter or anyone is asked for. */
export function readGuest(search: Record<string, string | undefined>): Guest | null {
  if (search.lifter !== GUEST) return null;
  const typed = search.h ? readTyped(search.h, "mm") : null;
  const mm = typed ? convertTyped(typed) : NaN;
  const said = (search.sore ?? "").split(",");
  return {
    heightMm: mm >= HEIGHT_MM[0] && mm <= HEIGHT_MM[1] ? mm : null,
    experience: EXPERIENCES.find((key) => key === search.experience) ?? "regular",
    limits: LIMITS.filter((limit) => said.includes(limit)),
  };
}

/** What the matcher goes by. */
export const guestLifter = ({ heightMm, experience, limits }: Guest) => ({
  build: heightMm === null ? null : { heightMm, massKg: Math.round(USUAL_KG_PER_M2 * (heightMm / 1000) ** 2) },
  experience,
  limits,
});
