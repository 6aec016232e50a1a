import type { Figure, Point } from "./balance";
import type { CarryKey } from "./carry";

/** Shares of height: upper arm and forearm to the middle of the hand. Winter, after Drillis & Contini. */
const UPPER_ARM = 0.186;
const FOREARM = 0.146 + 0.108 / 2;

/** Where the hands hold in each carry, in mm along the trunk and ahead of it from where the bar touches. Ours, for the drawing. */
const HANDS: Record<CarryKey, { alongMm: number; aheadMm: number; isElbowAhead: boolean }> = {
  high: { alongMm: 0, aheadMm: -30, isElbowAhead: false },
  low: { alongMm: 0, aheadMm: -20, isElbowAhead: false },
  front: { alongMm: 0, aheadMm: 30, isElbowAhead: true },
  goblet: { alongMm: -60, aheadMm: 60, isElbowAhead: false },
  yoke: { alongMm: -120, aheadMm: 300, isElbowAhead: false },
  "low-yoke": { alongMm: -160, aheadMm: 280, isElbowAhead: false },
  cambered: { alongMm: -60, aheadMm: 20, isElbowAhead: false },
};

/**
 * One arm from the side: shoulder, elbow, hand on the bar or its handle; as near as the arm reaches.
 *
 * @param heightMm of the lifter; arms are shares of it.
 * @returns elbow and hand in mm, y up
 */
export function armOf(
  { shoulder, hip, contact }: Figure,
  carry: CarryKey,
  heightMm: number,
): { elbow: Point; hand: Point } {
  const { alongMm, aheadMm, isElbowAhead } = HANDS[carry];
  const trunk = Math.hypot(shoulder[0] - hip[0], shoulder[1] - hip[1]);
  const up: Point = [(shoulder[0] - hip[0]) / trunk, (shoulder[1] - hip[1]) / trunk];
  // Ahead of the trunk is to the right of its way up.
  const ahead: Point = [up[1], -up[0]];
  const wished: Point = [
    contact[0] + alongMm * up[0] + aheadMm * ahead[0],
    contact[1] + alongMm * up[1] + aheadMm * ahead[1],
  ];
  const [a, b] = [UPPER_ARM * heightMm, FOREARM * heightMm];
  const away = Math.hypot(wished[0] - shoulder[0], wished[1] - shoulder[1]);
  const reach = Math.min(Math.max(away, Math.abs(a - b) + 1), a + b - 1);
  const way: Point = away < 1 ? [0, -1] : [(wished[0] - shoulder[0]) / away, (wished[1] - shoulder[1]) / away];
  const hand: Point = [shoulder[0] + way[0] * reach, shoulder[1] + way[1] * reach];
  // The law of cosines gives how far along the line the elbow lies, and how far beside it.
  const along = (a * a - b * b + reach * reach) / (2 * reach);
  const beside = Math.sqrt(Math.max(0, a * a - along * along));
  const foot: Point = [shoulder[0] + way[0] * along, shoulder[1] + way[1] * along];
  const sides: Point[] = [
    [foot[0] - way[1] * beside, foot[1] + way[0] * beside],
    [foot[0] + way[1] * beside, foot[1] - way[0] * beside],
  ];
  // Elbows hang, except under a bar in front, where they are held up and forward.
  const [one, other] = sides as [Point, Point];
  const elbow = isElbowAhead ? (one[0] > other[0] ? one : other) : one[1] < other[1] ? one : other;
  return { elbow, hand };
}
