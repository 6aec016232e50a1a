import type { Build } from "./body";
import { CARRIES, CARRY_KEYS, type Carry, type CarryKey } from "./carry";

/** One carry of a comparison, with its own shank lean and what somebody moved of it. */
export interface AskedCarry {
  key: CarryKey;
  shankLeanDeg: number;
  carry: Carry;
}

/** What the balance page shows, as its address says it. */
export interface BalanceState {
  build: Build;
  loadKg: number;
  /** Hip above the knee, in degrees; 0 is a level thigh. */
  thighAngleDeg: number;
  mode: "squat" | "hinge";
  /** For a hinge. */
  trunkLeanDeg: number;
  /** All carries at the shank lean of the first: then the moments are equal. */
  isSamePose: boolean;
  carries: AskedCarry[];
}

/** What each slider may reach. */
export const BALANCE_RANGES = {
  heightMm: [1400, 2200],
  massKg: [35, 180],
  segmentMm: [250, 700],
  loadKg: [0, 300],
  thighAngleDeg: [-20, 60],
  trunkLeanDeg: [0, 85],
  shankLeanDeg: [0, 45],
  alongTrunkMm: [-150, 80],
  forwardMm: [-150, 200],
  camberForwardMm: [0, 300],
  camberDropMm: [0, 400],
  heldAngleDeg: [-15, 30],
} as const satisfies Record<string, readonly [number, number]>;

export const MAX_CARRIES = 3;

const PARTS = ["alongTrunkMm", "forwardMm", "camberForwardMm", "camberDropMm", "heldAngleDeg"] as const;

/**
 * A carry before anybody changed it.
 *
 * @returns the carry as the page starts with it: shares of the trunk, mm and degrees
 */
export const startingCarry = (key: CarryKey): AskedCarry => ({
  key,
  shankLeanDeg: CARRIES[key].shankLeanDeg,
  carry: CARRIES[key].carry,
});

/**
 * Anything that is not understood or out of reach is as the page starts.
 *
 * @returns lengths in mm, masses in kg, angles in degrees
 */
export function readBalance(search: Record<string, string | undefined>): BalanceState {
  const number = (text: string | undefined, [least, most]: readonly [number, number], start: number) => {
    const value = text === undefined || text.trim() === "" ? NaN : Number(text);
    return value >= least && value <= most ? value : start;
  };
  const segment = (text: string | undefined) => {
    const value = number(text, BALANCE_RANGES.segmentMm, NaN);
    return Number.isNaN(value) ? null : value;
  };
  const carries = (search.c ?? "")
    .split(",")
    .slice(0, MAX_CARRIES)
    .flatMap((text): AskedCarry[] => {
      const [key, lean, ...parts] = text.split(":");
      const known = CARRY_KEYS.find((one) => one === key);
      if (!known) return [];
      const start = startingCarry(known);
      const moved = Object.fromEntries(
        PARTS.map((part, i) => [part, number(parts[i], BALANCE_RANGES[part], start.carry[part])]),
      );
      return [
        {
          key: known,
          shankLeanDeg: number(lean, BALANCE_RANGES.shankLeanDeg, start.shankLeanDeg),
          carry: { ...start.carry, ...moved },
        },
      ];
    });
  return {
    build: {
      heightMm: number(search.h, BALANCE_RANGES.heightMm, 1800),
      massKg: number(search.m, BALANCE_RANGES.massKg, 85),
      trunkLengthMm: segment(search.trunk),
      thighLengthMm: segment(search.thigh),
      shankLengthMm: segment(search.shank),
    },
    loadKg: number(search.load, BALANCE_RANGES.loadKg, 100),
    thighAngleDeg: number(search.depth, BALANCE_RANGES.thighAngleDeg, search.mode === "hinge" ? 50 : 0),
    mode: search.mode === "hinge" ? "hinge" : "squat",
    trunkLeanDeg: number(search.lean, BALANCE_RANGES.trunkLeanDeg, 60),
    isSamePose: search.same === "1",
    carries: carries.length > 0 ? carries : (["high", "yoke", "cambered"] as const).map(startingCarry),
  };
}

/**
 * The parameters that say a state; what is as the page starts is left out.
 *
 * @returns parameters by name, as text
 */
export function balanceParams(state: BalanceState): Record<string, string> {
  const { build, mode } = state;
  const start = readBalance({ mode });
  const said: Record<string, string> = {};
  const say = (name: string, value: number | null | undefined, usual: number | null | undefined) => {
    if (value !== null && value !== undefined && value !== usual) said[name] = String(value);
  };
  if (mode === "hinge") said.mode = "hinge";
  say("h", build.heightMm, start.build.heightMm);
  say("m", build.massKg, start.build.massKg);
  say("trunk", build.trunkLengthMm, null);
  say("thigh", build.thighLengthMm, null);
  say("shank", build.shankLengthMm, null);
  say("load", state.loadKg, start.loadKg);
  say("depth", state.thighAngleDeg, start.thighAngleDeg);
  say("lean", state.trunkLeanDeg, start.trunkLeanDeg);
  if (state.isSamePose) said.same = "1";
  const carries = state.carries.map(carryText).join(",");
  if (carries !== start.carries.map(carryText).join(",")) said.c = carries;
  return said;
}

function carryText({ key, shankLeanDeg, carry }: AskedCarry): string {
  const start = startingCarry(key);
  const parts = PARTS.map((part) => (carry[part] === start.carry[part] ? "" : String(carry[part])));
  return [key, shankLeanDeg === start.shankLeanDeg ? "" : String(shankLeanDeg), ...parts].join(":").replace(/:+$/, "");
}
