import Papa from "papaparse";
import { safeCell } from "@/core/units/csvCells";

/** Rows as CSV by RFC 4180, with a head, CRLF, and nothing that a spreadsheet would run. */
export function csvText(head: readonly string[], rows: readonly (readonly string[])[]): string {
  return `${Papa.unparse(
    [head, ...rows].map((row) => row.map(safeCell)),
    { newline: "\r\n" },
  )}\r\n`;
}
