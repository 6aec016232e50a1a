/* The core's part of the bench. Prints one JSON object. */
import highsLoader from "highs";
import type { Bar } from "../src/core/bars/bar";
import { load } from "../src/core/loading/load";
import { bestByMip, type MipSolver } from "../src/core/loading/mipSolver.fixture";
import type { LoadQuestion } from "../src/core/loading/question";
import { LIFTS } from "../src/core/matching/lifts";
import { matchBars } from "../src/core/matching/match";
import { massUnitsFromKg } from "../src/core/units/exactMass";
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
    rating: { kg: 500, basis: "total" },
    hardLimitKg: null,
    stateReason: null,
  })) as Bar[];
  const matchUs = microseconds(() => (sum += matchBars(bars, LIFTS.deadlift, 180).length), 2000);

  console.log(
    JSON.stringify({
      load: { oursUs, theirsUs, ratio: theirsUs / oursUs },
      whip: { closedPerSecond: 1e6 / closedUs, generalPerSecond: 1e6 / generalUs },
      match: { us: matchUs },
      checksum: Number.isFinite(sum),
    }),
  );
}

void main();
