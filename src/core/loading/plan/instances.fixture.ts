import { KG_PER_LB } from "../../units/constants";
import { massUnitsFromKg } from "../../units/exactMass";
import type { OrderQuestion } from "./orderQuestion";
import type { PoolQuestion } from "./poolQuestion";
import type { PlanPlate, SessionQuestion } from "./sessionQuestion";

/* Named sessions that bench and tests come back to; everything in them is invented from a seed. */

const inKg = (kg: number, pairs: number): PlanPlate => ({
  id: `${kg}`,
  massUnits: massUnitsFromKg(kg),
  pairs,
  thicknessMm: 0,
});
const inLb = (lb: number, pairs: number): PlanPlate => ({ ...inKg(lb * KG_PER_LB, pairs), id: `${lb}lb` });

/** Eight kinds as in a well-stocked rack. */
export const EIGHT_KINDS = [
  inKg(25, 4),
  inKg(20, 2),
  inKg(15, 2),
  inKg(10, 2),
  inKg(5, 2),
  inKg(2.5, 2),
  inKg(1.25, 2),
  inKg(0.5, 2),
];
/** Fourteen kinds, kg and lb. */
export const FOURTEEN_KINDS = [
  inKg(25, 4),
  inKg(20, 3),
  inKg(15, 2),
  inKg(10, 2),
  inKg(5, 3),
  inKg(2.5, 3),
  inKg(1.25, 2),
  inKg(0.5, 2),
  inLb(45, 4),
  inLb(35, 2),
  inLb(25, 3),
  inLb(10, 3),
  inLb(5, 2),
  inLb(2.5, 2),
];

/** Numbers from 0 to 1 from a seed. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
const toStep = (kg: number) => Math.round(kg / 2.5) * 2.5;

const common = {
  barUnits: massUnitsFromKg(20),
  clampPairUnits: 0,
  roomMm: null,
  changesSetupEmpty: false,
  start: [],
  endsEmpty: true,
};

/** Lifters in one order through some rounds, from half of their top to all of it. */
export function rotation(
  seed: number,
  [least, most]: readonly [number, number],
  { lifters = 6, rounds = 8, plates = EIGHT_KINDS }: { lifters?: number; rounds?: number; plates?: PlanPlate[] } = {},
): OrderQuestion {
  const next = seeded(seed);
  const tops = Array.from({ length: lifters }, () => toStep(least + next() * (most - least)));
  return {
    ...common,
    plates,
    rounds: Array.from({ length: rounds }, (_, r) =>
      tops.map((top, l) => ({
        id: `${r}.${l}`,
        targetUnits: massUnitsFromKg(toStep(top * (0.5 + (0.5 * r) / Math.max(1, rounds - 1)))),
        setup: null,
      })),
    ),
  };
}

/** The same with its order fixed as named. */
export function inOrder({ rounds, ...rest }: OrderQuestion): SessionQuestion {
  return { ...rest, sets: rounds.flat().filter((set) => set !== null) };
}

/** Sets of any load in no order at all. */
export function scattered(
  seed: number,
  sets: number,
  [least, most]: readonly [number, number],
  plates: PlanPlate[],
): SessionQuestion {
  const next = seeded(seed);
  return {
    ...common,
    plates,
    sets: Array.from({ length: sets }, (_, i) => ({
      id: `${i}`,
      targetUnits: massUnitsFromKg(toStep(least + next() * (most - least))),
      setup: null,
    })),
  };
}

/** More kinds and pairs than anybody owns: not every choice of plates can be listed. */
export const FORTY_KINDS = Array.from({ length: 40 }, (_, i) => inKg(0.5 + 0.5 * i, 100));

/** The same load again and again. */
export function sameLoad(sets: number, kg: number, plates: PlanPlate[]): SessionQuestion {
  return {
    ...common,
    plates,
    sets: Array.from({ length: sets }, (_, i) => ({
      id: `${i}`,
      targetUnits: massUnitsFromKg(kg),
      setup: null,
    })),
  };
}

/** Lifters who all go up to one load in jumps, one after the other at each. */
export function jumps(lifters: number, topKg: number, jumpKg: number, plates: PlanPlate[]): SessionQuestion {
  const rounds = Math.floor(topKg / jumpKg);
  return {
    ...common,
    plates,
    sets: Array.from({ length: lifters * rounds }, (_, i) => ({
      id: `${i}`,
      targetUnits: massUnitsFromKg(jumpKg * (1 + Math.floor(i / lifters))),
      setup: null,
    })),
  };
}

/** What a hall has to share among its stations: enough of the large, short of tens and of change. */
export const HALL_PLATES = [
  inKg(25, 8),
  inKg(20, 8),
  inKg(15, 6),
  inKg(10, 5),
  inKg(5, 6),
  inKg(2.5, 6),
  inKg(1.25, 5),
  inKg(0.5, 3),
];

/** Stations of three lifters each who warm up to their own work sets, all at once over an hour and a half. */
export function pool(stations: number, sets: number, plates = HALL_PLATES): PoolQuestion {
  const random = seeded(20260611);
  const minutes = 90;
  return {
    plates,
    stations: Array.from({ length: stations }, (_, s) => {
      const work = [0, 1, 2].map(() => toStep(60 + 90 * random()));
      return {
        ...common,
        key: `station-${s + 1}`,
        endsAtMinutes: minutes,
        sets: Array.from({ length: sets }, (__, i) => {
          const [lifter, round] = [i % 3, Math.floor(i / 3)];
          const share = Math.min(1, 0.4 + (0.6 * round) / Math.max(1, sets / 3 - 3));
          return {
            id: `${s}.${i}`,
            targetUnits: massUnitsFromKg(toStep(work[lifter]! * share)),
            setup: null,
            lifter,
            round,
            atMinutes: (minutes * i) / sets,
          };
        }),
      };
    }),
  };
}
