import Papa from "papaparse";
import { rowTexts, type ColumnMapping, type FileMeasurement } from "@/core/bars/barColumns";
import { plainCell } from "@/core/units/csvCells";
import type { Problem } from "./problems";

/** A bar of a file that comes in, with the line or place it stands at. */
export interface FileRow {
  line: number;
  texts: Record<string, string>;
  measurements?: FileMeasurement[];
}

export interface ParsedCsv {
  heads: string[];
  /** Cells of every row that says something, with the line of the file it stands on. */
  rows: { line: number; cells: string[] }[];
  problems: Problem[];
}

/** The mark between cells: whichever of comma, semicolon and tab stands most often in the head. */
function delimiterOf(text: string): string {
  const head = text.split(/\r?\n/, 1)[0]!.replace(/"[^"]*"/g, "");
  const count = (mark: string) => head.split(mark).length;
  return [",", ";", "\t"].reduce((best, mark) => (count(mark) > count(best) ? mark : best));
}

/** Reads CSV with commas, semicolons or tabs; the first row is the head. What cannot be read is named by its line. */
export function parseCsv(text: string): ParsedCsv {
  const plain = text.replace(/^\uFEFF/, "");
  const { data, errors } = Papa.parse<string[]>(plain, { skipEmptyLines: false, delimiter: delimiterOf(plain) });
  const problems = errors.map(({ row, message }) => ({ path: `line ${(row ?? 0) + 1}`, message }));
  const [heads = [], ...body] = data.map((row) => row.map(plainCell));
  const rows = body
    .map((cells, i) => ({ line: i + 2, cells }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ""));
  for (const { line, cells } of rows)
    if (cells.length > heads.length && cells.slice(heads.length).some((cell) => cell.trim() !== ""))
      problems.push({ path: `line ${line}`, message: `has ${cells.length} cells, the head has ${heads.length}` });
  return { heads: heads.map((head) => head.trim()), rows, problems };
}

/** The rows of a parsed file by our columns. */
export function fileRows({ rows }: Pick<ParsedCsv, "rows">, mapping: readonly ColumnMapping[]): FileRow[] {
  return rows.map(({ line, cells }) => ({ line, texts: rowTexts(cells, mapping) }));
}
