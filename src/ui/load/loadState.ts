import { ENDINGS, type Ending } from "@/core/loading/endings";
import { ROUNDINGS, type Rounding } from "@/core/loading/question";
import { KG_PER_LB } from "@/core/units/constants";
import { trimmed } from "@/core/units/format";
import { readMass, readUnit } from "../kit/massInput";
import { href } from "../kit/search";

/** What the Load screen is asked, as its address says it. */
export interface LoadState {
  bar: string | undefined;
  /** As typed. */
  target: string;
  /** Whether somebody named a target; else it is the one that the bar opens with. */
  isTargetGiven: boolean;
  /** Null when what was typed is no load. */
  targetKg: number | null;
  unit: "kg" | "lb";
  /** Whether the address names it; else it is the gym's. */
  isUnitGiven: boolean;
  clamps: string | undefined;
  ending: Ending;
  rounding: Rounding;
  /** How near is near enough, in kg; null for the gym's rule. */
  withinKg: number | null;
  /** Plates marked in one unit only. */
  only: "kg" | "lb" | null;
  /** Plates on each side now, inside first. */
  onBar: string[];
  /** Short name of the rack it stands in; empty for none. */
  at: string;
  /** Plates of one side that somebody wants judged, as typed. */
  stack: string;
  /** The right side, where it is not as that one. */
  other: string;
}

/** Tolerances to choose from beside the gym's own, in kg. */
export const TOLERANCES_KG = [0, 0.25, 0.5, 1] as const;

const START_TARGET = {
  kg: [100, 80, 60, 50, 40, 30, 25, 20, 15, 10],
  lb: [225, 185, 135, 95, 65, 45, 35, 25],
} as const;
const MAX_STACK = 300;

/**
 * The load that a bar opens with: a usual one that it may carry and that is more than the bar itself.
 *
 * @returns digits in the unit
 */
export function startTarget(unit: "kg" | "lb", ratedKg: number | null, emptyKg: number): string {
  const kgOf = (load: number) => (unit === "kg" ? load : load * KG_PER_LB);
  const usual = START_TARGET[unit];
  const found = usual.find((load) => kgOf(load) <= (ratedKg ?? Infinity) && kgOf(load) >= emptyKg);
  return String(found ?? trimmed(unit === "kg" ? emptyKg : emptyKg / KG_PER_LB, 2));
}
const MAX_ON_BAR = 40;
const MAX_KG = 2000;

export function readLoadState(search: Record<string, string | undefined>, start?: string): LoadState {
  const unit = readUnit(search.unit);
  const typed = search.target ?? start ?? String(START_TARGET[unit][0]);
  // The address says the target with its unit, so that a change of unit keeps the load.
  const mass = readMass(typed, unit);
  const isLoad = mass !== null && mass.kg > 0 && mass.kg <= MAX_KG;
  return {
    bar: search.bar,
    target: isLoad ? mass.typed : typed,
    isTargetGiven: search.target !== undefined,
    targetKg: isLoad ? mass.kg : null,
    unit,
    isUnitGiven: search.unit !== undefined,
    clamps: search.clamps,
    ending: ENDINGS.find((key) => key === search.ending) ?? "racked",
    rounding: ROUNDINGS.find((key) => key === search.rounding) ?? "nearest",
    withinKg: TOLERANCES_KG.find((kg) => String(kg) === search.within) ?? null,
    only: search.only === "kg" || search.only === "lb" ? search.only : null,
    onBar: (search.on ?? "").split(",").filter(Boolean).slice(0, MAX_ON_BAR),
    at: search.at ?? "",
    stack: (search.stack ?? "").slice(0, MAX_STACK),
    other: (search.other ?? "").slice(0, MAX_STACK),
  };
}

/** The parameters that say a state; what is as it starts is left out. */
export function loadParams(state: LoadState): Record<string, string | undefined> {
  return {
    bar: state.bar,
    target: state.targetKg === null ? state.target : `${state.target}${state.unit}`,
    unit: state.unit === "kg" && !state.isUnitGiven ? undefined : state.unit,
    clamps: state.clamps,
    ending: state.ending === "racked" ? undefined : state.ending,
    rounding: state.rounding === "nearest" ? undefined : state.rounding,
    within: state.withinKg === null ? undefined : String(state.withinKg),
    only: state.only ?? undefined,
    on: state.onBar.join(",") || undefined,
    at: state.at || undefined,
    stack: state.stack || undefined,
    other: (state.stack && state.other) || undefined,
  };
}

export const loadAddress = (state: LoadState, change: Partial<LoadState> = {}) =>
  href("/load", loadParams({ ...state, ...change }));
