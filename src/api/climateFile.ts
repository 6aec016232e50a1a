import type { Problem } from "@/core/problem";
import { parseCsv } from "./csvIn";

const COLUMNS = ["at", "temperature", "humidity", "so2", "chloride"] as const;
export type ClimateRow = Record<(typeof COLUMNS)[number], string>;

/** Readings of a CSV file by the names of its columns; an unknown or missing column is named. */
export function readClimateFile(text: string): { ok: true; rows: ClimateRow[] } | { ok: false; problems: Problem[] } {
  const { heads, rows, problems } = parseCsv(text);
  const names = heads.map((head) => head.trim().toLowerCase());
  const missing = COLUMNS.slice(0, 3).filter((column) => !names.includes(column));
  const unknown = names.filter((name) => name !== "" && !(COLUMNS as readonly string[]).includes(name));
  const all = [
    ...problems,
    ...missing.map((column) => ({ path: column, message: `the column “${column}” is missing` })),
    ...unknown.map((name) => ({ path: name, message: `the column “${name}” is not known` })),
  ];
  if (all.length > 0) return { ok: false, problems: all };
  return {
    ok: true,
    rows: rows.map(({ cells }) => {
      const cell = (column: (typeof COLUMNS)[number]) => cells[names.indexOf(column)] ?? "";
      return Object.fromEntries(COLUMNS.map((column) => [column, cell(column)])) as ClimateRow;
    }),
  };
}
