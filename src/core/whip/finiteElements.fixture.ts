import { Matrix, solve } from "ml-matrix";
import { STANDARD_GRAVITY } from "../units/constants";
import { plateCentresMm, secondMomentMm4, type BendingBar, type SidePlate } from "./bendingBar";

/**
 * The same bar by finite elements on a general matrix library: two-node Hermite beam elements along the whole
 * bar (both halves, so that symmetry is not assumed), pinned at the two supports.
 *
 * @returns heights at the right-hand plate centres and in the middle, in mm, positive upwards.
 */
export function bentByFiniteElements(
  bar: BendingBar,
  h: number,
  perSide: readonly SidePlate[],
  sleeve?: { outerMm: number; innerMm: number },
): { plateHeightsMm: number[]; middleMm: number } {
  const centres = plateCentresMm(bar.seatToSeatMm, perSide);
  const half = [0, h, bar.shaftLengthMm / 2, ...centres];
  const fixed = [...new Set(half.flatMap((x) => [x, -x]))].sort((a, b) => a - b);
  const nodes = fixed.flatMap((x, i) => (i + 1 < fixed.length ? [x, (x + fixed[i + 1]!) / 2] : [x]));
  const E = bar.elasticModulusGPa * 1000;
  const shaft = E * secondMomentMm4(bar.shaftDiameterMm);
  const beyond = sleeve ? shaft + E * (secondMomentMm4(sleeve.outerMm) - secondMomentMm4(sleeve.innerMm)) : shaft;

  const K = Matrix.zeros(2 * nodes.length, 2 * nodes.length);
  const F = Matrix.zeros(2 * nodes.length, 1);
  for (let e = 0; e + 1 < nodes.length; e += 1) {
    const L = nodes[e + 1]! - nodes[e]!;
    const EI = Math.abs(nodes[e]! + nodes[e + 1]!) / 2 < bar.shaftLengthMm / 2 ? shaft : beyond;
    const k = [
      [12, 6 * L, -12, 6 * L],
      [6 * L, 4 * L * L, -6 * L, 2 * L * L],
      [-12, -6 * L, 12, -6 * L],
      [6 * L, 2 * L * L, -6 * L, 4 * L * L],
    ];
    k.forEach((row, i) =>
      row.forEach((value, j) => K.set(2 * e + i, 2 * e + j, K.get(2 * e + i, 2 * e + j) + (EI / L ** 3) * value)),
    );
  }
  const at = (x: number) => 2 * nodes.indexOf(x);
  centres.forEach((x, i) => {
    const W = perSide[i]!.massKg * STANDARD_GRAVITY;
    F.set(at(x), 0, F.get(at(x), 0) - W);
    F.set(at(-x), 0, F.get(at(-x), 0) - W);
  });
  for (const x of [h, -h]) {
    const row = at(x);
    for (let j = 0; j < K.columns; j += 1) K.set(row, j, 0);
    K.set(row, row, 1);
    F.set(row, 0, 0);
  }
  const u = solve(K, F);
  return { plateHeightsMm: centres.map((x) => u.get(at(x), 0)), middleMm: u.get(at(0), 0) };
}
