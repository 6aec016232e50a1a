import "server-only";
import { and, asc, desc, eq, ne } from "drizzle-orm";
import { type BarState, isUsable } from "@/core/bars/bar";
import { FAMILIES, type FamilyKey } from "@/core/bars/families";
import type { QuantityKind } from "@/core/bars/quantities";
import { type CheckAnswer, checkAnswers, NOT_LOOKED_AT } from "@/core/care/checks";
import {
  INSPECTION_VERDICTS,
  type InspectionFacts,
  type InspectionVerdict,
  type Judgement,
  greatestRunout,
  judgeInspection,
} from "@/core/care/inspection";
import type { Problem } from "@/core/problem";
import { trimmed } from "@/core/units/format";
import type { HallDay } from "@/core/units/hallDay";
import type { Unit } from "@/core/units/typedQuantity";
import type { BarRow } from "@/data/barRows";
import { barMeasurements, bars, carePlan, careTasks, inspections } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { refreshEffective, returnLacks } from "@/server/bars";
import { keepFinding } from "@/server/care/findings";
import { type Tick, logDone, planToTick, tickProblems } from "@/server/care/log";
import { storedCareRules } from "@/server/care/planning";
import {
  type Failed,
  type Outcome,
  failed,
  forbidden,
  idempotent,
  namesById,
  notFound,
  recordChange,
} from "@/server/kit";

export type InspectionRow = typeof inspections.$inferSelect;

/** Inspections of one bar, newest first, with who looked. */
export async function inspectionsOf(
  context: Context,
  barId: string,
  limit = 20,
): Promise<(InspectionRow & { by: string })[]> {
  const { hall } = context;
  const rows = await hall.rows(inspections, {
    where: eq(inspections.barId, barId),
    orderBy: [desc(inspections.inspectedOn), desc(inspections.enteredAt)],
    limit,
  });
  const names = await namesById(hall);
  return rows.map((row) => ({ ...row, by: names.get(row.personId) ?? "someone" }));
}

export interface InspectionForm {
  tag: string;
  facts: InspectionFacts;
  /** What somebody decides; the rule's word where they do not. */
  decided: InspectionVerdict | null;
  reason: string;
  /** Made by the screen, once for each inspection. */
  idempotencyKey: string;
}

/**
 * Keeps what was found on a bar, judged by the house's limits, and what follows for its state at once: a bar in
 * quarantine is gone from matching, loading, sessions and the wall screen. Another decision than the rule's wants a
 * reason; a milder one the right to change states, and only the manager's inspection takes a bar out of quarantine.
 * What was looked at counts as done.
 */
export async function inspectBar(
  context: Context,
  { tag, facts, decided, reason, idempotencyKey }: InspectionForm,
): Promise<Outcome<{ verdict: InspectionVerdict; reasons: string[] }>> {
  if (!may(context, "bar.inspect")) return forbidden("inspect bars");
  const problems = factProblems(facts);
  if (facts.isSimulated && !context.actor.isDemo)
    problems.push({ path: "facts", message: "Simulated instruments exist in the demonstration only." });
  if (!/^[\w-]{8,64}$/.test(idempotencyKey))
    problems.push({ path: "idempotencyKey", message: "8 to 64 letters, digits, - or _." });
  if (reason.length > 200) problems.push({ path: "reason", message: "At most 200 characters." });
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  return inTransaction(context, (context) =>
    idempotent(context, idempotencyKey, "bar.inspect", async () => {
      const row = await context.hall.first(bars, {
        where: and(eq(bars.tag, tag), ne(bars.state, "retired")),
        forUpdate: true,
      });
      if (!row) return notFound(`bar ${tag}`);
      const judged = judgeInspection(facts, (await storedCareRules(context.hall)).limits);
      const verdict = decided ?? judged.verdict;
      if (verdict !== judged.verdict && reason.trim() === "")
        return failed("invalid", "Not saved.", [
          { path: "reason", message: `The rule says ${judged.verdict}; give a reason for overriding it.` },
        ]);
      const isMilder = INSPECTION_VERDICTS.indexOf(verdict) < INSPECTION_VERDICTS.indexOf(judged.verdict);
      if ((isMilder || verdict === "retire") && !may(context, "bar.change-state"))
        return forbidden(verdict === "retire" ? "retire bars" : "override the rule");
      const { reasons } = await keepInspection(context, row, {
        ...{ facts, judged, decided: verdict, reason },
        ...{ day: context.clock.today, by: context.actor.personId, note: "inspected", minutes: null, mayEase: true },
      });
      return { ok: true as const, verdict, reasons };
    }),
  );
}

