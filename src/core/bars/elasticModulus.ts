import type { Alloy } from "./bar";

/** GPa, at room temperature. Shigley, Mechanical Engineering Design, table A-5. */
export const ELASTIC_MODULUS_GPA: Record<Alloy, number> = {
  "carbon-steel": 207,
  "alloy-steel": 207,
  stainless: 190,
  aluminium: 71.7,
};

/**
 * The modulus to compute with: the bar's own figure, else its alloy's, else steel's.
 *
 * @returns GPa
 */
export function elasticModulusOf(bar: { elasticModulusGPa: number | null; alloy: Alloy | null }): number {
  return bar.elasticModulusGPa ?? ELASTIC_MODULUS_GPA[bar.alloy ?? "carbon-steel"];
}
