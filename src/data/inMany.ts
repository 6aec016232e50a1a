import { type SQL, sql } from "drizzle-orm";
import type { AnyPgColumn } from "drizzle-orm/pg-core";

/**
 * That a column is one of many ids that the database itself gave: one parameter, however many they are. A condition of
 * ten thousand parameters takes longer to write down than to answer.
 *
 * @param ids UUIDs of rows; what people type is asked for with `inArray`.
 */
export function inMany(column: AnyPgColumn, ids: readonly string[]): SQL {
  return sql`${column} = any(${sql.param([...ids])}::uuid[])`;
}