/** What was looked at, when and by whom. */
interface Looked {
  facts: InspectionFacts;
  /** What is decided where the rule says so. */
  decided: InspectionVerdict;
  judged: Judgement;
  reason: string;
  day: HallDay;
  /** Who looked. */
  by: string;
  /** For the log of care. */
  note: string;
  minutes: number | null;
  /** Whether it may take a bar back to a milder state. */
  mayEase: boolean;
}

/** Keeps an inspection of a bar whose row is held, with what follows for its state and its care. */
async function keepInspection(
  context: Context,
  row: typeof bars.$inferSelect,
  looked: Looked,
): Promise<{ reasons: string[] }> {
  const { facts, decided, judged, reason, day, by, mayEase } = looked;
  const said = reason.trim();
  const runout = greatestRunout(facts);
  const [kept] = await context.hall.insert(inspections, {
    barId: row.id,
    personId: by,
    inspectedOn: day,
    enteredAt: context.clock.now(),
    facts,
    tirMm: runout?.tirMm ?? null,
    bendAtDeg: runout?.bendAtDeg ?? null,
    suggested: judged.verdict,
    decided,
    reason: said || null,
  });
  const words = judged.reasons.map(({ text }) => text);
  await measured(context, row, facts, runout?.tirMm ?? null);
  await counted(context, row, looked);
  const wanted = nextState(context, row.state, decided);
  const isEased = wanted !== null && STATE_GRAVITY.indexOf(wanted) < STATE_GRAVITY.indexOf(row.state);
  const lack = row.state === "quarantined" && wanted && isUsable(wanted) ? await returnLacks(context, row) : null;
  const state = lack || (isEased && !mayEase) ? null : wanted;
  const why = said || words.slice(0, 2).join(", ");
  if (state !== null) {
    const stateReason = state === "in-service" ? null : why.slice(0, 200);
    await context.hall.update(bars, eq(bars.id, row.id), { state, stateReason, version: row.version + 1 });
    await recordChange(context, {
      entity: "bar",
      entityId: row.id,
      action: "state",
      reason: `inspection: ${why || "nothing wrong"}`,
      before: { state: row.state, stateReason: row.stateReason },
      after: { state, stateReason },
    });
  }
  await recordChange(context, {
    entity: "inspection",
    entityId: kept!.id,
    action: "inspected",
    after: { tag: row.tag, suggested: judged.verdict, decided, tirMm: runout?.tirMm ?? null },
    reason: said || null,
  });
  return { reasons: lack ? [...words, lack] : words };
}

const STATE_GRAVITY: readonly BarState[] = ["in-service", "watch", "quarantined", "retired"];

/** Checks of one bar with what they found. */
export interface Checks {
  bar: BarRow;
  /** The chosen answer's key, by task. */
  results: Readonly<Record<string, string | undefined>>;
  doneOn: HallDay;
  doneBy: string;
  note: string;
  minutes: number | null;
}

/** What is missing before checks can be saved: each wants one of its answers, and a quarantined bar its own form. */
export function checkLacks({ tag, family, state }: BarRow, results: Checks["results"]): Failed | null {
  const problems = Object.entries(results).flatMap(([task, result]) => {
    const answers = checkAnswers(task, family);
    return answers.some(({ key }) => key === result)
      ? []
      : [{ path: "result", message: `Choose what you found: ${answers.map(({ name }) => name).join("; ")}.` }];
  });
  if (problems.length > 0) return failed("invalid", `${tag} not saved: a check needs a result.`, problems);
  if (state !== "quarantined") return null;
  return failed("impossible", `${tag} is quarantined: use its inspection form.`, [
    { path: "tag", message: `${tag} is quarantined` },
  ]);
}

