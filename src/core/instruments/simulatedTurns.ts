import type { Bar } from "../bars/bar";
import { dialReadings } from "../care/inspection";
import { DIAL_READINGS } from "../care/readInspection";
import { DIAL_PLACES, dialAtMm, type DialPlace, standHalfMm } from "../wear/bendPlace";

/**
 * What the simulated gauge shows round a turn at each place: the bend points where it points on this bar for ever, and
 * lies where it lies.
 *
 * @param tirMm runout in the middle
 * @param places where the dial stands
 * @returns readings in mm by place, from 0° on
 */
export function simulatedTurns(
  bar: Bar,
  tirMm: number,
  places: readonly DialPlace[] = DIAL_PLACES,
): (readonly [DialPlace, readonly number[]])[] {
  const letters = [...bar.tag].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7);
  const [bendAtDeg, half] = [letters % 360, standHalfMm(bar)];
  const bendMm = (((letters % 100) - 50) / 100) * half;
  const shareAt = (atMm: number) => (half - Math.abs(atMm - bendMm)) / half;
  return places.map((place) => [
    place,
    dialReadings(
      {
        tirMm: tirMm * (place === "middle" ? 1 : shareAt(dialAtMm(place, half)) / shareAt(0)),
        bendAtDeg,
        noiseMm: 0.015,
      },
      DIAL_READINGS,
      (i) => Math.sin(9.7 * i + bar.tag.length),
    ),
  ]);
}
