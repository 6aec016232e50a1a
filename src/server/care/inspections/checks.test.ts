import { eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { checkAnswers } from "@/core/care/checks";
import { CARE_TASKS } from "@/core/care/careTasks";
import { bars, careFindings, careLog, carePlan, careTasks, inspections } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { changeBarState } from "@/server/bars/barState";
import { tickCare } from "@/server/care/log";
import { roundOf, touchRound } from "@/server/care/rounds";
import { tickCheck } from "./inspections";

/* Care that only looks wants a result, whichever way it is ticked off; what is found follows at once. */

async function withChecks(name: string) {
  const made = await makeContexts(name);
  for (const [i, key] of (["straightness", "sleeve-check"] as const).entries()) {
    const { name: words, steps, minutes } = CARE_TASKS[key];
    const [task] = await made.hall.insert(careTasks, {
      ...{ key, name: words, steps: [...steps], minutes, listOrder: i + 2, dependsOnFinish: false },
      ...{ dryDays: 90, temperateDays: 90, saltHumidDays: 60 },
    });
    await made.hall.insert(carePlan, {
      ...{ barId: made.bar.id, taskId: task!.id, lastDoneOn: "2026-01-01", dueOn: "2026-03-02", intervalDays: 60 },
      reason: "every 60 days",
    });
  }
  const crew = made.context("care");
  let keys = 0;
  return {
    ...made,
    crew,
    state: async () => (await made.hall.first(bars, { where: eq(bars.id, made.bar.id) }))!,
    touch: (tasks: string[], results?: Record<string, string>) =>
      touchRound(crew, {
        ...{ key: `touch-${(keys += 1)}-check`, kind: "done", tag: "T1", tasks, madeAt: "2026-03-20T06:00:00Z" },
        ...(results ? { results } : {}),
      }),
    tick: (task: string, more: { result: string; doneOn?: string }) =>
      tickCheck(crew, {
        ...{ tag: "T1", task, doneOn: "2026-03-20", doneBy: crew.actor.personId, note: "" },
        ...{ idempotencyKey: `tick-${(keys += 1)}-check`, ...more },
      }),
  };
}

describe("a check on a round", () => {
  it("is refused without a result, and nothing of that touch is saved", async () => {
    const { hall, touch, state } = await withChecks("no result");
    const insufficient: (Record<string, string> | undefined)[] = [
      ...[undefined, {}, { straightness: "fine" }],
      { "sleeve-check": "sound" },
    ];
    for (const results of insufficient)
      expect(await touch(["shaft", "straightness"], results)).toMatchObject({
        code: "invalid",
        problems: [{ path: "result" }],
      });
    expect(await hall.rows(careLog)).toEqual([]);
    expect((await state()).state).toBe("in-service");
  });
  it("says what it may find, and work does not", async () => {
    const { crew } = await withChecks("answers");
    const [stop] = (await roundOf(crew, { task: null, day: "2026-03-20" })).stops;
    expect(Object.fromEntries(stop!.tasks.map(({ key, answers }) => [key, answers.length]))).toEqual({
      shaft: 0,
      straightness: 3,
      "sleeve-check": 3,
    });
  });
  it("with good results is one inspection and counts for every task", async () => {
    const { hall, touch } = await withChecks("sound");
    const good = { straightness: "straight", "sleeve-check": "sound" };
    expect(await touch(["shaft", ...Object.keys(good)], good)).toMatchObject({ ok: true });
    expect(await hall.rows(inspections)).toMatchObject([
      { decided: "keep", facts: { hops: false, crackSeen: false, sleeves: "free", parts: { "end caps": "sound" } } },
    ]);
    expect(await hall.rows(careLog)).toHaveLength(3);
    expect((await hall.rows(carePlan)).every(({ lastDoneOn }) => lastDoneOn === "2026-03-20")).toBe(true);
    expect(await hall.rows(careFindings)).toEqual([]);
  });
  it.each([
    [{ straightness: "hops", "sleeve-check": "sound" }, "quarantined", "it hops"],
    [{ straightness: "crack", "sleeve-check": "drags" }, "quarantined", "Crack, A sleeve sticks or clicks"],
    [{ straightness: "straight", "sleeve-check": "drags" }, "watch", "A sleeve sticks or clicks"],
    [{ straightness: "straight", "sleeve-check": "loose" }, "quarantined", "Loose cap or ring"],
  ])("with %j: %s, and what is wrong stays open", async (results, wanted) => {
    const { hall, touch, state } = await withChecks(`bad ${JSON.stringify(results)}`);
    expect(await touch(Object.keys(results), results)).toMatchObject({ ok: true });
    expect((await state()).state).toBe(wanted);
    const open = await hall.rows(careFindings);
    expect(open).toHaveLength(1);
    const bad = checkAnswers("straightness", "power")
      .concat(checkAnswers("sleeve-check", "power"))
      .filter(({ key, isSound }) => !isSound && Object.values(results).includes(key));
    for (const { name } of bad) expect(open[0]!.note).toContain(name);
  });
  it("never takes a bar off watch, and a quarantined one is not passed by a tap", async () => {
    const { touch, state, tick, context } = await withChecks("watch");
    const put = async (to: "watch" | "quarantined") =>
      changeBarState(context("manager"), { tag: "T1", state: to, reason: "odd", version: (await state()).version });
    await put("watch");
    expect(await touch(["straightness"], { straightness: "straight" })).toMatchObject({ ok: true });
    expect((await state()).state).toBe("watch");
    await put("quarantined");
    expect(await touch(["sleeve-check"], { "sleeve-check": "sound" })).toMatchObject({ code: "impossible" });
    expect(await tick("sleeve-check", { result: "sound" })).toMatchObject({ code: "impossible" });
  });
});

describe("a check ticked off a list", () => {
  it("wants a result there too, on its day, and says the next one", async () => {
    const { hall, crew, tick } = await withChecks("list");
    expect(
      await tickCare(crew, {
        ...{ tag: "T1", task: "straightness", doneOn: "2026-03-19", doneBy: crew.actor.personId, note: "" },
        idempotencyKey: "plain-tick",
      }),
    ).toMatchObject({ code: "invalid" });
    expect(await tick("straightness", { result: "" })).toMatchObject({ code: "invalid" });
    expect(await tick("shaft", { result: "straight" })).toMatchObject({ code: "invalid" });
    expect(await tick("straightness", { result: "straight", doneOn: "2026-03-19" })).toMatchObject({
      ok: true,
      verdict: "keep",
      dueOn: "2026-05-18",
    });
    expect(await hall.rows(inspections)).toMatchObject([{ inspectedOn: "2026-03-19" }]);
  });
});