/**
 * Notes what checks found: one inspection of just that, judged by the house's limits, so that a crack found on a round
 * takes the bar out at once; what is wrong stays open as a finding until somebody resolves it. It never eases a state:
 * a bar under watch wants a whole inspection. Call it in the transaction of whatever checked, with nothing lacking.
 *
 * @returns the verdict
 */
export async function checkBar(
  context: Context,
  { bar, results, doneOn, doneBy, note, minutes }: Checks,
): Promise<InspectionVerdict> {
  const row = (await context.hall.first(bars, { where: eq(bars.id, bar.id), forUpdate: true }))!;
  const found = Object.entries(results).map(([task, result]) =>
    checkAnswers(task, row.family).find(({ key }) => key === result)!,
  );
  const wrong = found.filter(({ isSound }) => !isSound).map(({ name }) => name);
  const words = [...wrong, note.trim()].filter(Boolean).join(": ").slice(0, 500);
  const facts = found.reduce(withAnswer, NOT_LOOKED_AT);
  const judged = judgeInspection(facts, (await storedCareRules(context.hall)).limits);
  await keepInspection(context, row, {
    facts,
    judged,
    decided: judged.verdict,
    reason: wrong.length === 0 ? "" : words.slice(0, 200),
    day: doneOn,
    by: doneBy,
    note: words || "nothing wrong",
    minutes,
    mayEase: false,
  });
  if (wrong.length > 0) await keepFinding(context, row, { note: words, photo: null, foundAt: context.clock.now() });
  return judged.verdict;
}

/** Facts with one more answer; a crack that one check saw stays seen. */
const withAnswer = (facts: InspectionFacts, { facts: more }: CheckAnswer): InspectionFacts => ({
  ...facts,
  ...more,
  crackSeen: facts.crackSeen || more.crackSeen === true ? true : (more.crackSeen ?? facts.crackSeen),
  parts: { ...facts.parts, ...more.parts },
});

/** Ticks off care that only looks, from a list; sent twice, it counts once. */
export async function tickCheck(
  context: Context,
  tick: Tick & { result: string },
): Promise<Outcome<{ verdict: InspectionVerdict; dueOn: HallDay }>> {
  if (!may(context, "care.tick") || !may(context, "bar.inspect")) return forbidden("check bars");
  const problems = await tickProblems(context, tick);
  if (problems.length > 0) return failed("invalid", "Nothing was ticked off.", problems);
  return inTransaction(context, (context) =>
    idempotent(context, tick.idempotencyKey, "care.check", async () => {
      const plan = await planToTick(context, tick, { holdsBar: true });
      if (!plan.ok) return plan;
      const { bar, task } = plan;
      const results = { [task.key]: tick.result };
      const lacks = checkLacks(bar, results);
      if (lacks) return lacks;
      const verdict = await checkBar(context, { ...tick, bar, results, minutes: tick.minutes ?? null });
      const next = await context.hall.first(carePlan, {
        where: and(eq(carePlan.barId, bar.id), eq(carePlan.taskId, task.id)),
      });
      return { ok: true as const, verdict, dueOn: next!.dueOn };
    }),
  );
}

const STATE_AFTER: Record<InspectionVerdict, BarState> = {
  keep: "in-service",
  watch: "watch",
  quarantine: "quarantined",
  retire: "retired",
};

/** The state that follows, or null for the one it has: nobody but the manager takes a bar out of quarantine. */
function nextState(context: Context, from: BarState, verdict: InspectionVerdict): BarState | null {
  const to = STATE_AFTER[verdict];
  if (to === from || from === "on-order") return null;
  if (from === "quarantined" && to !== "retired" && !may(context, "bar.end-quarantine")) return null;
  if (from === "watch" && to === "in-service" && !may(context, "bar.change-state")) return null;
  return to;
}

