import "server-only";
import { eq } from "drizzle-orm";
import type { AnyPgColumn } from "drizzle-orm/pg-core";
import type { FieldDef } from "@/core/bars/barFields";
import { differingTexts } from "@/core/bars/barRecord";
import { type FieldValue, fieldTexts, readFields } from "@/core/bars/fieldText";
import type { Problem } from "@/core/problem";
import type { HallTable } from "@/data/hallDb";
import { type Context, inTransaction } from "@/server/access";
import { problemsOfTexts } from "./fieldSchema";
import { type Change, recordChanges } from "./history";
import { type Outcome, failed, notFound, stale } from "./outcome";

export type Values = Record<string, FieldValue | null>;

export type FieldTable = HallTable & { id: AnyPgColumn; key: AnyPgColumn };

export interface FieldRow {
  id: string;
  key: string;
  version: number;
}

/** A kind of row that people edit field by field: a plate, a lift, a lifter. */
export interface FieldKind<R extends FieldRow> {
  entity: Change["entity"];
  table: FieldTable;
  defs: Record<string, FieldDef>;
  /** What the fields' values are as columns. */
  columnsOf: (values: Values) => Record<string, unknown>;
  textsOf: (row: R) => Record<string, string>;
  /** Problems beyond those of single fields; may fill values in. */
  check?: (values: Values) => Problem[];
}

/** The values of texts, or every problem. */
export function readRow<R extends FieldRow>(
  kind: FieldKind<R>,
  texts: Readonly<Record<string, string>>,
): { ok: true; values: Values } | { ok: false; problems: Problem[] } {
  const wrong = problemsOfTexts(kind.defs, texts);
  if (wrong.length > 0) return { ok: false, problems: wrong };
  const read = readFields(kind.defs, texts);
  if (!read.ok) return read;
  const values = read.values as Values;
  const problems = kind.check?.(values) ?? [];
  return problems.length > 0 ? { ok: false, problems } : { ok: true, values };
}

/** What is to stand in a row; without one it is new. */
export interface RowToWrite<R extends FieldRow> {
  row: R | null;
  values: Values;
}

/** So many rows go into one statement: each has a parameter for every column. */
const CHUNK = 500;

/**
 * Enters rows, or writes over them what differs, with their history; a few statements however many they are.
 *
 * @returns their ids, in the order given.
 */
export async function writeRows<R extends FieldRow>(
  context: Context,
  kind: FieldKind<R>,
  items: readonly RowToWrite<R>[],
  reason?: string,
): Promise<string[]> {
  const { hall } = context;
  const ids = items.map(({ row }) => row?.id ?? "");
  const changes: Change[] = [];
  const fresh = items.flatMap(({ row, values }, i) => (row ? [] : [{ i, values }]));
  for (let from = 0; from < fresh.length; from += CHUNK) {
    const chunk = fresh.slice(from, from + CHUNK);
    const made = (await hall.insert(
      kind.table,
      chunk.map(({ values }) => kind.columnsOf(values)),
    )) as unknown as FieldRow[];
    chunk.forEach(({ i, values }, n) => {
      ids[i] = made[n]!.id;
      const after = fieldTexts(kind.defs, values);
      changes.push({ entity: kind.entity, entityId: ids[i], action: "entered", after, reason });
    });
  }
  const changed = items.flatMap(({ row, values }) => {
    if (!row) return [];
    const differing = differingTexts(kind.textsOf(row), fieldTexts(kind.defs, values));
    if (Object.keys(differing.after).length === 0) return [];
    changes.push({ entity: kind.entity, entityId: row.id, action: "edited", ...differing, reason });
    return [{ id: row.id, ...kind.columnsOf(values), version: row.version + 1 }];
  });
  await hall.updateMany(kind.table, changed);
  await recordChanges(context, changes);
  return ids;
}

/**
 * Enters or changes a row from what a form says. Without an id it is new; else the version names what was read, and a
 * stale one is refused with both texts of every field.
 */
export async function saveRow<R extends FieldRow>(
  context: Context,
  kind: FieldKind<R>,
  { id, version, texts }: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ key: string; version: number }>> {
  const read = readRow(kind, texts);
  if (!read.ok) return failed("invalid", "Nothing was changed.", read.problems);
  const { values } = read;
  const { table, entity } = kind;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const key = String(values.key);
    const find = async (where: ReturnType<typeof eq>, forUpdate = false) =>
      (await hall.first(table, { where, forUpdate })) as unknown as R | null;
    const row = id === null ? null : await find(eq(table.id, id), true);
    if (id !== null && !row) return notFound(`such ${entity}`);
    const namesake = await find(eq(table.key, key));
    if (namesake && namesake.id !== row?.id)
      return failed("invalid", "Nothing was changed.", [
        { path: "key", message: `short name: ${key} is another ${entity} already` },
      ]);
    if (row && row.version !== version) {
      const differing = differingTexts(kind.textsOf(row), fieldTexts(kind.defs, values));
      return stale(
        `Someone else changed ${row.key} meanwhile. Nothing was changed; your words are still here.`,
        row.version,
        Object.keys(differing.after).map((field) => ({
          path: field,
          message: `${kind.defs[field]?.label ?? field}: you wrote “${differing.after[field]}”, it is now “${differing.before[field]}”`,
        })),
      );
    }
    await writeRows(context, kind, [{ row, values }]);
    return { ok: true, key, version: (await find(eq(table.key, key)))!.version };
  });
}
