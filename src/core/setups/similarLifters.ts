import { bodyOf, type Build } from "../balance/body";

/**
 * How unlike two builds are where settings depend on it, in mm: the largest difference of trunk, thigh and shank, and
 * a quarter of the difference in height. Body mass hardly moves a hole.
 *
 * @returns mm, 0 for the same build
 */
export function unlikeness(a: Build, b: Build): number {
  const [p, q] = [bodyOf(a), bodyOf(b)];
  const lengths = (["trunkMm", "thighMm", "shankMm"] as const).map((key) => Math.abs(p[key] - q[key]));
  return Math.max(...lengths) + Math.abs(a.heightMm - b.heightMm) / 4;
}

/**
 * Those built most alike first; who is not measured is left out.
 *
 * @returns those given with how far apart they are in mm
 */
export function mostAlike<T extends { build: Build | null }>(
  to: Build,
  others: readonly T[],
): (T & { apartMm: number })[] {
  return others
    .flatMap((one) => (one.build ? [{ ...one, apartMm: unlikeness(to, one.build) }] : []))
    .sort((a, b) => a.apartMm - b.apartMm);
}
