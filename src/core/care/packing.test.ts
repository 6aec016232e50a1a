import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Facts, Packing } from "./packing";
import type { PackQuestion } from "./packQuestion";

const question: fc.Arbitrary<PackQuestion> = fc.record({
  jobs: fc
    .array(
      fc.record({
        task: fc.constantFrom("shaft", "sleeves", "straight"),
        minutes: fc.integer({ min: 1, max: 8 }),
        earliest: fc.integer({ min: 0, max: 4 }),
        due: fc.integer({ min: 0, max: 8 }),
      }),
      { minLength: 1, maxLength: 9 },
    )
    .map((jobs) => jobs.map((job, j) => ({ id: `j${j}`, ...job }))),
  windows: fc
    .array(fc.record({ day: fc.integer({ min: 0, max: 9 }), minutes: fc.integer({ min: 3, max: 20 }) }), {
      minLength: 1,
      maxLength: 5,
    })
    .map((windows) => windows.map((window, w) => ({ id: `w${w}`, ...window }))),
  setupMinutes: fc.record({ shaft: fc.integer({ min: 0, max: 4 }), sleeves: fc.integer({ min: 0, max: 4 }) }),
});

/** What a plan comes to, counted from the places of its jobs alone. */
function counted({ jobs, windows, setupMinutes }: PackQuestion, at: Int32Array) {
  const used = windows.map((_, w) => {
    const own = jobs.filter((_, j) => at[j] === w);
    const setups = [...new Set(own.map(({ task }) => task))].map((task) => setupMinutes[task] ?? 0);
    return [...own.map(({ minutes }) => minutes), ...setups].reduce((sum, minutes) => sum + minutes, 0);
  });
  const placed = jobs.map((job, j) => [job, at[j]!] as const).filter(([, w]) => w >= 0);
  return {
    used,
    placed: placed.length,
    lateness: placed.reduce((sum, [{ due }, w]) => sum + Math.max(0, windows[w]!.day - due), 0),
    rounds: new Set(placed.map(([, w]) => w)).size,
    isAllowed:
      used.every((minutes, w) => minutes <= windows[w]!.minutes + 1e-9) &&
      placed.every(([{ earliest }, w]) => windows[w]!.day >= earliest),
  };
}

/** Where a job may go, tried one by one. */
const placesFor = (asked: PackQuestion, packing: Packing, j: number) =>
  asked.windows.flatMap((_, w) => {
    const at = packing.at.slice();
    at[j] = w;
    return counted(asked, at).isAllowed ? [w] : [];
  });

/** Every job put where it is least late, in the order in which they stand; what does not fit is left out. */
function filled(asked: PackQuestion): Packing {
  const packing = new Packing(new Facts(asked));
  asked.jobs.forEach((_, j) => packing.place(j, packing.openFor(j)));
  return packing;
}

