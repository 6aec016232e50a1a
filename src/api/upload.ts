import { readCsvFile } from "./barFile";
import type { FileRow } from "./csvIn";
import { csvShapeProblems, jsonShapeProblems } from "./fileShape";
import { incomingFile, MAX_CARE, readHallFile, type IncomingFile } from "./hallFile";
import { checked, type Problem } from "./problems";
import type { HallFileParts } from "@/core/hallFileParts";

/** A file that comes in: by programs as exported or as CSV, by the page with its columns named already. */
export type UploadKind = "csv" | "json" | "rows";

export interface Upload {
  kind: UploadKind;
  bytes: Uint8Array;
}

export type ReadUpload =
  | {
      ok: true;
      file: Partial<HallFileParts> & { bars: FileRow[] };
      /** Said by the page beside the rows. */
      isDryRun?: boolean;
      token?: string;
    }
  | { ok: false; problems: Problem[] };

/** Reads a file of any kind, or says every problem it has. */
export function readUpload({ kind, bytes }: Upload): ReadUpload {
  const outsized = kind === "csv" ? csvShapeProblems(bytes) : jsonShapeProblems(bytes);
  if (outsized.length > 0) return { ok: false, problems: outsized };
  let text: string;
  try {
    text = new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return { ok: false, problems: [{ path: "", message: "the file is not UTF-8" }] };
  }
  if (kind === "csv") {
    const read = readCsvFile(text);
    return read.ok ? { ok: true, file: { bars: read.rows } } : read;
  }
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { ok: false, problems: [{ path: "", message: "the body is not JSON" }] };
  }
  if (kind === "json") return readHallFile(value);
  const read = checked(incomingFile, value, { longestList: MAX_CARE });
  if (!read.ok) return read;
  const { rows, isDryRun, token, ...more } = read.value as IncomingFile;
  return { ok: true, file: { bars: rows, ...more }, isDryRun, token };
}
