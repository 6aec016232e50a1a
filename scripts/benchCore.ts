/* The core's part of the bench. Prints one JSON object. */
import highsLoader from "highs";
import { balance } from "../src/core/balance/balance";
import { CARRIES } from "../src/core/balance/carry";
import type { Bar } from "../src/core/bars/bar";
import { assignClass } from "../src/core/classes/assignClass";
import { inventedClass } from "../src/core/classes/classWorld.fixture";
import { load } from "../src/core/loading/load";
import { bestByMip, type MipSolver } from "../src/core/loading/mipSolver.fixture";
import type { LoadQuestion } from "../src/core/loading/question";
import { lifterWith } from "../src/core/matching/lifter";
import { LIFT_KEYS, LIFTS } from "../src/core/matching/lifts";
import { gradeBar, matchBars } from "../src/core/matching/match";
import { ClimateClock } from "../src/core/care/climateClock";
import { METER_TASKS } from "../src/core/care/meterTasks";
import { needForecast } from "../src/core/care/needMeter";
import type { PackQuestion } from "../src/core/care/packQuestion";
import { earliestDueFirst, packRounds } from "../src/core/care/packRounds";
import { trainingTimes } from "./benchTraining";
import { massUnitsFromKg } from "../src/core/units/exactMass";
import type { ArmChart } from "../src/core/setups/armChart";
import {
  EIGHT_KINDS,
  FORTY_KINDS,
  FOURTEEN_KINDS,
  inOrder,
  jumps,
  pool,
  rotation,
  sameLoad,
  scattered,
} from "../src/core/loading/plan/instances.fixture";
import { planOrder } from "../src/core/loading/plan/orderLifters";
import { planSession } from "../src/core/loading/plan/planSession";
import { planStations } from "../src/core/loading/plan/planStations";
import { poolRemedy } from "../src/core/loading/plan/poolRemedy";
import { evaluateAll } from "../src/core/setups/armSettings";
import { whip } from "../src/core/whip/closedForm";
import { bentBar } from "../src/core/whip/generalSolver";

/** Ten kinds, as in a well-stocked hall; the targets run over what people ask for, reachable and not. */
const KINDS = [25, 20, 15, 10, 7.5, 5, 2.5, 2, 1.25, 0.5];
const questions: LoadQuestion[] = Array.from({ length: 20 }, (_, i) => ({
  targetUnits: massUnitsFromKg(47.25 + i * 11.75),
  barUnits: massUnitsFromKg(20),
  clampPairUnits: 0,
  roomMm: null,
  ratedUnits: null,
  plates: KINDS.map((mass, k) => ({
    id: `p${k}`,
    massUnits: massUnitsFromKg(mass),
    pairs: 2 + (k % 3),
    thicknessMm: 25,
    diameterMm: null,
    material: null,
  })),
  ending: "racked",
  rounding: "at-or-below",
  toleranceUnits: 0,
  onBar: null,
}));

function microseconds(work: () => void, times: number): number {
  for (let i = 0; i < Math.min(times, 2000); i += 1) work();
  const started = performance.now();
  for (let i = 0; i < times; i += 1) work();
  return ((performance.now() - started) * 1000) / times;
}

/** Jobs over some days for some people; everything invented from a seed. */
function packQuestion(jobs: number, days: number, people: number): PackQuestion {
  let state = 5;
  const random = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  const tasks = [
    ["shaft", 3],
    ["sleeves", 0.75],
    ["joints", 5],
  ] as const;
  return {
    jobs: Array.from({ length: jobs }, (_, i) => {
      const due = Math.floor(random() * days) - 3;
      const [task, minutes] = tasks[i % 3]!;
      return { id: `${i}`, task, minutes, due, earliest: due - 7 };
    }),
    windows: Array.from({ length: days * people }, (_, i) => ({
      id: `${i}`,
      day: Math.floor(i / people),
      minutes: random() < 0.4 ? 0 : 8 + 12 * random(),
    })),
    setupMinutes: { sleeves: 2, shaft: 1 },
  };
}

