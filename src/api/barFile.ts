import Joi from "joi";
import { BAR_COLUMNS, guessColumns } from "@/core/bars/barColumns";
import { INSTRUMENTS, QUANTITY_KINDS } from "@/core/bars/quantities";
import { LENGTH_UNITS, MASS_UNITS } from "@/core/units/typedQuantity";
import { fileRows, parseCsv, type FileRow } from "./csvIn";
import { csvText } from "./csvOut";
import type { Problem } from "./problems";

export const MAX_ROWS = 20_000;
/** Longer than this no cell is. */
export const MAX_CELL = 2000;

/** A whole CSV file by the heads it has, for programs: an unknown head is refused by name. */
export function readCsvFile(text: string): { ok: true; rows: FileRow[] } | { ok: false; problems: Problem[] } {
  const parsed = parseCsv(text);
  const mapping = guessColumns(parsed.heads);
  const problems = [
    ...parsed.problems,
    ...mapping.flatMap(({ head, column }) =>
      column === null && head !== "" ? [{ path: head, message: `the column “${head}” is not known` }] : [],
    ),
  ];
  return problems.length > 0 ? { ok: false, problems } : { ok: true, rows: fileRows(parsed, mapping) };
}

/** Bars as CSV: columns that no bar fills are left out. */
export function barsCsv(cells: readonly Record<string, string>[]): string {
  const columns = BAR_COLUMNS.filter(
    (column) => ["tag", "name", "family", "state"].includes(column) || cells.some((row) => row[column] !== undefined),
  );
  return csvText(
    columns,
    cells.map((row) => columns.map((column) => row[column] ?? "")),
  );
}

const units = [...MASS_UNITS, ...LENGTH_UNITS, "s"];

/** The readings of one measurement, as typed. */
export const typedReadings = Joi.array()
  .items(
    Joi.object({
      value: Joi.string()
        .pattern(/^[+-]?(\d+(\.\d*)?|\.\d+)$/)
        .max(20)
        .required(),
      unit: Joi.string()
        .valid(...units)
        .required(),
    }),
  )
  .min(1)
  .max(6);

export const fileMeasurement = Joi.object({
  kind: Joi.string()
    .valid(...QUANTITY_KINDS)
    .required(),
  readings: typedReadings.required(),
  instrument: Joi.string()
    .max(60)
    .required()
    .description(`usually one of ${INSTRUMENTS.join(", ")}`),
  at: Joi.string().isoDate().allow(null).required(),
  by: Joi.string().max(100).allow(null).required(),
});

/** Texts of a bar by column. */
export const barTexts = Joi.object().pattern(Joi.string().valid(...BAR_COLUMNS), Joi.string().max(MAX_CELL));
