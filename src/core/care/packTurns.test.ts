import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { packRounds } from "./packRounds";
import { packTurns, type CareTurns, type TurnsQuestion } from "./packTurns";

const care = (id: string, due: number, intervalDays: number, minutes = 3, task = "shaft"): CareTurns => ({
  id,
  task,
  minutes,
  due,
  intervalDays,
});
const asked = (more: Partial<TurnsQuestion>): TurnsQuestion => ({
  care: [],
  windows: Array.from({ length: 28 }, (_, day) => ({ id: `d${day}`, day, minutes: 30 })),
  setupMinutes: { shaft: 1 },
  horizon: 28,
  earlyShare: 0.35,
  ...more,
});
const days = (question: TurnsQuestion, which = 0) =>
  packTurns(question)
    .turns.filter(({ care: n }) => n === which)
    .map(({ windowId }) => (windowId === null ? null : question.windows.find(({ id }) => id === windowId)!.day));

describe("care that comes round again", () => {
  it("every ten days in four weeks: three times, each about an interval after the one before", () => {
    // Common practice, no source: shafts in salt and damp at least three times a month.
    const own = days(asked({ care: [care("K04", 0, 10)] }));
    expect(own).toHaveLength(3);
    own.slice(1).forEach((day, i) => {
      expect(day! - own[i]!).toBeGreaterThanOrEqual(6);
      expect(day! - own[i]!).toBeLessThanOrEqual(10);
    });
    expect(days(asked({ care: [care("K04", 3, 60)] }))).toHaveLength(1);
    expect(days(asked({ care: [care("K04", 28, 10)] }))).toEqual([]);
  });
  it("on condition only: once", () => {
    expect(days(asked({ care: [care("K04", 2, 0)] }))).toHaveLength(1);
  });
  it("counts the next time from the day it is really done, not from the day it was due", () => {
    // Somebody is in on the 9th first: what was due on the first day is nine days late, the next is not due before 16.
    const windows = [9, 12, 19, 26].map((day) => ({ id: `d${day}`, day, minutes: 30 }));
    const question = asked({ care: [care("K04", 0, 10)], windows });
    expect(days(question)).toEqual([9, 19]);
    expect(packTurns(question).lateness).toBe(9);
    expect(packTurns(question).turns[1]!.due).toBe(19);
  });
  it("says every turn that fits nowhere; what cannot be done once is not planned twice", () => {
    const windows = [{ id: "d1", day: 1, minutes: 4 }];
    expect(packTurns(asked({ care: [care("long", 1, 7, 9)], windows })).turns).toEqual([
      { care: 0, turn: 0, due: 1, windowId: null },
    ]);
    const one = packTurns(asked({ care: [care("K04", 1, 7)], windows }));
    expect(one.turns.map(({ windowId }) => windowId)).toEqual(["d1", null, null, null]);
    expect(packTurns(asked({}))).toEqual({ turns: [], lateness: 0 });
  });
});

const anyQuestion = fc.record({
  care: fc.array(
    fc.record({
      due: fc.integer({ min: -20, max: 30 }),
      intervalDays: fc.constantFrom(0, 1, 5, 10, 21, 60),
      minutes: fc.integer({ min: 1, max: 6 }),
      task: fc.constantFrom("shaft", "sleeves"),
    }),
    { maxLength: 12 },
  ),
  windows: fc.array(fc.record({ day: fc.integer({ min: 0, max: 27 }), minutes: fc.integer({ min: 3, max: 25 }) }), {
    maxLength: 10,
  }),
});

it("never puts two turns too near, never overfills anybody's hours, and places first turns as well as alone", () =>
  fc.assert(
    fc.property(anyQuestion, (raw) => {
      const question = asked({
        care: raw.care.map((one, i) => ({ id: `c${i}`, ...one })),
        windows: raw.windows.map((one, i) => ({ id: `w${i}`, ...one })),
      });
      const { turns, lateness } = packTurns(question);
      const dayOf = new Map(question.windows.map(({ id, day }) => [id, day]));
      question.care.forEach(({ due, intervalDays }, n) => {
        const own = turns.filter(({ care: of }) => of === n);
        expect(own.length > 0).toBe(due < 28);
        const placed = own.flatMap(({ windowId }) => (windowId === null ? [] : dayOf.get(windowId)!));
        placed.slice(1).forEach((day, i) => {
          expect(day - placed[i]!).toBeGreaterThanOrEqual(intervalDays - Math.ceil(0.35 * intervalDays));
        });
        if (intervalDays === 0) expect(own.length).toBeLessThanOrEqual(1);
      });
      for (const window of question.windows) {
        const inside = turns.filter(({ windowId }) => windowId === window.id).map(({ care: n }) => question.care[n]!);
        const setups = new Set(inside.map(({ task }) => task)).has("shaft") ? 1 : 0;
        expect(inside.reduce((sum, { minutes }) => sum + minutes, setups)).toBeLessThanOrEqual(window.minutes + 1e-9);
      }
      const late = turns.map(({ due, windowId }) => (windowId === null ? 0 : Math.max(0, dayOf.get(windowId)! - due)));
      expect(lateness).toBe(late.reduce((sum, one) => sum + one, 0));
      const alone = packRounds({
        jobs: question.care.flatMap(({ id, task, minutes, due, intervalDays }) =>
          due < 28
            ? { id, task, minutes, due, earliest: Math.max(0, due - Math.ceil(0.35 * Math.max(intervalDays, 1))) }
            : [],
        ),
        windows: question.windows,
        setupMinutes: question.setupMinutes,
      });
      const placedFirst = turns.filter(({ turn, windowId }) => turn === 0 && windowId !== null);
      expect(placedFirst.length).toBeGreaterThanOrEqual(alone.windowOf.filter((one) => one !== null).length);
    }),
    { numRuns: 25 },
  ));
