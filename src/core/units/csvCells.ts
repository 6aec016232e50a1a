/** What a spreadsheet would take for a formula when it opens the file. */
const FORMULA = /^[=+\-@\t\r]/;
const NUMBER = /^[+-]?\d+([.,]\d+)?$/;

/**
 * A cell that no spreadsheet runs: text that looks like a formula gets an apostrophe before it. Plain numbers stay.
 * `plainCell` takes the apostrophe away again.
 *
 * @returns the cell to write
 */
export function safeCell(text: string): string {
  return (FORMULA.test(text) && !NUMBER.test(text)) || /^'[=+\-@\t\r']/.test(text) ? `'${text}` : text;
}

/**
 * The cell as it was before `safeCell`.
 *
 * @returns the text
 */
export function plainCell(text: string): string {
  return /^'[=+\-@\t\r']/.test(text) ? text.slice(1) : text;
}
