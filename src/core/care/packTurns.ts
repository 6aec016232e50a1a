import { packRounds } from "./packRounds";
import type { PackQuestion, RoundWindow } from "./packQuestion";

/** One task on one bar as it comes round: first on its due day, then again and again. Days are counted from any day. */
export interface CareTurns {
  id: string;
  task: string;
  minutes: number;
  due: number;
  /** Days between two times; 0 where it comes only when something asks for it. */
  intervalDays: number;
}

export interface TurnsQuestion {
  care: readonly CareTurns[];
  windows: readonly RoundWindow[];
  setupMinutes: PackQuestion["setupMinutes"];
  /** Turns that are due on this day or later belong to the next plan. */
  horizon: number;
  /** Care may come so much before its day, as a share of its interval. */
  earlyShare: number;
}

/** One time one task is done on one bar. */
export interface Turn {
  /** Which of the care. */
  care: number;
  /** 0 is what is due next, 1 the time after it. */
  turn: number;
  due: number;
  /** Where it is done; null where it fits nowhere. */
  windowId: string | null;
}

export interface PackedTurns {
  turns: Turn[];
  /** Days late over all turns that are placed. */
  lateness: number;
}

/** So often the plan is made anew where two turns of the same care came too near to one another. */
const MAX_PLANS = 4;

/**
 * Packs every turn of care up to a horizon into rounds that people can do. What is due next is packed first, by itself;
 * the times after it are due one interval after the day it is really done on, and all is packed together. Two turns of
 * the same care are never nearer than the interval less what may come early: where packing puts them nearer, the later
 * one is made to wait and all is packed again; one that still stands too near is left to the next plan. No later turn
 * takes the place of what is due next: where one would, what is due next is all that is planned.
 *
 * @returns every turn with the day it is due and its window, null where it fits nowhere; lateness in days
 */
export function packTurns(question: TurnsQuestion): PackedTurns {
  const { care, windows, horizon } = question;
  const first = care.flatMap(({ due }, n) => (due < horizon ? [turnOf(n, 0, due)] : []));
  const alone = packed(question, first);
  const dayOf = new Map(windows.map(({ id, day }) => [id, day]));
  const dayAlone = new Map(alone.map((one) => [one.care, one.windowId === null ? null : dayOf.get(one.windowId)!]));
  let turns = first.flatMap((one) => {
    const { intervalDays } = care[one.care]!;
    const doneOn = dayAlone.get(one.care) ?? null;
    // What cannot be done once is not planned twice.
    if (doneOn === null || intervalDays < 1) return [one];
    const later = Math.max(0, Math.ceil((horizon - doneOn) / intervalDays) - 1);
    return [one, ...Array.from({ length: later }, (_, k) => turnOf(one.care, k + 1, doneOn + (k + 1) * intervalDays))];
  });
  if (turns.length === first.length) return answer(dayOf, alone);
  for (let plan = 1; ; plan += 1) {
    const placed = packed(question, turns);
    if (firstPlaced(placed) < firstPlaced(alone)) return answer(dayOf, alone);
    const near = tooNear(question, dayOf, placed);
    if (near.size === 0 || plan === MAX_PLANS)
      return answer(
        dayOf,
        placed.filter((_, i) => !near.has(i)),
      );
    turns = turns.map((one, i) => ({ ...one, ...near.get(i) }));
  }
}

const firstPlaced = (turns: readonly PlacedTurn[]) =>
  turns.filter(({ turn, windowId }) => turn === 0 && windowId !== null).length;

interface AskedTurn extends Omit<Turn, "windowId"> {
  /** Not before this day, where an earlier plan showed that it must wait. */
  earliest: number | null;
}

type PlacedTurn = AskedTurn & Pick<Turn, "windowId">;

const turnOf = (care: number, turn: number, due: number): AskedTurn => ({ care, turn, due, earliest: null });

/** Days that care may come before its day. */
const early = (intervalDays: number, earlyShare: number) => Math.ceil(earlyShare * Math.max(intervalDays, 1));

function packed({ care, windows, setupMinutes, earlyShare }: TurnsQuestion, turns: readonly AskedTurn[]): PlacedTurn[] {
  const { windowOf } = packRounds({
    jobs: turns.map(({ care: n, turn, due, earliest }) => {
      const { id, task, minutes, intervalDays } = care[n]!;
      const soonest = Math.max(0, due - early(intervalDays, earlyShare));
      return { id: `${id} ${turn}`, task, minutes, due, earliest: Math.max(soonest, earliest ?? 0) };
    }),
    windows,
    setupMinutes,
  });
  return turns.map((one, i) => ({ ...one, windowId: windowOf[i]! }));
}

/** Turns that stand too near to the one before them, by place in the list: from when, and by when they should come. */
function tooNear(
  { care, earlyShare }: TurnsQuestion,
  dayOf: ReadonlyMap<string, number>,
  placed: readonly PlacedTurn[],
): Map<number, { earliest: number; due: number }> {
  const near = new Map<number, { earliest: number; due: number }>();
  /** The day of the last turn of the same care that stands well. */
  let last = -Infinity;
  placed.forEach((one, i) => {
    if (one.turn === 0) last = -Infinity;
    if (one.windowId === null) return;
    const day = dayOf.get(one.windowId)!;
    const { intervalDays } = care[one.care]!;
    const earliest = last + intervalDays - early(intervalDays, earlyShare);
    if (day >= earliest) last = day;
    else near.set(i, { earliest, due: Math.max(one.due, last + intervalDays) });
  });
  return near;
}

function answer(dayOf: ReadonlyMap<string, number>, placed: readonly PlacedTurn[]): PackedTurns {
  return {
    turns: placed.map(({ care, turn, due, windowId }) => ({ care, turn, due, windowId })),
    lateness: placed.reduce(
      (sum, { due, windowId }) => sum + (windowId === null ? 0 : Math.max(0, dayOf.get(windowId)! - due)),
      0,
    ),
  };
}
