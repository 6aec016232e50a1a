import type { Problem } from "../problem";
import { plainCell } from "../units/csvCells";
import { isHallDay, type HallDay } from "../units/hallDay";
import { readLogLines, type TypedSet } from "./logLines";

/* Sets as a CSV file, or as rows pasted from a spreadsheet. */

/** One set of a file, its bar and lift by name. */
export interface FileSet extends TypedSet {
  row: number;
  on: HallDay;
  lift: string;
  bar: string;
  setting: string;
  variant: string;
  handsHelped: boolean;
  note: string | null;
}

export const LOG_COLUMNS = [
  "date",
  "lift",
  "bar",
  "load",
  "unit",
  "repetitions",
  "reserve",
  "made",
  "setting",
  "variant",
  "hands helped",
  "note",
] as const;
type Column = (typeof LOG_COLUMNS)[number];

const MAX_ROWS = 20_000;
const OTHER_NAMES: Partial<Record<string, Column>> = {
  day: "date",
  on: "date",
  exercise: "lift",
  weight: "load",
  reps: "repetitions",
  rir: "reserve",
  "in reserve": "reserve",
};

/**
 * Reads a file of sets. The first row names the columns, in any order.
 *
 * @param cells rows of the file, empty ones left out
 * @param unit of loads without one
 * @returns the sets, or every problem with its row as path
 */
export function readLogFile(
  cells: readonly (readonly string[])[],
  unit: "kg" | "lb",
): { ok: true; sets: FileSet[] } | { ok: false; problems: Problem[] } {
  const [head = [], ...rows] = cells;
  const columns = head.map((name) => columnOf(name));
  const problems: Problem[] = [];
  head.forEach((name, i) => {
    if (columns[i] === null)
      problems.push({
        path: "row 1",
        message: `Row 1: “${name.slice(0, 40)}” is no column. Use ${LOG_COLUMNS.join(", ")}.`,
      });
  });
  for (const needed of ["date", "lift", "bar", "load"] as const)
    if (!columns.includes(needed))
      problems.push({ path: "row 1", message: `Row 1: the column “${needed}” is missing.` });
  if (rows.length > MAX_ROWS) problems.push({ path: "row 1", message: `At most ${MAX_ROWS} sets in one file.` });
  if (problems.length > 0) return { ok: false, problems };
  const sets = rows.flatMap((own, i) => {
    const row = i + 2;
    const cell = (column: Column) => plainCell(own[columns.indexOf(column)] ?? "").trim();
    const wrong: string[] = [];
    const on = cell("date");
    if (!isHallDay(on)) wrong.push(`“${cell("date").slice(0, 20)}” is no day. Write 2026-03-18.`);
    for (const needed of ["lift", "bar"] as const) if (cell(needed) === "") wrong.push(`${needed} is empty.`);
    const isMade = flag(cell("made"), true);
    const handsHelped = flag(cell("hands helped"), false);
    if (isMade === null) wrong.push(`made: “${cell("made").slice(0, 20)}” must be yes or no.`);
    if (handsHelped === null) wrong.push(`hands helped: “${cell("hands helped").slice(0, 20)}” must be yes or no.`);
    const reserve = cell("reserve") === "" ? "" : ` @${cell("reserve")}`;
    const read = readLogLines(`${cell("load")} ${cell("unit")} x ${cell("repetitions") || "1"}${reserve}`, unit);
    if (!read.ok) wrong.push(...read.problems.map(({ message }) => message.replace(/^Line 1: /, "")));
    if (wrong.length > 0) {
      problems.push(...wrong.map((message) => ({ path: `row ${row}`, message: `Row ${row}: ${message}` })));
      return [];
    }
    return (read as { sets: TypedSet[] }).sets.map((set): FileSet => ({
      ...set,
      row,
      on: on as HallDay,
      lift: cell("lift"),
      bar: cell("bar"),
      setting: cell("setting").slice(0, 60),
      variant: cell("variant").slice(0, 60),
      handsHelped: handsHelped!,
      isMade: isMade! && set.isMade,
      note: cell("note").slice(0, 200) || null,
    }));
  });
  if (problems.length === 0 && sets.length === 0) problems.push({ path: "file", message: "There is no set in it." });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, sets };
}

function columnOf(name: string): Column | null {
  const key = name.trim().toLowerCase().replace(/[_-]/g, " ");
  return LOG_COLUMNS.find((column) => column === key) ?? OTHER_NAMES[key] ?? null;
}

function flag(text: string, otherwise: boolean): boolean | null {
  if (text === "") return otherwise;
  if (/^(yes|y|true|1|made)$/i.test(text)) return true;
  return /^(no|n|false|0|missed)$/i.test(text) ? false : null;
}

/**
 * A row of the file, as `readLogFile` takes it under `LOG_COLUMNS`.
 *
 * @returns cells in the order of `LOG_COLUMNS`
 */
export function logFileRow(set: Omit<FileSet, "row" | "loadKg">): string[] {
  const yes = (is: boolean) => (is ? "yes" : "no");
  return [
    ...[set.on, set.lift, set.bar, set.loadValue, set.loadUnit, String(set.repetitions)],
    ...[set.reserve === null ? "" : String(set.reserve), yes(set.isMade)],
    ...[set.setting, set.variant, yes(set.handsHelped), set.note ?? ""],
  ];
}
