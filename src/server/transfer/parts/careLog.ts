import "server-only";
import { and, asc, inArray, isNull, ne } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import { groupBy } from "@/core/collections/groupBy";
import type { FileCare } from "@/core/hallFileParts";
import type { Problem } from "@/core/problem";
import { type HallDay, daysBetween, isHallDay } from "@/core/units/hallDay";
import { bars, careLog, careTasks } from "@/data/schema";
import type { Context } from "@/server/access";
import { careHouse, planCare } from "@/server/care/planning";
import { careTasksById, namesById, recordChange } from "@/server/kit";
import { NOTHING } from "../listPart";
import type { ImportReport, PreparedPart } from "../part";

const MOST_PROBLEMS = 500;

const CHUNK = 2000;

/** Everything of the log that counts and belongs to a bar that is not retired, oldest first. */
export async function exportCareLog(context: Context): Promise<FileCare[]> {
  const { hall } = context;
  const [log, tasks, names, rows] = await Promise.all([
    hall.rows(careLog, {
      where: isNull(careLog.undoneAt),
      orderBy: [asc(careLog.doneOn), asc(careLog.barId), asc(careLog.taskId), asc(careLog.enteredAt), asc(careLog.id)],
    }),
    careTasksById(hall),
    namesById(hall),
    hall.rows(bars, { where: ne(bars.state, "retired") }),
  ]);
  const tagOf = new Map(rows.map(({ id, tag }) => [id, tag]));
  return log
    .flatMap(({ barId, taskId, doneOn, doneBy, minutes, note }) => {
      const [tag, task] = [tagOf.get(barId), tasks.get(taskId)?.key];
      return tag && task ? [{ tag, task, doneOn, by: names.get(doneBy) ?? null, minutes, note }] : [];
    })
    .sort((a, b) => (keyOf(a) < keyOf(b) ? -1 : 1));
}

/** What tells one entry from another; two alike on a day are the same. */
const keyOf = ({ tag, task, doneOn, by, note }: FileCare) => JSON.stringify([doneOn, tag, task, by, note]);

/**
 * Reads entries of a file against the hall's log: what stands there already is left, other entries are added, and due
 * days follow. Bars that the same file brings are known; somebody whose name is not of the hall is named in the note.
 */
export async function prepareCareLog(
  context: Context,
  incoming: readonly FileCare[],
  tags: readonly string[],
): Promise<PreparedPart> {
  const { hall } = context;
  if (incoming.length === 0) return NOTHING;
  const tasks = new Map((await hall.rows(careTasks)).map((task) => [task.key, task.id]));
  const rows = await hall.rows(bars, { where: ne(bars.state, "retired") });
  const known = new Set([...rows.map(({ tag }) => tag), ...tags]);
  const names = await namesById(hall);
  const people = new Map([...names].map(([id, name]) => [name, id]));
  const there = new Set((await exportCareLog(context)).map(keyOf));
  const problems: Problem[] = [];
  const report: ImportReport = { added: 0, changed: 0, unchanged: 0, changes: [] };
  const fresh = new Map<string, FileCare>();
  incoming.forEach((item, i) => {
    const own = problemsOf(item, { known, tasks: new Set(tasks.keys()), today: context.clock.today });
    for (const { path, message } of own)
      if (problems.length < MOST_PROBLEMS) problems.push({ path: `care ${i + 1}, ${path}`, message });
    if (own.length > 0) return;
    const kept = asKept(item, people, names.get(context.actor.personId) ?? null);
    const key = keyOf(kept);
    if (there.has(key) || fresh.has(key)) report.unchanged += 1;
    else {
      report.added += 1;
      fresh.set(key, kept);
    }
  });
  for (const [tag, list] of groupBy([...fresh.values()], (one) => one.tag))
    report.changes.push({ line: 0, tag, what: `care done ${list.length} ${list.length === 1 ? "time" : "times"}` });
  return { problems, report, write: () => writeCare(context, [...fresh.values()], { tasks, people }) };
}

function problemsOf(
  { tag, task, doneOn }: FileCare,
  { known, tasks, today }: { known: ReadonlySet<string>; tasks: ReadonlySet<string>; today: HallDay },
): Problem[] {
  return [
    ...(known.has(tag) ? [] : [{ path: "tag", message: `there is no bar ${tag}` }]),
    ...(tasks.has(task) ? [] : [{ path: "task", message: `there is no care task ${task}` }]),
    ...(!isHallDay(doneOn)
      ? [{ path: "doneOn", message: `“${doneOn}” is no day: write YYYY-MM-DD` }]
      : daysBetween(doneOn, today) < 0
        ? [{ path: "doneOn", message: `${doneOn} has not come yet` }]
        : []),
  ];
}

/** An entry as the hall keeps it: under whoever brings it in where it does not know who did it; a name goes into the note. */
function asKept(item: FileCare, people: ReadonlyMap<string, string>, own: string | null): FileCare {
  if (item.by !== null && people.has(item.by)) return item;
  return { ...item, by: own, note: [item.by && `by ${item.by}`, item.note].filter(Boolean).join(": ") || null };
}

async function writeCare(
  context: Context,
  entries: readonly FileCare[],
  { tasks, people }: { tasks: ReadonlyMap<string, string>; people: ReadonlyMap<string, string> },
): Promise<void> {
  const { hall } = context;
  if (entries.length === 0) return;
  const tags = [...new Set(entries.map(({ tag }) => tag))];
  const rows = await hall.rows(bars, { where: and(inArray(bars.tag, tags), ne(bars.state, "retired")) });
  const barOf = new Map(rows.map((row) => [row.tag, row]));
  for (let from = 0; from < entries.length; from += CHUNK)
    await hall.insertMany(
      careLog,
      entries.slice(from, from + CHUNK).map(({ tag, task, doneOn, by, minutes, note }) => ({
        id: randomUUID(),
        barId: barOf.get(tag)!.id,
        taskId: tasks.get(task)!,
        doneOn,
        doneBy: (by === null ? undefined : people.get(by)) ?? context.actor.personId,
        enteredBy: context.actor.personId,
        enteredAt: context.clock.now(),
        minutes,
        note,
      })),
    );
  const house = await careHouse(context);
  for (const row of rows) {
    await planCare(hall, house, row);
    await recordChange(context, {
      entity: "bar",
      entityId: row.id,
      action: "care taken in",
      after: { entries: entries.filter(({ tag }) => tag === row.tag).length },
      reason: "from a file",
    });
  }
}
