import type { Bar } from "../bars/bar";
import type { BarRecord } from "../bars/barRecord";
import { endCapRemainderMm, LENGTH_IDENTITY_TOLERANCE_MM } from "../bars/lengths";
import { fixed, trimmed } from "../units/format";

/** Beyond this no steel of a bar goes: the strongest alloy steels that bars are drawn of end near it. Common practice, no source. */
const MAX_TENSILE_MPA = 2000;
/** Density of steel, kg/m³ (Shigley, *Mechanical Engineering Design*, table A-5). */
const STEEL_DENSITY = 7_850;
/** What the bare shaft alone may weigh of the whole bar before the stated mass cannot be true. Ours. */
const MAX_SHAFT_SHARE = 0.85;

/**
 * Stated figures that cannot all be true, one sentence each: what to ask the seller before an order.
 *
 * @returns sentences; none where nothing is odd
 */
export function suspiciousFigures(bar: Bar, record: Pick<BarRecord, "tensileMPa" | "yieldMPa">): string[] {
  const said: string[] = [];
  const { tensileMPa, yieldMPa } = record;
  if (tensileMPa !== null && tensileMPa > MAX_TENSILE_MPA)
    said.push(
      `A tensile strength of ${trimmed(tensileMPa, 0)} MPa is more than bar steel has. Ask for the certificate.`,
    );
  if (tensileMPa !== null && yieldMPa !== null && yieldMPa >= tensileMPa)
    said.push(
      `A yield strength of ${trimmed(yieldMPa, 0)} MPa cannot reach the tensile strength of ${trimmed(tensileMPa, 0)} MPa. Ask which is which.`,
    );
  const caps = endCapRemainderMm(bar);
  if (caps !== null && caps < -LENGTH_IDENTITY_TOLERANCE_MM)
    said.push(
      `Shaft, collars and sleeves are ${fixed(-caps, 0)} mm longer than the bar as a whole. Ask for a drawing.`,
    );
  const [d, length, mass] = [bar.quantities.shaftDiameter, bar.quantities.shaftLength, bar.quantities.mass];
  if (d && length && mass && bar.alloy !== "aluminium") {
    const shaftKg = ((STEEL_DENSITY * Math.PI) / 4) * (d.value / 1000) ** 2 * (length.value / 1000);
    if (shaftKg > MAX_SHAFT_SHARE * mass.value)
      said.push(
        `The shaft alone would weigh ${fixed(shaftKg, 1)} kg of the ${trimmed(mass.value, 1)} kg stated. Weigh it on arrival.`,
      );
  }
  return said;
}
