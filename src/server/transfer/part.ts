import "server-only";
import type { FileMeasurement } from "@/core/bars/barColumns";
import type { FamilyKey } from "@/core/bars/families";
import type { HallFileParts } from "@/core/hallFileParts";
import type { Problem } from "@/core/problem";
import type { Context } from "@/server/access";
import { failed } from "@/server/kit";

/*
 * A hall's file is made of parts, and export and import share one contract a part: its schema (`HALL_FILE_SCHEMAS` of
 * the api, by the same key), what is read of it out of the hall, what a file would change, and how that is written.
 */

/** One bar of a file that is to come in, with the line or place it stands at. */
export interface IncomingBar {
  line: number;
  /** Texts by column; what a file does not say is left as it is at bars that are there. */
  texts: Record<string, string>;
  /** Older measurements that no column says; JSON carries them. */
  measurements?: FileMeasurement[];
}

/** A file that is to come in: any of its parts. */
export type IncomingHall = Partial<HallFileParts> & { bars?: readonly IncomingBar[] };

/** A part by its name in the file. */
export type PartKey = keyof HallFileParts;

/** One part of a hall's file, with what export and import do with it. */
export interface FilePart<K extends PartKey = PartKey> {
  key: K;
  /** What the hall has of it, as files carry it, health words only where asked for; null for who may not read it. */
  read: (context: Context, options: { health: boolean }) => Promise<Items<K> | null>;
  /** What a file would change; looks, and writes nothing. */
  diff: (context: Context, incoming: Items<K>, file: FileFacts) => Promise<Difference>;
}

/** The list that a part is. */
export type Items<K extends PartKey> = NonNullable<HallFileParts[K]>;

/** What is known of the whole file and the hall, since parts name things of one another. */
export interface FileFacts {
  /** Short names of the hall's and the file's, so that a part may name what the same file brings. */
  lifts: ReadonlySet<string>;
  /** Names of competition rules, built in, the hall's own and the file's. */
  rules: ReadonlySet<string>;
  lifters: ReadonlySet<string>;
  stations: ReadonlySet<string>;
  /** Families of bars that are not retired, by tag. */
  familyOf: ReadonlyMap<string, FamilyKey>;
  /** Whether rows that may be changed are to be locked: not when somebody only wants to know. */
  isLocking: boolean;
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

/** What a part of a file would do, worked out before anything is written. */
export interface Difference {
  problems: Problem[];
  report: ImportReport;
  /** Carries it out, in the transaction in which it was worked out; only when no part of the file has a problem. */
  write: (onProgress: OnProgress) => Promise<void>;
}

/** A part of a file that has nothing to do. */
export const NOTHING: Difference = {
  problems: [],
  report: { added: 0, changed: 0, unchanged: 0, changes: [] },
  write: async () => undefined,
};

/** No refusal lists more. */
export const MAX_PROBLEMS = 500;

/** The reason that stands in the history. */
export const FROM_A_FILE = "from a file";

/** The refusal of a file that has problems. */
export function nothingTakenIn(problems: readonly Problem[]) {
  return failed(
    "invalid",
    `Nothing imported: ${problems.length}${problems.length >= MAX_PROBLEMS ? " or more" : ""} ${problems.length === 1 ? "problem" : "problems"}.`,
    problems.slice(0, MAX_PROBLEMS),
  );
}
