import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { massUnitsFromKg } from "../../units/exactMass";
import { planSession } from "../plan/planSession";
import type { PlanPlate, SessionQuestion } from "../plan/sessionQuestion";
import {
  changesOfRun,
  currentSet,
  handledInRun,
  lastClosed,
  onBarNow,
  platesHeldByRun,
  startRun,
  type RunState,
} from "./runState";
import { stepRun, type RunStep } from "./runStep";

const kg = massUnitsFromKg;
const plate = (mass: number, pairs: number): PlanPlate => ({
  id: `p${mass}`,
  massUnits: kg(mass),
  pairs,
  thicknessMm: 0,
});
const PLATES = [plate(20, 3), plate(15, 1), plate(10, 2), plate(5, 2), plate(2.5, 2)];

/** Two lifters in turn: Ann to 100, Bo to 80. */
function run(
  targets = [40, 30, 70, 50, 100, 80, 100, 80],
  more: Partial<SessionQuestion> = {},
  setups?: string[],
): RunState {
  const question: SessionQuestion = {
    barUnits: kg(20),
    clampPairUnits: 0,
    roomMm: null,
    changesSetupEmpty: false,
    plates: PLATES,
    sets: targets.map((target, i) => ({ id: `s${i + 1}`, targetUnits: kg(target), setup: setups?.[i] ?? null })),
    start: [],
    endsEmpty: true,
    ...more,
  };
  return startRun(
    question,
    planSession(question),
    question.sets.map(({ id, setup }, i) => ({
      id,
      lifter: i % 2 ? "Bo" : "Ann",
      isWork: i > 3,
      setup,
      jCupHole: null,
    })),
  );
}
const take = (state: RunState, ...steps: RunStep[]) => steps.reduce((now, step) => stepRun(now, step).state, state);
const done = (state: RunState): RunStep => {
  const { id, perSide } = currentSet(state)!;
  return { kind: "done", set: id, perSide };
};
const massKg = (stack: readonly string[]) => 20 + 2 * stack.reduce((sum, id) => sum + Number(id.slice(1)), 0);

/** Carries the plates as a crew would: what the sheet says comes off is what is outermost. */
function carried(state: RunState): void {
  const sleeve = [...state.start];
  let handled = 0;
  changesOfRun(state).forEach(({ off, on }, i) => {
    for (const id of off) expect(sleeve.pop()).toBe(id);
    sleeve.push(...on);
    handled += off.length + on.length;
    if (state.sets[i]!.state !== "skipped") expect(sleeve).toEqual(state.sets[i]!.perSide);
  });
  expect(handledInRun(state)).toBe(handled + sleeve.length);
}

