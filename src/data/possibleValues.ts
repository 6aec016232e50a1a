import { is, Param, SQL } from "drizzle-orm";

/** Most that PostgreSQL's integer holds. */
const MAX_INTEGER = 2_147_483_647;
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** Whether a column of this type can hold a value at all; what it cannot hold stands in no row. */
function canHold(columnType: string, value: unknown): boolean {
  if (value === null || value === undefined) return true;
  switch (columnType) {
    case "PgUUID":
      return typeof value === "string" && UUID.test(value);
    case "PgInteger":
      return Number.isInteger(value) && Math.abs(value as number) <= MAX_INTEGER;
    case "PgDateString":
      return (
        typeof value === "string" &&
        DAY.test(value) &&
        value >= "0001-01-01" &&
        new Date(`${value}T00:00:00Z`).toJSON()?.startsWith(value) === true
      );
    case "PgTimestamp":
      return value instanceof Date && !Number.isNaN(value.getTime());
    default:
      return true;
  }
}

/**
 * A condition whose values its columns can hold. Addresses and forms carry what people and programs send; a row that is
 * asked for by an id that is none, or by a day that does not exist, is simply not there: no error, and no transaction
 * broken by one.
 *
 * @returns the same condition, with null, which equals nothing, in the place of what cannot be.
 */
export function withPossibleValues(where: SQL | undefined): SQL | undefined {
  if (where) visit(where);
  return where;
}

function visit(chunk: unknown): void {
  if (Array.isArray(chunk)) for (const one of chunk) visit(one);
  else if (is(chunk, SQL)) visit(chunk.queryChunks);
  else if (is(chunk, Param)) {
    const { columnType } = chunk.encoder as { columnType?: string };
    if (columnType && !canHold(columnType, chunk.value)) (chunk as { value: unknown }).value = null;
  }
}

/** PostgreSQL's text holds no NUL, and its JSON no escape of one: the sign for "no character" stands there instead. */
export function withoutNul<T>(value: T): T {
  if (typeof value !== "string") return value;
  return value.replaceAll("\0", "\uFFFD").replace(/(?<!\\)((?:\\\\)*)\\u0000/g, "$1\\ufffd") as T;
}
