import { readTyped, type TypedQuantity, type Unit } from "./typedQuantity";

export type ReadReadings = { ok: true; readings: TypedQuantity[] } | { ok: false; unread: string[] };

/**
 * Several readings from one line of text, divided by semicolons, dots in the middle, new lines, or spaces before a
 * number that is no fraction: "51 9/16" is one reading. A unit written once, after the last reading, is meant for all of them.
 *
 * @param unit what a number without a unit is in.
 * @returns the readings in the order typed, or the parts that are no quantity; none of either for an empty line.
 * @example readReadings("28.1 28.05 28.1", "mm") // three readings in mm
 * @example readReadings("44.8; 45 lb", "kg") // two readings in lb
 */
export function readReadings(text: string, unit: Unit): ReadReadings {
  const parts = text
    .split(/[;·\n]|\s+(?=[\d.])(?!\d+\/\d)/)
    .map((part) => part.trim())
    .filter(Boolean);
  const readings = parts.map((part) => readTyped(part, unit));
  const unread = parts.filter((_, i) => readings[i] === null);
  if (unread.length > 0) return { ok: false, unread };
  const saysUnit = (part: string) => /[a-z″"]\s*$/i.test(part);
  const lastUnit = parts.length > 0 && saysUnit(parts.at(-1)!) ? readings.at(-1)!.unit : null;
  return {
    ok: true,
    readings: readings.map((reading, i) =>
      lastUnit && !saysUnit(parts[i]!) ? { ...reading!, unit: lastUnit } : reading!,
    ),
  };
}
