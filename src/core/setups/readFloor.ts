import type { Problem } from "../problem";
import { convertTyped, readTyped } from "../units/typedQuantity";
import { FLOOR_RANGE_MM, type FloorSize } from "./floorSpace";

const LABELS = { widthMm: "Width of the floor", depthMm: "Depth" } as const;

/**
 * How large somebody paced a floor out to be. A bare number is metres: nobody paces out millimetres.
 *
 * @returns mm, or every problem
 */
export function readFloor(
  texts: Readonly<Partial<Record<keyof FloorSize, string>>>,
): { ok: true; floor: FloorSize } | { ok: false; problems: Problem[] } {
  const [least, most] = FLOOR_RANGE_MM;
  const problems: Problem[] = [];
  const side = (path: keyof FloorSize) => {
    const text = (texts[path] ?? "").trim();
    const read = readTyped(/^[\d.,\s]+$/.test(text) ? `${text} m` : text, "mm");
    const mm = read ? convertTyped(read) : NaN;
    if (!(mm >= least && mm <= most))
      problems.push({
        path,
        message: `${LABELS[path]}: “${text}” must be ${least / 1000} to ${most / 1000} m, for example 12 m or 40 ft.`,
      });
    return mm;
  };
  const floor = { widthMm: side("widthMm"), depthMm: side("depthMm") };
  return problems.length > 0 ? { ok: false, problems } : { ok: true, floor };
}