/** What was measured on the way is kept like any measurement. */
async function measured(
  context: Context,
  row: typeof bars.$inferSelect,
  facts: InspectionFacts,
  tirMm: number | null,
): Promise<void> {
  const { hall } = context;
  const spins = [facts.spinLeftS, facts.spinRightS].filter((spin) => spin !== null);
  type Found = [kind: QuantityKind, values: number[], unit: Unit, instrument: string];
  const found: Found[] = [
    ...(tirMm === null ? [] : [["runout", [Number(tirMm.toFixed(3))], "mm", "dial gauge, one turn"] as Found]),
    ...(facts.endPlayMm === null ? [] : [["endPlay", [facts.endPlayMm], "mm", "feeler gauge"] as Found]),
    ...(spins.length === 0 ? [] : [["spinDown", spins, "s", "stopwatch"] as Found]),
  ];
  if (found.length === 0) return;
  await hall.insert(
    barMeasurements,
    found.map(([kind, values, unit, instrument]) => ({
      barId: row.id,
      kind,
      measuredAt: context.clock.now(),
      personId: context.actor.personId,
      instrument: facts.isSimulated ? `simulated ${instrument}` : instrument,
      ...{ isSimulated: facts.isSimulated === true },
      typedValues: values.map((value) => trimmed(value, 3)),
      typedUnit: unit,
      readings: values,
    })),
  );
  await refreshEffective(hall, [{ row }]);
}

/** Looking counts as the care that looks: straightness, sleeves, joints. */
async function counted(
  context: Context,
  row: typeof bars.$inferSelect,
  { facts, day, by, note, minutes }: Pick<Looked, "facts" | "day" | "by" | "note" | "minutes">,
): Promise<void> {
  const { hall } = context;
  const isTimed = facts.endPlayMm !== null || facts.spinLeftS !== null || facts.spinRightS !== null;
  const looked = [
    ...(facts.dialMm || facts.hops !== null ? ["straightness"] : []),
    ...(isTimed || facts.sleeves ? ["sleeve-check"] : []),
    ...(Object.keys(facts.parts).some((part) => part !== "end caps") ? ["joints"] : []),
  ];
  for (const task of await hall.rows(careTasks, { orderBy: [asc(careTasks.listOrder)] })) {
    if (!looked.includes(task.key)) continue;
    const planned = await hall.first(carePlan, {
      where: and(eq(carePlan.barId, row.id), eq(carePlan.taskId, task.id)),
    });
    if (planned)
      await logDone(context, row, task, {
        doneOn: day,
        doneBy: by,
        note,
        minutes,
      });
  }
}

/** What cannot be in what was found. */
export function factProblems(facts: InspectionFacts): Problem[] {
  const { dialMm, dialLeftMm, dialRightMm, spinLeftS, spinRightS, endPlayMm, ...rest } = facts;
  const problems: Problem[] = [];
  const range = (path: string, value: number | null, most: number, unit: string) => {
    if (value !== null && !(value >= 0 && value <= most))
      problems.push({ path, message: `must be from 0 to ${most} ${unit}` });
  };
  for (const [path, dial] of Object.entries({ dialMm, dialLeftMm, dialRightMm })) {
    if (!dial) continue;
    if (dial.length < 4 || dial.length > 72)
      problems.push({ path, message: "Read the dial at 4 to 72 even angles round one turn." });
    if (dial.some((value) => !(Math.abs(value) <= 50)))
      problems.push({ path, message: "Dial readings are from −50 to 50 mm." });
  }
  if ((dialLeftMm || dialRightMm) && !(dialMm && dialLeftMm && dialRightMm))
    problems.push({ path: "dialMm", message: "To locate the bend, enter all three turns: left, middle and right." });
  range("spinLeftS", spinLeftS, 600, "s");
  range("spinRightS", spinRightS, 600, "s");
  range("endPlayMm", endPlayMm, 50, "mm");
  const isNothing =
    !dialMm &&
    !rest.sleeves &&
    !rest.finish &&
    [spinLeftS, spinRightS, endPlayMm, rest.hops, rest.crackSeen, rest.knurl, rest.rust].every(
      (fact) => fact === null,
    ) &&
    Object.keys(rest.parts).length === 0;
  if (isNothing) problems.push({ path: "facts", message: "Note at least one check." });
  return problems;
}

/** Which parts a family has that can crack or go missing. */
export function partsOf(family: FamilyKey): ("welds" | "pins" | "pads" | "end caps")[] {
  const { form } = FAMILIES[family];
  if (form === "straight") return ["end caps"];
  return form === "yoke" ? ["welds", "pins", "pads", "end caps"] : ["welds", "pins", "end caps"];
}
