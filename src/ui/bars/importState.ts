import { fileRows, parseCsv, type FileRow, type ParsedCsv } from "@/api/csvIn";
import { guessColumns, type ColumnMapping } from "@/core/bars/barColumns";

/** A file that was dropped: a table whose columns are to be mapped, a hall as exported, or what is wrong with it. */
export type ReadFile =
  | { kind: "table"; name: string; table: ParsedCsv; mapping: ColumnMapping[] }
  | { kind: "hall"; name: string; rows: FileRow[]; more: object }
  | { kind: "unread"; name: string; problems: { path: string; message: string }[] };

const MAX_BYTES = 64 * 1024 * 1024;

/** Reads a dropped file by what is in it. */
export async function readFile(file: File): Promise<ReadFile> {
  const { name } = file;
  const unread = (message: string): ReadFile => ({ kind: "unread", name, problems: [{ path: name, message }] });
  if (file.size > MAX_BYTES) return unread("is longer than 64 MiB");
  const text = await file.text();
  if (text.includes("\u0000") || text.includes("\uFFFD"))
    return unread("is not text in UTF-8; save it as CSV (UTF-8) or JSON");
  return readText(name, text);
}

export function readText(name: string, text: string): ReadFile {
  if (/^\s*[{[]/.test(text)) {
    let value: unknown;
    try {
      value = JSON.parse(text);
    } catch {
      return { kind: "unread", name, problems: [{ path: name, message: "looks like JSON and is none" }] };
    }
    // What stands in each bar is checked by the server, which knows every rule.
    const { format, bars } = value as Record<string, unknown>;
    if (format !== "garrison" || !Array.isArray(bars))
      return {
        kind: "unread",
        name,
        problems: [{ path: name, message: "is JSON, but not a hall as exported" }],
      };
    const rows = bars.map((bar: object, i) => ({ ...bar, line: i + 1 }) as FileRow);
    const said = ["format", "version", "hall", "bars"];
    const more = Object.fromEntries(Object.entries(value as object).filter(([key]) => !said.includes(key)));
    return { kind: "hall", name, rows, more };
  }
  const table = parseCsv(text);
  if (table.problems.length > 0) return { kind: "unread", name, problems: table.problems };
  if (table.rows.length === 0)
    return { kind: "unread", name, problems: [{ path: name, message: "has no rows below its head" }] };
  return { kind: "table", name, table, mapping: guessColumns(table.heads) };
}

/** The rows that a read file would bring in. */
export function rowsOf(file: ReadFile): FileRow[] {
  return file.kind === "hall" ? file.rows : file.kind === "table" ? fileRows(file.table, file.mapping) : [];
}

export interface ImportOutcome {
  ok: boolean;
  /** Of a file that was looked at: sent with the import, it does what was shown or nothing. */
  token?: string;
  message?: string;
  problems?: { path: string; message: string }[];
  report?: {
    added: number;
    changed: number;
    unchanged: number;
    changes: { line: number; tag: string; what: string }[];
  };
}

/** Sends what was read, with the token of what was looked at, and follows the answer line by line. */
export async function sendFile(
  file: ReadFile,
  { isDryRun, token }: { isDryRun: boolean; token?: string },
  onProgress: (done: number, of: number) => void,
): Promise<ImportOutcome> {
  const response = await fetch("/bars/files/import", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ isDryRun, token, rows: rowsOf(file), ...(file.kind === "hall" ? file.more : {}) }),
  });
  if (!response.ok || !response.body) return { ok: false, message: `The server answered ${response.status}.` };
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let [rest, outcome]: [string, ImportOutcome | null] = ["", null];
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    const lines = (rest + value).split("\n");
    rest = lines.pop()!;
    for (const line of lines) {
      const told = JSON.parse(line) as { done?: number; of?: number; outcome?: ImportOutcome };
      if (told.outcome) outcome = told.outcome;
      else onProgress(told.done!, told.of!);
    }
  }
  return outcome ?? { ok: false, message: "The answer broke off; look at the wall before you try again." };
}
