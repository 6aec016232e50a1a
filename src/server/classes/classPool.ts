import "server-only";
import { ratedTotalKg, valueOf } from "@/core/bars/bar";
import { groupBy } from "@/core/collections/groupBy";
import type { ClassEntry, PlannedClass } from "@/core/classes/planClass";
import type { PoolQuestion, StationQuestion, StationSet } from "@/core/loading/plan/poolQuestion";
import { type LadderWish, ladderRounds } from "@/core/loading/rounds";
import { kgFromMassUnits, massUnitsFromKg } from "@/core/units/exactMass";
import type { Context } from "@/server/access";
import { barsByTag } from "@/server/bars";
import { listClamps, listStations } from "@/server/equipment";
import { type Outcome, failed } from "@/server/kit";
import { plateKindAtHand, platesAtHand } from "@/server/loading";
import { matchingRules } from "@/server/rules";
import { type ClassRow, classDetails } from "./classes";

/** What stands at one station in one block of a class. */
export interface PoolStation {
  key: string;
  block: number;
  station: string;
  stationKey: string;
  tag: string;
  barName: string;
  lifters: { name: string; workKg: number; lift: string }[];
}

export interface ClassPool {
  row: ClassRow;
  question: PoolQuestion;
  stations: PoolStation[];
  /** Name of the lifter by set id. */
  lifterOf: Record<string, string>;
  /** What could not be taken into the plan, and why. */
  problems: string[];
}

/** How a class warms up, unless somebody asks otherwise: four steps, three work sets, with every plate of the gym. */
export const USUAL_WARM_UP = { way: "count", jumpKg: 20, count: 4, workSets: 3, only: null } as const;

/**
 * All stations of a class and all its blocks as one question of plates; sets are spread evenly over a block.
 *
 * @param fresh a plan that is not kept yet, in place of the one that is.
 */
export async function classPool(
  context: Context,
  id: string,
  wish: LadderWish & { only: "kg" | "lb" | null },
  /** A plan that is not kept yet, and the loads that it was made for. */
  fresh?: { plan: PlannedClass; entries: readonly ClassEntry[] },
): Promise<Outcome<ClassPool>> {
  const result = await classDetails(context, id);
  if (!result.ok) return result;
  const { row, items } = result.details;
  // A plan that is not kept yet has no broken bars.
  const [plan, breaks] = fresh
    ? [fresh.plan, new Map<string, string[]>()]
    : [result.details.plan, result.details.breaks];
  if (!plan) return failed("impossible", "Nobody is assigned yet. Assign the class first.");
  const loads = new Map(fresh?.entries.map(({ id, loadKg }) => [id, loadKg]));
  const placed = plan.entries.flatMap((entry) => {
    const kept = items.find((one) => one.id === entry.id);
    const item = kept && { ...kept, loadKg: loads.get(entry.id) ?? kept.loadKg };
    return item && entry.block !== null && entry.station !== null && entry.tag !== null
      ? [{ item, block: entry.block, station: entry.station, tag: entry.tag }]
      : [];
  });
  const [bars, { items: allStations }, [clamp], atHand, { policies, loadToleranceKg }] = await Promise.all([
    barsByTag(context, [...new Set(placed.map(({ tag }) => tag))]),
    listStations(context),
    listClamps(context),
    platesAtHand(context),
    matchingRules(context),
  ]);
  const problems: string[] = [];
  const stations: PoolStation[] = [];
  const questions: StationQuestion[] = [];
  const lifterOf: Record<string, string> = {};
  const groups = groupBy(placed, ({ block, station, tag }) => `${block}:${station}:${tag}`);
  for (const [key, own] of [...groups].sort(
    ([, [a]], [, [b]]) => a!.block - b!.block || (a!.station < b!.station ? -1 : 1),
  )) {
    const { block, station, tag } = own[0]!;
    const listed = bars.find(({ bar }) => bar.tag === tag);
    const mass = listed ? valueOf(listed.bar, "mass") : null;
    const broken = [...new Set(own.flatMap(({ item }) => breaks.get(item.id) ?? []))];
    if (broken.length > 0 || !listed || mass === null) {
      problems.push(`${broken.join(" ") || `${tag} was never weighed.`} Its sets are not in the plan.`);
      continue;
    }
    const barUnits = massUnitsFromKg(policies.mass === "rounded" ? Math.round(mass) : mass);
    const clampPairUnits = clamp?.pairMassUnits ?? 0;
    const work = own.map(({ item }) => item.loadKg);
    let rounds: ReturnType<typeof ladderRounds>;
    try {
      rounds = ladderRounds(work, kgFromMassUnits(barUnits + clampPairUnits), wish);
    } catch (error) {
      problems.push(`${tag}: ${error instanceof Error ? error.message : "no ladder"}.`);
      continue;
    }
    const flat = rounds.flatMap((round, r) => round.flatMap((set) => (set ? [{ ...set, round: r }] : [])));
    const from = block * row.blockMinutes;
    const [sleeve, rated] = [valueOf(listed.bar, "sleeveLength"), ratedTotalKg(listed.bar)];
    questions.push({
      key,
      barUnits,
      clampPairUnits,
      roomMm: sleeve === null ? null : Math.max(0, sleeve - (clamp?.widthMm ?? 0)),
      changesSetupEmpty: false,
      start: [],
      endsEmpty: true,
      ...{ toleranceUnits: massUnitsFromKg(loadToleranceKg), isFloor: true, order: policies.stack },
      ratedUnits: rated === null ? null : massUnitsFromKg(rated),
      endsAtMinutes: from + row.blockMinutes,
      sets: flat.map(({ lifter, targetKg, round }, i): StationSet => {
        const setId = `${key}:${round}.${lifter}`;
        lifterOf[setId] = own[lifter]!.item.lifterName;
        return {
          id: setId,
          targetUnits: massUnitsFromKg(targetKg),
          setup: null,
          lifter,
          round,
          atMinutes: Math.round(100 * (from + (row.blockMinutes * i) / flat.length)) / 100,
        };
      }),
    });
    stations.push({
      key,
      block,
      station: allStations.find((one) => one.key === station)?.name ?? station,
      stationKey: station,
      tag,
      barName: listed.bar.name,
      lifters: own.map(({ item }) => ({ name: item.lifterName, workKg: item.loadKg, lift: item.lift })),
    });
  }
  return {
    ok: true,
    row,
    stations,
    lifterOf,
    problems,
    question: {
      plates: [...atHand.values()]
        .filter(({ row: { massUnit } }) => wish.only === null || massUnit === wish.only)
        .map((plate) => {
          const { id: plateId, massUnits, pairs, thicknessMm, diameterMm } = plateKindAtHand(plate, plate.row.pairs);
          return { id: plateId, massUnits, pairs, diameterMm, thicknessMm: thicknessMm ?? 0 };
        }),
      stations: questions,
    },
  };
}
