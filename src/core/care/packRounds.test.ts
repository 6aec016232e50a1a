import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { seeded } from "../loading/plan/instances.fixture";
import type { MipSolver } from "../loading/mipSolver.fixture";
import { earliestDueFirst, packRounds } from "./packRounds";
import type { CareJob, PackedRounds, PackQuestion } from "./packQuestion";

const job = (id: string, due: number, minutes = 3, task = "shaft", earliest = -99): CareJob => ({
  id,
  task,
  minutes,
  earliest,
  due,
});
const window = (id: string, day: number, minutes = 10) => ({ id, day, minutes });

/** What must hold of every plan, whatever made it. */
function check({ jobs, windows, setupMinutes }: PackQuestion, plan: PackedRounds): void {
  let lateness = 0;
  for (const w of windows) {
    const own = jobs.filter((_, j) => plan.windowOf[j] === w.id);
    const setups = [...new Set(own.map(({ task }) => task))].reduce((sum, task) => sum + (setupMinutes[task] ?? 0), 0);
    expect(own.reduce((sum, { minutes }) => sum + minutes, setups)).toBeLessThanOrEqual(w.minutes + 1e-6);
    for (const one of own) {
      expect(w.day).toBeGreaterThanOrEqual(one.earliest);
      lateness += Math.max(0, w.day - one.due);
    }
  }
  expect(plan.lateness).toBe(lateness);
  expect(plan.unplaced).toEqual(jobs.filter((_, j) => plan.windowOf[j] === null).map(({ id }) => id));
  expect(plan.rounds).toBe(new Set(plan.windowOf.filter(Boolean)).size);
}

describe("rounds", () => {
  it("gather what is due within days of each other into one round", () => {
    const question = {
      jobs: [job("a", 3), job("b", 5), job("c", 4)],
      windows: [1, 2, 3, 4].map((day) => window(`d${day}`, day)),
      setupMinutes: {},
    };
    const plan = packRounds(question);
    check(question, plan);
    expect(plan).toMatchObject({ lateness: 0, rounds: 1, unplaced: [] });
  });
  it("count getting ready once for all bars of a task: all sleeves together", () => {
    const sleeves = Array.from({ length: 8 }, (_, i) => job(`s${i}`, 9, 0.75, "sleeves"));
    const question = {
      jobs: sleeves,
      windows: [window("one", 2, 8), window("two", 3, 8)],
      setupMinutes: { sleeves: 2 },
    };
    expect(packRounds(question)).toMatchObject({ lateness: 0, rounds: 1 });
    expect(packRounds({ ...question, windows: [window("one", 2, 7.9), window("two", 3, 8)] }).rounds).toBe(1);
    expect(packRounds({ ...question, windows: [window("one", 2, 6), window("two", 3, 6)] }).rounds).toBe(2);
  });
  it("move one job out of another's way rather than be late", () => {
    // By due date the long job takes the first day's room, and the short one that must be then is late.
    const question = {
      jobs: [job("early", 1, 6), job("soon", 1, 6), job("later", 3, 4)],
      windows: [window("d1", 1, 12), window("d3", 3, 4)],
      setupMinutes: {},
    };
    const plan = packRounds(question);
    check(question, plan);
    expect(plan.lateness).toBe(0);
  });
  it("say what fits nowhere, and do nothing too early", () => {
    const question = {
      jobs: [job("long", 2, 30), job("young", 9, 3, "shaft", 6)],
      windows: [window("d1", 1), window("d7", 7)],
      setupMinutes: {},
    };
    const plan = packRounds(question);
    expect(plan.unplaced).toEqual(["long"]);
    expect(plan.windowOf).toEqual([null, "d7"]);
    expect(packRounds({ ...question, windows: [] }).unplaced).toHaveLength(2);
  });
});

const anyQuestion = fc.record({
  jobs: fc.array(
    fc.record({
      due: fc.integer({ min: -3, max: 20 }),
      minutes: fc.integer({ min: 1, max: 6 }),
      task: fc.constantFrom("shaft", "sleeves"),
      early: fc.integer({ min: 0, max: 12 }),
    }),
    { maxLength: 40 },
  ),
  windows: fc.array(fc.record({ day: fc.integer({ min: 0, max: 20 }), minutes: fc.integer({ min: 2, max: 20 }) }), {
    maxLength: 14,
  }),
});
const asked = ({
  jobs,
  windows,
}: {
  jobs: { due: number; minutes: number; task: string; early: number }[];
  windows: { day: number; minutes: number }[];
}): PackQuestion => ({
  jobs: jobs.map(({ due, minutes, task, early }, i) => ({ id: `j${i}`, task, minutes, due, earliest: due - early })),
  windows: windows.map((one, i) => ({ id: `w${i}`, ...one })),
  setupMinutes: { sleeves: 2 },
});

