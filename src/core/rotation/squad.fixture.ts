import { seeded } from "../loading/plan/instances.fixture";
import type { RotationQuestion } from "./rotationQuestion";

/** An invented squad, from a seed. */
export function squad(
  seed: number,
  { lifters, weeks, bars }: { lifters: number; weeks: number; bars: number },
): RotationQuestion {
  const random = seeded(seed);
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
  const maxRun = random() < 0.5 ? whole(1, 3) : weeks;
  return {
    weeks,
    targets: Array.from({ length: weeks }, () => whole(12, 20) * 5),
    bars: Array.from({ length: bars }, (_, b) => ({ id: `b${b}`, capacity: whole(1, Math.max(1, lifters - 1)) })),
    maxRun,
    lightBelowPct: 80,
    lifters: Array.from({ length: lifters }, (_, i) => ({
      id: `l${i}`,
      bars: Array.from({ length: bars }, (_, b) => ({
        id: `b${b}`,
        ratioPct: whole(60, 100),
        points: whole(0, 40) * 5,
        learningWeeks: random() < 0.3 ? whole(1, 2) : 0,
      })).filter((_, b) => b === 0 || random() < 0.85),
      pins: random() < 0.3 ? [{ week: whole(1, weeks), bar: "b0" }] : [],
      competition: random() < 0.25 ? { week: weeks, bar: "b0", lastWeeks: 1 } : null,
    })),
  };
}