describe("a packing", () => {
  it("keeps what it costs in step with where its jobs are, whatever is placed and taken", () =>
    fc.assert(
      fc.property(question, fc.array(fc.nat(), { maxLength: 60 }), (asked, moves) => {
        const packing = new Packing(new Facts(asked));
        for (const move of moves) {
          const j = move % asked.jobs.length;
          packing.take(j);
          const places = placesFor(asked, packing, j);
          if (places.length > 0 && move % 3 > 0) packing.place(j, places[move % places.length]!);
          const { placed, lateness, isAllowed } = counted(asked, packing.at);
          expect([packing.placed, packing.lateness, isAllowed]).toEqual([placed, lateness, true]);
        }
      }),
    ));

  it("finds the first, the least late and the latest place, as trying each of them does", () =>
    fc.assert(
      fc.property(question, (asked) => {
        const packing = filled(asked);
        asked.jobs.forEach((job, j) => {
          packing.take(j);
          const days = placesFor(asked, packing, j).map((w) => asked.windows[w]!.day);
          const dayOf = (w: number) => (w < 0 ? null : asked.windows[w]!.day);
          const least = (some: number[]) => (some.length > 0 ? Math.min(...some) : null);
          const inTime = days.filter((day) => day <= job.due);
          expect(dayOf(packing.earliestFor(j))).toBe(least(days));
          expect(dayOf(packing.latestFor(j))).toBe(inTime.length > 0 ? Math.max(...inTime) : least(days));
          const open = packing.openFor(j);
          if (days.length === 0) expect(open).toBe(-1);
          else expect(Math.max(0, dayOf(open)! - job.due)).toBe(least(days.map((day) => Math.max(0, day - job.due))));
          packing.place(j, open);
        });
      }),
    ));

  it("is never worse when it is mended, and stays one that can be carried out", () =>
    fc.assert(
      fc.property(question, (asked) => {
        const packing = filled(asked);
        const before = counted(asked, packing.at);
        packing.mend();
        const after = counted(asked, packing.at);
        expect(after.isAllowed).toBe(true);
        expect(after.placed).toBeGreaterThanOrEqual(before.placed);
        if (after.placed === before.placed) expect(after.lateness).toBeLessThanOrEqual(before.lateness);
        expect([packing.placed, packing.lateness]).toEqual([after.placed, after.lateness]);
      }),
    ));

  it("needs no more rounds when rounds are emptied into others, loses no job and makes none later", () =>
    fc.assert(
      fc.property(question, (asked) => {
        const packing = filled(asked);
        const before = counted(asked, packing.at);
        packing.emptyRounds();
        const after = counted(asked, packing.at);
        expect(after.isAllowed).toBe(true);
        expect(after.placed).toBe(before.placed);
        expect(after.lateness).toBeLessThanOrEqual(before.lateness);
        expect(after.rounds).toBeLessThanOrEqual(before.rounds);
      }),
    ));

  it("makes room in time for one job by moving another that has time", () => {
    const asked: PackQuestion = {
      jobs: [
        { id: "has time", task: "shaft", minutes: 5, earliest: 0, due: 9 },
        { id: "is due", task: "shaft", minutes: 5, earliest: 0, due: 1 },
      ],
      windows: [
        { id: "first", day: 1, minutes: 5 },
        { id: "second", day: 4, minutes: 5 },
      ],
      setupMinutes: {},
    };
    const packing = new Packing(new Facts(asked));
    packing.place(0, 0);
    packing.place(1, 1);
    expect(packing.lateness).toBe(3);
    packing.mend();
    expect([...packing.at]).toEqual([1, 0]);
    expect(packing.lateness).toBe(0);
  });

  it("takes of equals the round that is open, with its task in it already, then the fullest", () => {
    const jobs = ["shaft", "sleeves", "shaft"].map((task, j) => ({
      id: `j${j}`,
      task,
      minutes: 2,
      earliest: 0,
      due: 5,
    }));
    const windows = [8, 9, 10].map((minutes, w) => ({ id: `w${w}`, day: 1, minutes }));
    const packing = new Packing(new Facts({ jobs, windows, setupMinutes: { shaft: 1 } }));
    expect(packing.openFor(2)).toBe(0);
    packing.place(1, 1);
    expect(packing.openFor(2)).toBe(1);
    packing.place(0, 2);
    expect(packing.openFor(2)).toBe(2);
  });

  it("is copied with all that it holds, and goes its own way after that", () => {
    const asked: PackQuestion = {
      jobs: [{ id: "a", task: "shaft", minutes: 5, earliest: 0, due: 0 }],
      windows: [{ id: "w", day: 2, minutes: 5 }],
      setupMinutes: {},
    };
    const packing = filled(asked);
    const other = packing.copy();
    other.take(0);
    expect([packing.placed, packing.lateness, other.placed, other.lateness]).toEqual([1, 2, 0, 0]);
    expect(packing.isBetterThan(other)).toBe(true);
  });
});
