import "server-only";
import { isDeepStrictEqual } from "node:util";
import { differingTexts } from "@/core/bars/barRecord";
import { fieldTexts } from "@/core/bars/fieldText";
import type { FileRow } from "@/core/hallFileParts";
import type { Problem } from "@/core/problem";
import type { Context } from "@/server/access";
import { type FieldKind, type FieldRow, type RowToWrite, readRow, writeRows } from "@/server/kit";
import { type Difference, FROM_A_FILE, type ImportReport } from "./part";

/** What a file says of a row beside its fields. */
export interface MoreOfRow {
  problems: readonly Problem[];
  /** What of it differs, in words. */
  words: readonly string[];
  write: (id: string) => Promise<void>;
}

interface RowOptions<R extends FieldRow, F extends FileRow> {
  /** The rows that are there. */
  rows: readonly R[];
  incoming: readonly F[];
  /** Why no new row may come in; nothing where it may. */
  noNew?: string;
  more?: (item: F, row: R | null) => MoreOfRow;
}

/**
 * Holds rows of a file against the hall's: a short name that is there is changed, others are new, and what the file
 * does not name stays.
 */
export function diffRows<R extends FieldRow, F extends FileRow>(
  context: Context,
  kind: FieldKind<R>,
  { rows, incoming, noNew, more }: RowOptions<R, F>,
): Difference {
  const problems: Problem[] = [];
  const report: ImportReport = { added: 0, changed: 0, unchanged: 0, changes: [] };
  const writes: { write: RowToWrite<R>; more: MoreOfRow | undefined }[] = [];
  const byKey = new Map(rows.map((row) => [row.key, row]));
  const seen = new Set<string>();
  incoming.forEach((item, i) => {
    const line = i + 1;
    const say = ({ path, message }: Problem) => problems.push({ path: `${kind.entity} ${line}, ${path}`, message });
    const row = byKey.get(item.texts.key?.trim() ?? "") ?? null;
    const before = row ? kind.textsOf(row) : {};
    const read = readRow(kind, { ...before, ...item.texts });
    const extra = more?.(item, row);
    if (!read.ok) read.problems.forEach(say);
    extra?.problems.forEach(say);
    if (!read.ok) return;
    const key = String(read.values.key);
    if (seen.has(key)) say({ path: "key", message: `short name: ${key} stands here twice` });
    seen.add(key);
    if (!row && noNew) return say({ path: "key", message: `${key}: ${noNew}` });
    const differing = Object.keys(differingTexts(before, fieldTexts(kind.defs, read.values)).after);
    const words = [...differing, ...(extra?.words ?? [])];
    if (row && words.length === 0) return void (report.unchanged += 1);
    report[row ? "changed" : "added"] += 1;
    report.changes.push({ line, tag: key, what: row ? words.join(", ") : `new ${kind.entity}` });
    writes.push({ write: { row, values: read.values }, more: extra });
  });
  return {
    problems,
    report,
    write: async () => {
      const ids = await writeRows(
        context,
        kind,
        writes.map(({ write }) => write),
        FROM_A_FILE,
      );
      for (const [i, one] of writes.entries()) if (one.more?.words.length) await one.more.write(ids[i]!);
    },
  };
}

/** One thing of a list in a file, read. */
export interface ListItem<V> {
  problems: readonly Problem[];
  /** What tells it from others, here and in the hall. */
  key: string;
  /** What a person calls it. */
  tag: string;
  value: V;
}

interface ListOptions<F, V> {
  name: string;
  incoming: readonly F[];
  /** What is there, by key. */
  there: ReadonlyMap<string, V>;
  read: (item: F) => ListItem<V>;
  /** Writes what is new or differs, all of it at once. */
  write: (items: readonly ListItem<V>[]) => Promise<unknown>;
}

/** Holds a list with keys of its own against the hall's: what is there and the same is left, what differs changed, others added. */
export function diffList<F, V>({ name, incoming, there, read, write }: ListOptions<F, V>): Difference {
  const problems: Problem[] = [];
  const report: ImportReport = { added: 0, changed: 0, unchanged: 0, changes: [] };
  const todo: ListItem<V>[] = [];
  const seen = new Set<string>();
  incoming.forEach((raw, i) => {
    const line = i + 1;
    const item = read(raw);
    const own = seen.has(item.key) ? [...item.problems, { path: "", message: "stands here twice" }] : item.problems;
    seen.add(item.key);
    problems.push(
      ...own.map(({ path, message }) => ({ path: [`${name} ${line}`, path].filter(Boolean).join(", "), message })),
    );
    if (own.length > 0) return;
    const isNew = !there.has(item.key);
    if (!isNew && isDeepStrictEqual(there.get(item.key), item.value)) return void (report.unchanged += 1);
    report[isNew ? "added" : "changed"] += 1;
    report.changes.push({ line, tag: item.tag, what: isNew ? `new ${name}` : name });
    todo.push(item);
  });
  return {
    problems,
    report,
    write: async () => {
      if (todo.length > 0) await write(todo);
    },
  };
}
