import { ENDINGS, type Ending } from "@/core/loading/endings";
import { ROUNDINGS, type Rounding } from "@/core/loading/question";
import { readMass, readUnit } from "../kit/massInput";
import { href } from "../kit/search";

/** What the Load screen is asked, as its address says it. */
export interface LoadState {
  bar: string | undefined;
  /** As typed. */
  target: string;
  /** Null when what was typed is no load. */
  targetKg: number | null;
  unit: "kg" | "lb";
  clamps: string | undefined;
  ending: Ending;
  rounding: Rounding;
  /** Loads within this many kg of the nearest count as equally near. */
  withinKg: number;
  /** Plates marked in one unit only. */
  only: "kg" | "lb" | null;
  /** Plates on each side now, inside first. */
  onBar: string[];
  /** Short name of the rack it stands in; empty for none. */
  at: string;
}

/** Tolerances to choose from, in kg. The house starts with half a kilogram: fewer plates, and nobody feels it. */
export const TOLERANCES_KG = [0.5, 0, 0.25, 1] as const;

const START_TARGET = { kg: "100", lb: "225" };
const MAX_ON_BAR = 40;
const MAX_KG = 2000;

export function readLoadState(search: Record<string, string | undefined>): LoadState {
  const unit = readUnit(search.unit);
  const typed = search.target ?? START_TARGET[unit];
  // The address says the target with its unit, so that a change of unit keeps the load.
  const mass = readMass(typed, unit);
  const isLoad = mass !== null && mass.kg > 0 && mass.kg <= MAX_KG;
  return {
    bar: search.bar,
    target: isLoad ? mass.typed : typed,
    targetKg: isLoad ? mass.kg : null,
    unit,
    clamps: search.clamps,
    ending: ENDINGS.find((key) => key === search.ending) ?? "racked",
    rounding: ROUNDINGS.find((key) => key === search.rounding) ?? "at-or-below",
    withinKg: TOLERANCES_KG.find((kg) => String(kg) === search.within) ?? TOLERANCES_KG[0],
    only: search.only === "kg" || search.only === "lb" ? search.only : null,
    onBar: (search.on ?? "").split(",").filter(Boolean).slice(0, MAX_ON_BAR),
    at: search.at ?? "",
  };
}

/** The parameters that say a state; what is as it starts is left out. */
export function loadParams(state: LoadState): Record<string, string | undefined> {
  return {
    bar: state.bar,
    target: state.targetKg === null ? state.target : `${state.target}${state.unit}`,
    unit: state.unit === "kg" ? undefined : state.unit,
    clamps: state.clamps,
    ending: state.ending === "racked" ? undefined : state.ending,
    rounding: state.rounding === "at-or-below" ? undefined : state.rounding,
    within: state.withinKg === TOLERANCES_KG[0] ? undefined : String(state.withinKg),
    only: state.only ?? undefined,
    on: state.onBar.join(",") || undefined,
    at: state.at || undefined,
  };
}

export const loadAddress = (state: LoadState, change: Partial<LoadState> = {}) =>
  href("/load", loadParams({ ...state, ...change }));