async function main() {
  const highs = (await highsLoader()) as unknown as MipSolver;
  let next = 0;
  const oursUs = microseconds(() => load(questions[(next += 1) % questions.length]!), 20_000);
  const theirsUs = microseconds(() => bestByMip(highs, questions[(next += 1) % questions.length]!), 60);

  const bar = {
    shaftDiameterMm: 28.5,
    shaftLengthMm: 1310,
    seatToSeatMm: 1370,
    elasticModulusGPa: 207,
    yieldMPa: 1200,
  };
  const plates = Array.from({ length: 5 }, () => ({ massKg: 25, thicknessMm: 27 }));
  let sum = 0;
  const closedUs = microseconds(() => (sum += whip(bar, 220, plates)!.deflectionMm), 4_000_000);
  const generalUs = microseconds(() => (sum += bentBar(bar, 220, plates)!.meanDropMm), 200_000);

  const stated = (value: number) => ({ value, source: "stated" as const });
  const bars = Array.from({ length: 24 }, (_, i) => ({
    tag: `B${i}`,
    name: "b",
    family: (["power", "deadlift", "weightlifting", "yoke"] as const)[i % 4],
    state: "in-service",
    quantities: {
      mass: stated(20),
      shaftDiameter: stated(27 + (i % 5) / 2),
      shaftLength: stated(1310),
      collarThickness: stated(30),
    },
    sleeveRotation: "bushing",
    alloy: null,
    elasticModulusGPa: null,
    yieldMPa: 1100,
    finish: "bare",
    knurl: "medium",
    centreKnurl: "none",
    ringMarks: "dual",
    plainGapMm: null,
    canBeRacked: null,
    rating: { kg: 500, basis: "total" },
    hardLimitKg: null,
    stateReason: null,
  })) as Bar[];
  const matchUs = microseconds(() => (sum += matchBars(bars, LIFTS.deadlift, 180).length), 2000);

  const many = Array.from({ length: 500 }, (_, i) => ({ ...bars[i % 24]!, tag: `M${i}` }));
  const lifts = Array.from({ length: 30 }, (_, i) => LIFTS[LIFT_KEYS[i % LIFT_KEYS.length]!]);
  const lifter = lifterWith({
    build: { heightMm: 1950, massKg: 95 },
    handLengthMm: 205,
    limits: ["shoulder"],
    usualKg: 100,
  });
  const gradeAll = () => {
    for (const lift of lifts) for (const one of many) sum += gradeBar(one, lift, 90, { lifter }).length;
  };
  gradeAll();
  const gradeUs = microseconds(gradeAll, 5);
  const evening = { entries: 40, stations: 4, blocks: 3, bars: 60, capacities: [3, 4], twice: 8 };
  const classes = Array.from({ length: 20 }, (_, i) => inventedClass(i + 1, evening));
  const taken = classes.map((problem) => {
    let isProven = false;
    return { us: microseconds(() => (isProven = assignClass(problem).isProven), 1), isProven };
  });
  const balanceUs = microseconds(
    () =>
      (sum += balance({
        lifter: { heightMm: 1800, massKg: 85 },
        pose: { shankLeanDeg: 32, thighAngleDeg: 0 },
        carry: CARRIES.yoke.carry,
        loadKg: 100,
      })!.trunkLeanDeg),
    200_000,
  );

  const everySetting: ArmChart = {
    kind: "arm",
    marks: Array.from({ length: 60 }, (_, i) => ({ name: `${i}`, leftDeg: 3 * i - 88, rightDeg: 3 * i - 88 })),
    pins: Array.from({ length: 10 }, (_, i) => ({ name: `${i}`, leftMm: 40 + 30 * i, rightMm: 40 + 30 * i })),
    hasHalfMarks: false,
    changesEmptyOnly: true,
    padKg: 8,
  };
  const settingsUs = microseconds(
    () => void evaluateAll(everySetting, { lifter: { heightMm: 1930, massKg: 92 }, loadKg: 92, contactKg: 8 }),
    300,
  );

  const timed = <T>(work: () => T): { ms: number; answer: T } => {
    const started = performance.now();
    const answer = work();
    return { ms: performance.now() - started, answer };
  };
  const plans = (["easy", "rising", "heavy"] as const).map((name, i) => {
    const span = [
      [60, 120],
      [80, 160],
      [140, 200],
    ][i] as [number, number];
    const runs = [1, 2, 3, 4].map((seed) => timed(() => planSession(inOrder(rotation(seed, span)))));
    return {
      name: `48 sets, 6 lifters × 8 rounds, tops ${span[0]}–${span[1]} kg`,
      worstMs: Math.max(...runs.map(({ ms }) => ms)),
      proven: runs.filter(({ answer }) => answer.isProven).length,
      of: runs.length,
      key: name,
    };
  });
  const mixed = [1, 2, 3].map((seed) => timed(() => planSession(scattered(seed, 24, [100, 320], FOURTEEN_KINDS))));
  /** Within two seconds by the clock, as a screen plans. */
  const inTime = <T>(work: (spent: () => number) => T) => {
    const started = performance.now();
    return timed(() => work(() => (performance.now() - started) / 2000));
  };
  const orders = (["any", "larger-inside"] as const).flatMap((order) =>
    (
      [
        [1, 60, 120, EIGHT_KINDS],
        [2, 80, 160, EIGHT_KINDS],
        [3, 140, 200, EIGHT_KINDS],
        [1, 60, 120, FOURTEEN_KINDS],
        [2, 80, 160, FOURTEEN_KINDS],
        [3, 140, 200, FOURTEEN_KINDS],
      ] as const
    ).map(([seed, least, most, plates]) => ({
      name: `order-${seed}-${least}-${most}, ${plates.length} kinds, ${order}`,
      ...inTime((spent) => planOrder({ ...rotation(seed, [least, most], { plates: [...plates] }), order }, { spent })),
    })),
  );
  const named = (["any", "larger-inside"] as const).flatMap((order) =>
    [EIGHT_KINDS, FOURTEEN_KINDS, FORTY_KINDS].flatMap((plates) =>
      (
        [
          ["24 sets × 200 kg", sameLoad(24, 200, plates)],
          ["200 sets × 160 kg", sameLoad(200, 160, plates)],
          ["8 lifters to 200 kg in 20 kg jumps", jumps(8, 200, 20, plates)],
          ["24 sets from 60 to 200 kg", scattered(1, 24, [60, 200], plates)],
          ["200 sets from 40 to 160 kg", scattered(1, 200, [40, 160], plates)],
        ] as const
      ).map(([name, question]) => ({
        name: `${name}, ${plates.length} kinds, ${order}`,
        ...inTime((spent) => planSession({ ...question, order }, { spent })),
      })),
    ),
  );
  const pools = [
    [4, 12],
    [8, 24],
  ].map(([stations, sets]) => {
    const question = pool(stations!, sets!);
    const { ms, answer } = timed(() => planStations(question)!);
    const remedy = timed(() => poolRemedy(question, answer, massUnitsFromKg(0.5)));
    return {
      stations,
      sets,
      ms,
      handled: answer.handled,
      bound: answer.lowerBound,
      short: answer.shortages.length,
      remedyMs: remedy.ms,
    };
  });
  const clock = new ClimateClock(
    "2025-01-01",
    Array.from({ length: 365 }, (_, i) => 1 + Math.sin(i / 58)),
    1000,
    1,
  );
  // 1,000 bars × 6 tasks, each day of a year: how need stands.
  const meters = timed(() => {
    let total = 0;
    const tasks = [...Object.values(METER_TASKS), METER_TASKS.shaft];
    for (let bar = 0; bar < 1000; bar += 1)
      for (const task of tasks)
        total += needForecast(task, 1 + (bar % 7) / 10, clock, "2025-01-01", "2025-01-01", 365).at(-1)!;
    return total;
  });
  const packing = timed(() => packRounds(packQuestion(400, 60, 4)));
  const packingByDue = earliestDueFirst(packQuestion(400, 60, 4));
  const growth = [6, 12, 24, 48, 96, 192].map((sets) => ({
    sets,
    ms: [4, 6, 8].map(
      (kinds) =>
        timed(() =>
          planSession(inOrder(rotation(7, [60, 140], { rounds: sets / 6, plates: EIGHT_KINDS.slice(0, kinds) }))),
        ).ms,
    ),
  }));

  console.log(
    JSON.stringify({
      grade: { ms: gradeUs / 1000 },
      classes: {
        medianMs: taken.map(({ us }) => us / 1000).sort((a, b) => a - b)[10],
        worstMs: Math.max(...taken.map(({ us }) => us)) / 1000,
        proven: taken.filter(({ isProven }) => isProven).length,
        of: taken.length,
      },
      balance: { us: balanceUs },
      settings: { ms: settingsUs / 1000 },
      plans,
      mixed: {
        worstMs: Math.max(...mixed.map(({ ms }) => ms)),
        proven: mixed.filter(({ answer }) => answer.isProven).length,
      },
      orders: orders.map(({ name, ms, answer }) => ({
        name,
        ms,
        handled: answer.plan.handled,
        bound: answer.lowerBound,
      })),
      named: named.map(({ name, ms, answer }) => ({ name, ms, handled: answer.handled, bound: answer.lowerBound })),
      pools,
      meters: { ms: meters.ms },
      packing: {
        ms: packing.ms,
        lateness: packing.answer.lateness,
        rounds: packing.answer.rounds,
        unplaced: packing.answer.unplaced.length,
        byDue: packingByDue.lateness,
        byDueRounds: packingByDue.rounds,
      },
      growth,
      training: trainingTimes(),
      load: { oursUs, theirsUs, ratio: theirsUs / oursUs },
      whip: { closedPerSecond: 1e6 / closedUs, generalPerSecond: 1e6 / generalUs },
      match: { us: matchUs },
      checksum: Number.isFinite(sum),
    }),
  );
}

void main();
