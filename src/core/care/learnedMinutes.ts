/** So many times as the task says count as if they had been seen: a single slow bar changes little. */
const PRIOR_COUNT = 8;

/**
 * Minutes that a task takes: what the task says, moved by what it took. The more it was timed the more that counts.
 *
 * @returns minutes
 *
 * @example learnedMinutes(0.75, 0, 0) // 0.75
 * @example learnedMinutes(1, 8, 16) // 1.5
 */
export function learnedMinutes(said: number, timed: number, totalMinutes: number): number {
  return (PRIOR_COUNT * said + totalMinutes) / (PRIOR_COUNT + timed);
}
