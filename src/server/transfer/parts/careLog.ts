import "server-only";
import { and, asc, eq, isNull, ne } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import { groupBy } from "@/core/collections/groupBy";
import type { FileCare } from "@/core/hallFileParts";
import type { Problem } from "@/core/problem";
import { type HallDay, daysBetween, isHallDay } from "@/core/units/hallDay";
import { bars, careLog, careTasks } from "@/data/schema";
import type { Context } from "@/server/access";
import { planCare } from "@/server/care/planning";
import { barsByTag, namesById, recordChanges, withTag } from "@/server/kit";
import { type Difference, type FileFacts, type FilePart, FROM_A_FILE, type ImportReport, MAX_PROBLEMS } from "../part";

const CHUNK = 2000;

/**
 * Everything of the log that counts and belongs to a bar that is not retired, oldest first. What stands there already is
 * left, other entries are added, and due days follow; somebody whose name is not of the hall is named in the note.
 */
export const carePart: FilePart<"care"> = { key: "care", read, diff };

async function diff(context: Context, incoming: readonly FileCare[], { familyOf }: FileFacts): Promise<Difference> {
  const { hall } = context;
  const tasks = new Map((await hall.rows(careTasks)).map((task) => [task.key, task.id]));
  const names = await namesById(hall);
  const people = new Map([...names].map(([id, name]) => [name, id]));
  const there = new Set((await read(context)).map(keyOf));
  const problems: Problem[] = [];
  const report: ImportReport = { added: 0, changed: 0, unchanged: 0, changes: [] };
  const fresh = new Map<string, FileCare>();
  incoming.forEach((item, i) => {
    const own = problemsOf(item, { familyOf, tasks, today: context.clock.today });
    for (const { path, message } of own)
      if (problems.length < MAX_PROBLEMS) problems.push({ path: `care ${i + 1}, ${path}`, message });
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

/** What tells one entry from another; two alike on a day are the same. */
const keyOf = ({ tag, task, doneOn, by, note }: FileCare) => JSON.stringify([doneOn, tag, task, by, note]);

async function read({ hall }: Context): Promise<FileCare[]> {
  const [log, names] = [
    await hall.rowsWith(
      careLog,
      {
        bar: withTag(careLog.barId),
        task: { table: careTasks, on: eq(careTasks.id, careLog.taskId), columns: { key: careTasks.key } },
      },
      {
        where: and(isNull(careLog.undoneAt), ne(bars.state, "retired")),
        orderBy: [
          asc(careLog.doneOn),
          asc(careLog.barId),
          asc(careLog.taskId),
          asc(careLog.enteredAt),
          asc(careLog.id),
        ],
      },
    ),
    await namesById(hall),
  ];
  return log
    .flatMap(({ row: { doneOn, doneBy, minutes, note }, bar, task }) =>
      bar && task ? [{ tag: bar.tag, task: task.key, doneOn, by: names.get(doneBy) ?? null, minutes, note }] : [],
    )
    .sort((a, b) => (keyOf(a) < keyOf(b) ? -1 : 1));
}

function problemsOf(
  { tag, task, doneOn }: FileCare,
  { familyOf, tasks, today }: Pick<FileFacts, "familyOf"> & { tasks: ReadonlyMap<string, string>; today: HallDay },
): Problem[] {
  return [
    ...(familyOf.has(tag) ? [] : [{ path: "tag", message: `there is no bar ${tag}` }]),
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
  const barOf = await barsByTag(
    hall,
    entries.map(({ tag }) => tag),
  );
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
  const rows = [...barOf.values()];
  await planCare(context, rows);
  const counts = groupBy(entries, ({ tag }) => tag);
  await recordChanges(
    context,
    rows.map(({ id, tag }) => ({
      entity: "bar",
      entityId: id,
      action: "care imported",
      after: { entries: counts.get(tag)!.length },
      reason: FROM_A_FILE,
    })),
  );
}
