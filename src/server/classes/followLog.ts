import "server-only";
import { and, eq } from "drizzle-orm";
import type { Bar } from "@/core/bars/bar";
import type { ClassEntry, ClassQuestion, PlannedClass } from "@/core/classes/planClass";
import { trimmed } from "@/core/units/format";
import { classEntries } from "@/data/schema";
import type { Context } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { loadable } from "@/server/loading";
import { expecting } from "@/server/logbook";
import type { ClassRow } from "./classes";

/** Repetitions and reserve that somebody starts with. */
export const START_SET = { repetitions: 5, reserve: 2 };

/** Rounds of assigning and setting loads before the bars are held fast. */
const ROUNDS = 3;

/** What an entry whose load follows the log lifts on a bar; null where the load is the coach's own or nothing is known. */
type LoadOn = (entryId: string, bar: Bar) => number | null;

async function loadsByLog(context: Context, row: ClassRow): Promise<LoadOn> {
  const following = await context.hall.rows(classEntries, {
    where: and(eq(classEntries.classId, row.id), eq(classEntries.followsLog, true)),
  });
  if (following.length === 0) return () => null;
  const ids = new Map((await barsOnTheWall(context)).map(({ id, bar }) => [bar.tag, id]));
  const known = new Map<string, Awaited<ReturnType<typeof expecting>>>();
  for (const liftKey of new Set(following.map((entry) => entry.liftKey))) {
    const lifterIds = following.filter((entry) => entry.liftKey === liftKey).map(({ lifterId }) => lifterId);
    known.set(liftKey, await expecting(context, lifterIds, liftKey));
  }
  const [round, entryOf] = [await loadable(context), new Map(following.map((entry) => [entry.id, entry]))];
  return (entryId, bar) => {
    const entry = entryOf.get(entryId);
    const barId = ids.get(bar.tag);
    if (!entry || !barId) return null;
    const expected = known.get(entry.liftKey)!.of(entry.lifterId, {
      ...{ barId, family: bar.family, setting: "", handsHelped: false },
      ...START_SET,
    });
    return expected && round(bar, expected.value);
  };
}

/** Entries with what they lift on the bar that a plan gives them. */
function onTheirBars(question: ClassQuestion, plan: PlannedClass, loadOn: LoadOn): ClassEntry[] {
  const [bars, placed] = [
    new Map(question.bars.map((bar) => [bar.tag, bar])),
    new Map(plan.entries.map((entry) => [entry.id, entry])),
  ];
  return question.entries.map((entry) => {
    const bar = bars.get(placed.get(entry.id)?.tag ?? "");
    const loadKg = bar ? loadOn(entry.id, bar) : null;
    return loadKg === null ? entry : { ...entry, loadKg };
  });
}

const isSame = (a: readonly ClassEntry[], b: readonly ClassEntry[]) =>
  a.every(({ loadKg }, i) => loadKg === b[i]!.loadKg);

/** A plan, and the entries with the loads that it was made for. */
export interface Assigned {
  plan: PlannedClass;
  entries: readonly ClassEntry[];
}

/** Entries of a class with what those that follow the log lift on the bar that a plan gives them. */
export async function loadsOnBars(
  context: Context,
  row: ClassRow,
  question: ClassQuestion,
  plan: PlannedClass,
): Promise<ClassEntry[]> {
  return onTheirBars(question, plan, await loadsByLog(context, row));
}

/**
 * Assigns a class in which loads follow the log: who gets another bar gets what that bar is worth to them, so the
 * class is assigned again with those loads until they and the bars agree. Where they go on trading, the bars are held.
 */
export async function assignedByLog(
  context: Context,
  row: ClassRow,
  question: ClassQuestion,
  assign: (question: ClassQuestion) => Promise<PlannedClass>,
): Promise<Assigned> {
  const loadOn = await loadsByLog(context, row);
  let entries: readonly ClassEntry[] = question.entries;
  let plan = await assign(question);
  for (let round = 0; round < ROUNDS; round += 1) {
    const next = onTheirBars({ ...question, entries }, plan, loadOn);
    if (isSame(next, entries)) return { plan, entries };
    entries = next;
    plan = await assign({ ...question, entries });
  }
  const tagOf = new Map(plan.entries.map(({ id, tag }) => [id, tag]));
  entries = onTheirBars({ ...question, entries }, plan, loadOn);
  const held = entries.map((entry) => ({ ...entry, tag: tagOf.get(entry.id) ?? entry.tag }));
  return { plan: await assign({ ...question, entries: held }), entries };
}

/** Writes the loads that a plan was made for. */
export async function keepLoads(
  { hall }: Context,
  before: readonly ClassEntry[],
  after: readonly ClassEntry[],
): Promise<void> {
  for (const [i, { id, loadKg }] of after.entries())
    if (loadKg !== before[i]!.loadKg)
      await hall.update(classEntries, eq(classEntries.id, id), {
        ...{ loadValue: trimmed(loadKg, 2), loadUnit: "kg" as const, loadKg },
      });
}
