/* The core's bench for strength, rotations and purchases. */
import { choosePurchase } from "../src/core/buying/choosePurchase";
import { market } from "../src/core/buying/market.fixture";
import { seeded } from "../src/core/loading/plan/instances.fixture";
import { planRotation } from "../src/core/rotation/planRotation";
import { squad } from "../src/core/rotation/squad.fixture";
import { simulateLog, type TrueBar } from "../src/core/strength/simulatedLog";
import { filterLog, type StrengthSet } from "../src/core/strength/strengthFilter";
import { START_STRENGTH_RULES as RULES } from "../src/core/strength/strengthRules";

const BARS: TrueBar[] = [
  { bar: "straight", prior: "straight", logRatio: 0 },
  { bar: "yoke", prior: "yoke", logRatio: Math.log(0.86) },
  { bar: "cambered", prior: "cambered", logRatio: Math.log(0.95) },
  { bar: "low-yoke", prior: "low-yoke", logRatio: Math.log(0.92) },
  { bar: "multi-grip", prior: "others", logRatio: Math.log(0.9) },
];

function logOf(seed: number, sets: number): StrengthSet[] {
  const random = seeded(seed);
  const wishes = Array.from({ length: sets }, (_, i) => ({
    ...{ day: i, bar: BARS[Math.floor(random() * BARS.length)]!, repetitions: 1 + Math.floor(random() * 8) },
    reserve: Math.floor(random() * 4),
  }));
  return simulateLog(random, 150, wishes).map(({ day, bar, loadKg, repetitions, reserve }) => ({
    ...{ day, bar: bar.bar, prior: bar.prior, loadKg, repetitions, reserve, isMade: true },
  }));
}

/** Times in ms: 500 lifters' logs filtered, one log after one more set, and 12 weeks × 12 lifters × 12 bars, three squads. */
export function trainingTimes() {
  const logs = Array.from({ length: 500 }, (_, i) => logOf(i + 1, 200));
  let started = performance.now();
  const counted = logs.reduce((sum, log) => sum + filterLog(RULES, log)!.state.counted, 0);
  const filterMs = performance.now() - started;
  started = performance.now();
  for (let i = 0; i < 100; i += 1) filterLog(RULES, logs[i]!);
  const oneMs = (performance.now() - started) / 100;
  const rotations = [1, 2, 3].map((seed) => {
    const question = squad(seed, { weeks: 12, lifters: 12, bars: 12 });
    const began = performance.now();
    const plan = planRotation(question, { spent: () => (performance.now() - began) / 2000 });
    return {
      ...{ seed, ms: performance.now() - began },
      ...(typeof plan === "string" ? { value: 0, bound: 0 } : { value: plan.value, bound: plan.bound }),
    };
  });
  const purchases = [1, 2, 3, 4].map((seed) => {
    // 25 lifts of 40 lifters, 40 offers.
    const question = market(seed, { offers: 40, needs: 1000, share: 0.3 });
    const began = performance.now();
    const plan = choosePurchase(question, { spent: () => (performance.now() - began) / 3000 });
    const { gain, bound, provenOptimal } = plan;
    return { seed, ms: performance.now() - began, gain, bound, provenOptimal };
  });
  return { filterMs, counted, oneMs, rotations, purchases };
}
