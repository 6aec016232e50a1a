import type { Bar } from "../bars/bar";
import { valueOf } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { assumedPlates } from "./assumedPlates";
import { bendingBarOf, type BendingBar, type SidePlate } from "./bendingBar";
import { whip, type Whip } from "./closedForm";
import { bentBar, type BentBar } from "./generalSolver";

/** One bar under one load: how it bends, or why that cannot be said. */
export type Bent =
  | { ok: true; sideKg: number; bar: BendingBar; whip: Whip; shape: BentBar; firstPlateMm: number; lastPlateMm: number }
  | { ok: false; why: string };

/**
 * How a real bar bends under a total load, held at ±h, with discs of one kind on its sleeves.
 *
 * @returns mm, N·m, MPa and N/mm, or what is missing
 */
export function bendUnder(bar: Bar, loadKg: number, supportHalfSpacingMm: number, disc?: SidePlate): Bent {
  if (FAMILIES[bar.family].form !== "straight")
    return { ok: false, why: "not a straight bar: the beam formulas do not hold" };
  const bendable = bendingBarOf(bar);
  if (!bendable.ok) return { ok: false, why: `measure ${bendable.missing.join(", ")}` };
  const mass = valueOf(bar, "mass");
  if (mass === null) return { ok: false, why: "weigh it" };
  const sideKg = (loadKg - mass) / 2;
  if (!(sideKg > 0)) return { ok: false, why: "the empty bar is the whole load" };
  const plates = assumedPlates(sideKg, disc);
  const bent = whip(bendable.bar, supportHalfSpacingMm, plates);
  const shape = bentBar(bendable.bar, supportHalfSpacingMm, plates);
  if (!bent || !shape) return { ok: false, why: "the hands are outside the plates" };
  return {
    ok: true,
    sideKg,
    bar: bendable.bar,
    whip: bent,
    shape,
    firstPlateMm: shape.plateDropsMm[0]!,
    lastPlateMm: shape.plateDropsMm.at(-1)!,
  };
}

/** A difference in slack below this is not noticed. House rule to start from (handbook §5). */
export const NOTICEABLE_MM = 1.5;

/** Which load to look for, and up to where. */
export interface Difference {
  supportHalfSpacingMm: number;
  differenceMm: number;
  mostKg: number;
  disc?: SidePlate;
}

/**
 * The least total load at which two bars differ by an amount in slack, by bisection; the difference grows with the load.
 * @returns null when they do not differ by that much up to `mostKg`.
 */
export function loadWhereTheyDiffer(
  a: Bar,
  b: Bar,
  { supportHalfSpacingMm, differenceMm, mostKg, disc }: Difference,
): number | null {
  const gap = (loadKg: number) => {
    const [one, two] = [a, b].map((bar) => bendUnder(bar, loadKg, supportHalfSpacingMm, disc));
    return one!.ok && two!.ok ? Math.abs(one!.whip.deflectionMm - two!.whip.deflectionMm) : 0;
  };
  if (gap(mostKg) < differenceMm) return null;
  let [low, high] = [0, mostKg];
  while (high - low > 0.25) {
    const middle = (low + high) / 2;
    if (gap(middle) < differenceMm) low = middle;
    else high = middle;
  }
  return high;
}
