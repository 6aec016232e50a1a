import type { PlannedWeek } from "./plannedRotation";

/**
 * The order of one lifter's bars on one evening: heaviest while fresh (handbook §12), and a bar that is still new
 * after those that are known, since it is lifted light and to learn. Equal ones stay as they were asked.
 *
 * @param cells what is lifted that evening, as asked
 * @returns for each cell its place, from 1
 */
export function eveningOrder(cells: readonly Pick<PlannedWeek, "loadKg" | "ratioPct" | "isLearning">[]): number[] {
  // Nothing known of their strength: then what the bar is worth says which is heavier.
  const isKnown = cells.every(({ loadKg }) => loadKg !== null);
  const weight = (i: number) => (isKnown ? cells[i]!.loadKg! : cells[i]!.ratioPct);
  const order = cells
    .map((_, i) => i)
    .sort((a, b) => Number(cells[a]!.isLearning) - Number(cells[b]!.isLearning) || weight(b) - weight(a) || a - b);
  const places = new Array<number>(cells.length);
  order.forEach((cell, place) => (places[cell] = place + 1));
  return places;
}

/**
 * Rows of a rotation that fall on the same evening, in the order in which their bars are lifted, week by week.
 *
 * @param sessions when each session is; those with the same day and hour are one evening
 * @param rows one lifter's rows
 * @returns by session, for each week the place of its bar on that evening, from 1; null where it is the only one
 */
export function evenings(
  sessions: readonly { weekday: number; startsAt: string }[],
  rows: readonly { session: number; weeks: readonly PlannedWeek[] }[],
): Map<number, (number | null)[]> {
  const whenOf = ({ session }: { session: number }) => {
    const { weekday, startsAt } = sessions[session]!;
    return `${weekday} ${startsAt}`;
  };
  const places = new Map(rows.map(({ session, weeks }) => [session, weeks.map((): number | null => null)]));
  for (const when of new Set(rows.map(whenOf))) {
    const together = rows.filter((row) => whenOf(row) === when);
    if (together.length < 2) continue;
    together[0]!.weeks.forEach((_, w) => {
      const order = eveningOrder(together.map(({ weeks }) => weeks[w]!));
      together.forEach(({ session }, i) => (places.get(session)![w] = order[i]!));
    });
  }
  return places;
}