describe("a run sheet", () => {
  it("goes from set to set, and says what comes off and goes on", () => {
    let state = run();
    const planned = handledInRun(state);
    while (currentSet(state)) state = take(state, done(state));
    expect(state.sets.map((set) => set.state)).toEqual(Array<string>(8).fill("done"));
    expect(handledInRun(state)).toBe(planned);
    expect(onBarNow(state)).toEqual(state.sets.at(-1)!.perSide);
    carried(state);
  });
  it("counts a set that two tablets tick as done once", () => {
    const state = run();
    const first = stepRun(state, done(state));
    expect(first.outcome).toBe("taken");
    const again = stepRun(first.state, done(state));
    expect(again).toEqual({ state: first.state, outcome: "already" });
  });
  it("plans the rest anew when a load changes, and leaves what is done", () => {
    let state = run();
    state = take(state, done(state));
    state = take(state, done(state));
    const before = state.sets.slice(0, 2);
    const { state: changed, outcome } = stepRun(state, { kind: "load", set: "s5", targetUnits: kg(105) });
    expect(outcome).toBe("taken");
    expect(changed.sets.slice(0, 2)).toEqual(before);
    const set = changed.sets.find(({ id }) => id === "s5")!;
    expect(massKg(set.perSide)).toBe(105);
    expect(set.achievedUnits).toBe(kg(105));
    carried(changed);
    // The least from here on: what planning the rest by itself from these plates says.
    const rest = planSession({
      ...changed.bar,
      plates: PLATES,
      sets: changed.sets.slice(2).map(({ id, targetUnits }) => ({ id, targetUnits, setup: null })),
      start: onBarNow(changed),
      endsEmpty: true,
    });
    const doneSoFar = handledInRun({ ...changed, sets: changed.sets.slice(0, 2) }) - onBarNow(changed).length;
    expect(handledInRun(changed)).toBe(doneSoFar + rest.handled);
    expect(stepRun(changed, { kind: "load", set: "s1", targetUnits: kg(50) }).outcome).toBe("late");
    expect(stepRun(changed, { kind: "load", set: "s5", targetUnits: kg(105) }).outcome).toBe("already");
  });
  it("leaves a set out, takes it back, and takes only the last one back", () => {
    const state = take(run(), { kind: "skip", set: "s1" });
    expect(state.sets[0]).toMatchObject({ id: "s1", state: "skipped" });
    expect(currentSet(state)!.id).toBe("s2");
    carried(state);
    const more = take(state, done(state));
    expect(stepRun(more, { kind: "reopen", set: "s1" }).outcome).toBe("late");
    const back = take(more, { kind: "reopen", set: "s2" });
    expect(currentSet(back)!.id).toBe("s2");
    expect(stepRun(back, { kind: "reopen", set: "s2" }).outcome).toBe("already");
    const whole = take(back, { kind: "reopen", set: "s1" });
    expect(currentSet(whole)!.id).toBe("s1");
    carried(whole);
    expect(stepRun(whole, { kind: "skip", set: "none" }).outcome).toBe("unknown");
  });
  it("believes a tablet that was away: what was lifted was lifted, with the plates it had, and the rest follows from there", () => {
    const begun = take(run(), done(run()));
    // The tablet without a connection goes on by the plan it knows; meanwhile another one changes the very next load and leaves a set out.
    const away: RunStep[] = [];
    let there = begun;
    for (let i = 0; i < 3; i += 1) {
      away.push(done(there));
      there = take(there, away.at(-1)!);
    }
    const here = take(begun, { kind: "load", set: "s2", targetUnits: kg(35) }, { kind: "skip", set: "s3" });
    const both = take(here, ...away);
    expect(both.sets.filter(({ state }) => state === "done").map(({ id }) => id)).toEqual(["s1", "s2", "s3", "s4"]);
    expect(both.sets.find(({ id }) => id === "s2")!.perSide).toEqual(there.sets[1]!.perSide);
    expect(both.sets).toHaveLength(8);
    carried(both);
    // Sent again, all of it, nothing changes.
    expect(take(both, ...away)).toEqual(both);
    expect(stepRun(both, { kind: "skip", set: "s4" }).outcome).toBe("late");
    expect(stepRun(both, { kind: "done", set: "s5", perSide: ["p99"] }).outcome).toBe("unknown");
  });
  it("does without a plate that is put away meanwhile, also when it is on the bar", () => {
    let state = run();
    for (let i = 0; i < 5; i += 1) state = take(state, done(state));
    const gone = onBarNow(state)[1]!;
    const less = PLATES.map((one) => (one.id === gone ? { ...one, pairs: 0 } : one));
    const after = take(state, { kind: "plates", plates: less });
    expect(after.sets.slice(0, 5)).toEqual(state.sets.slice(0, 5));
    for (const { perSide, state: open } of after.sets) if (open === "open") expect(perSide).not.toContain(gone);
    carried(after);
  });
  it("strips a bar that changes only empty, also between what is done and what comes", () => {
    const setups = ["long", "short", "long", "short", "long", "short", "long", "short"];
    let state = run(undefined, { changesSetupEmpty: true }, setups);
    for (const { off, on } of changesOfRun(state).slice(1)) expect(off.length + on.length).toBeGreaterThan(1);
    carried(state);
    state = take(state, done(state));
    state = take(state, { kind: "load", set: "s4", targetUnits: kg(60) });
    carried(state);
    changesOfRun(state).forEach(({ off }, i) => {
      if (i > 0) expect(off).toHaveLength(state.sets[i - 1]!.perSide.length);
    });
  });
  it("says what it holds from now on, plate by plate", () => {
    let state = run([100, 60, 40]);
    const most = Math.max(...state.sets.map(({ perSide }) => perSide.filter((id) => id === "p20").length));
    expect(most).toBeGreaterThan(0);
    expect(platesHeldByRun(state).get("p20")).toBe(most);
    while (currentSet(state)) state = take(state, done(state));
    expect([...platesHeldByRun(state).values()].reduce((sum, n) => sum + n, 0)).toBe(onBarNow(state).length);
    expect(lastClosed(state)!.id).toBe("s3");
  });
});

/** Any steps on any set, in any order. */
const steps = fc.array(
  fc.oneof(
    fc.record({
      kind: fc.constant("done" as const),
      set: fc.integer({ min: 1, max: 6 }).map((n) => `s${n}`),
      perSide: fc.subarray(PLATES.map(({ id }) => id)),
    }),
    fc.record({
      kind: fc.constantFrom("skip" as const, "reopen" as const),
      set: fc.integer({ min: 1, max: 6 }).map((n) => `s${n}`),
    }),
    fc.record({
      kind: fc.constant("load" as const),
      set: fc.integer({ min: 1, max: 6 }).map((n) => `s${n}`),
      targetUnits: fc.integer({ min: 8, max: 48 }).map((n) => kg(2.5 * n)),
    }),
  ),
  { maxLength: 14 },
);

it("never loses or doubles a set, whatever is touched in whatever order, and always adds up on the sleeve", () => {
  const start = run([40, 30, 70, 50, 100, 80]);
  fc.assert(
    fc.property(steps, (touched) => {
      let state = start;
      for (const step of touched) {
        const before = state;
        const next = stepRun(state, step);
        state = next.state;
        expect(state.sets.map(({ id }) => id).sort()).toEqual(["s1", "s2", "s3", "s4", "s5", "s6"]);
        // Whatever is done stays done, unless it was taken back.
        if (step.kind !== "reopen")
          for (const set of before.sets) if (set.state === "done") expect(state.sets).toContainEqual(set);
        if (next.outcome !== "taken") expect(state).toBe(before);
        // A step sent twice in a row counts once.
        const again = stepRun(state, step);
        if (step.kind === "reopen" && next.outcome === "taken") expect(again.outcome).toBe("already");
        else if (next.outcome === "taken") expect(again.state.sets).toEqual(state.sets);
      }
      carried(state);
      const firstOpen = state.sets.findIndex((set) => set.state === "open");
      if (firstOpen >= 0) expect(state.sets.slice(firstOpen).every((set) => set.state === "open")).toBe(true);
    }),
    { numRuns: 150 },
  );
});