it("is never worse than earliest due date first, and keeps every promise", () =>
  fc.assert(
    fc.property(anyQuestion, (raw) => {
      const question = asked(raw);
      const [ours, list] = [packRounds(question), earliestDueFirst(question)];
      check(question, ours);
      check(question, list);
      expect(ours.unplaced.length).toBeLessThanOrEqual(list.unplaced.length);
      if (ours.unplaced.length === list.unplaced.length) expect(ours.lateness).toBeLessThanOrEqual(list.lateness);
    }),
    { numRuns: 60 },
  ));

/** Most jobs placed, then least lateness, by the MIP solver package (HiGHS). */
function byMip(highs: MipSolver, { jobs, windows, setupMinutes }: PackQuestion): { placed: number; lateness: number } {
  const pairs = jobs.flatMap((one, j) =>
    windows.flatMap((w, k) =>
      w.day >= one.earliest ? [{ name: `x${j}_${k}`, j, k, late: Math.max(0, w.day - one.due) }] : [],
    ),
  );
  if (pairs.length === 0) return { placed: 0, lateness: 0 };
  const tasks = [...new Set(jobs.map(({ task }) => task))];
  const rows = [
    ...jobs
      .map((_, j) => pairs.filter((pair) => pair.j === j))
      .filter((own) => own.length > 0)
      .map((own) => ` ${own.map(({ name }) => name).join(" + ")} <= 1`),
    ...windows.map((w, k) => {
      const own = pairs.filter((pair) => pair.k === k);
      const used = own.map(({ name, j }) => `${jobs[j]!.minutes} ${name}`);
      const setups = tasks
        .filter((task) => setupMinutes[task])
        .map((task) => `${setupMinutes[task]} y${k}_${tasks.indexOf(task)}`);
      return own.length === 0 ? "" : ` ${[...used, ...setups].join(" + ")} <= ${w.minutes}`;
    }),
    ...pairs.map(({ name, j, k }) => ` ${name} - y${k}_${tasks.indexOf(jobs[j]!.task)} <= 0`),
  ].filter(Boolean);
  const names = [...pairs.map(({ name }) => name), ...windows.flatMap((_, k) => tasks.map((__, t) => `y${k}_${t}`))];
  // One job more is worth any lateness; a small worth, since the package stops at a gap of 0.01 %.
  const worth = pairs.map(({ name, late }) => `${200 - late} ${name}`).join(" + ");
  const { Status, Columns } = highs.solve(
    `Maximize\n obj: ${worth}\nSubject To\n${rows.join("\n")}\nBinary\n ${names.join(" ")}\nEnd`,
  );
  expect(Status).toBe("Optimal");
  const chosen = pairs.filter(({ name }) => Math.round(Columns[name]!.Primal ?? 0) === 1);
  return { placed: chosen.length, lateness: chosen.reduce((sum, { late }) => sum + late, 0) };
}

it("has the lateness of the MIP solver package on 60 seeded cases that it can solve", async () => {
  const highs = (await (await import("highs")).default()) as unknown as MipSolver;
  const random = seeded(7411);
  const pick = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  for (let n = 0; n < 60; n += 1) {
    const question = asked({
      jobs: Array.from({ length: pick(3, n < 40 ? 9 : 16) }, () => ({
        due: pick(-2, 8),
        minutes: pick(1, 6),
        task: pick(0, 1) ? "shaft" : "sleeves",
        early: pick(2, 9),
      })),
      windows: Array.from({ length: n < 40 ? pick(2, 5) : pick(6, 9) }, () => ({
        day: pick(0, 9),
        minutes: pick(5, 14),
      })),
    });
    const [ours, best] = [packRounds(question), byMip(highs, question)];
    expect([n, question.jobs.length - ours.unplaced.length, ours.lateness]).toEqual([n, best.placed, best.lateness]);
  }
});
