import "server-only";
import type { FileMeasurement } from "@/core/bars/barColumns";
import type { Problem } from "@/core/problem";
import { failed } from "@/server/kit";

/** One bar of a file that is to come in, with the line or place it stands at. */
export interface IncomingBar {
  line: number;
  /** Texts by column; what a file does not say is left as it is at bars that are there. */
  texts: Record<string, string>;
  /** Older measurements that no column says; JSON carries them. */
  measurements?: FileMeasurement[];
}

export interface ImportReport {
  added: number;
  changed: number;
  unchanged: number;
  /** What would change, line by line; the first few hundred. */
  changes: { line: number; tag: string; what: string }[];
}

/** Told how many are through, now and then. */
export type OnProgress = (done: number, of: number) => void;

export const MOST_PROBLEMS = 500;

/** What a part of a file would do, worked out before anything is written. */
export interface PreparedPart {
  problems: Problem[];
  report: ImportReport;
  /** Carries it out; only when no part of the file has a problem. */
  write: (onProgress: OnProgress) => Promise<void>;
}

/** The refusal of a file that has problems. */
export function nothingTakenIn(problems: readonly Problem[]) {
  return failed(
    "invalid",
    `Nothing was taken in: ${problems.length}${problems.length >= MOST_PROBLEMS ? " or more" : ""} ${problems.length === 1 ? "problem" : "problems"}.`,
    problems.slice(0, MOST_PROBLEMS),
  );
}
