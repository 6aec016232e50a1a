import { getTableName, is } from "drizzle-orm";
import { PgTable } from "drizzle-orm/pg-core";
import * as schema from "./schema";

/** No answer is older, whatever was missed. */
const LONGEST_MS = 30_000;
/** Answers with more rows than this are not kept: a long wall has a place of its own. */
const MAX_ROWS = 2_000;
/** Rows that are kept in all, over all halls. */
const MAX_ROWS_IN_ALL = 150_000;
const MAX_ENTRIES_A_HALL = 400;

const TABLE_NAMES = new RegExp(
  `\\b(?:${Object.values(schema)
    .filter((one) => is(one, PgTable))
    .map((table) => getTableName(table as PgTable))
    .join("|")})\\b`,
  "g",
);

/** The tables that a statement names, wherever in it. A column of the same name counts as well: that only forgets more. */
export function tablesOf(statement: string): ReadonlySet<string> {
  return new Set(statement.match(TABLE_NAMES) ?? []);
}

interface Entry {
  /** Null while it is not known what it depends on: any write counts. */
  tables: ReadonlySet<string> | null;
  readAt: number;
  rows: number;
  value: Promise<unknown>;
}

/**
 * What was read of each hall lately, kept until a table that it came from is written: by this copy of the program,
 * which forgets before it answers the writer, or by another, which tells through the database.
 */
export class KeptReads {
  private readonly halls = new Map<string, Map<string, Entry>>();
  private rows = 0;

  /** @param monotonic ms that only go forward. */
  constructor(private readonly monotonic: () => number = () => performance.now()) {}

  /**
   * @param key what is read, apart from everything else that is.
   * @param read reads it, and tells the tables that it came from; a failure is not kept. What it gives is shared:
   *   nobody changes it.
   */
  get<T>(
    hallId: string,
    key: string,
    read: () => Promise<{ value: T; tables: ReadonlySet<string> }>,
    tables: ReadonlySet<string> | null = null,
  ): Promise<T> {
    let hall = this.halls.get(hallId);
    if (!hall) this.halls.set(hallId, (hall = new Map<string, Entry>()));
    const known = hall.get(key);
    if (known && this.monotonic() - known.readAt < LONGEST_MS) return known.value as Promise<T>;
    if (known) this.drop(hallId, key);
    const reading = read();
    const value = reading.then((one) => one.value);
    const entry: Entry = { tables, readAt: this.monotonic(), rows: 1, value };
    hall.set(key, entry);
    this.rows += 1;
    reading.then(
      (one) => {
        // It may have been forgotten while it was read, and something newer may stand in its place.
        if (this.halls.get(hallId)?.get(key) !== entry) return;
        entry.tables = one.tables;
        const rows = Array.isArray(one.value) ? one.value.length : 1;
        if (rows > MAX_ROWS) return this.drop(hallId, key);
        this.rows += rows - entry.rows;
        entry.rows = rows;
        this.makeRoom(hallId);
      },
      () => this.halls.get(hallId)?.get(key) === entry && this.drop(hallId, key),
    );
    return value;
  }

  /** Some tables of a hall were written; null where it is not known which. */
  forget(hallId: string, tables: Iterable<string> | null): void {
    const hall = this.halls.get(hallId);
    if (!hall) return;
    const written = tables && [...tables];
    for (const [key, entry] of hall)
      if (!written || !entry.tables || written.some((table) => entry.tables!.has(table))) this.drop(hallId, key);
  }

  /** Something may have been missed: nothing is known any more. */
  forgetAll(): void {
    this.halls.clear();
    this.rows = 0;
  }

  private drop(hallId: string, key: string): void {
    const hall = this.halls.get(hallId);
    const entry = hall?.get(key);
    if (!hall || !entry) return;
    hall.delete(key);
    this.rows -= entry.rows;
    if (hall.size === 0) this.halls.delete(hallId);
  }

  /** The oldest go first: of this hall where it has too many, then of the hall that was first read. */
  private makeRoom(hallId: string): void {
    const oldest = (of: string) => this.halls.get(of)?.keys().next().value;
    while ((this.halls.get(hallId)?.size ?? 0) > MAX_ENTRIES_A_HALL) this.drop(hallId, oldest(hallId)!);
    while (this.rows > MAX_ROWS_IN_ALL) {
      const first = this.halls.keys().next().value!;
      this.drop(first, oldest(first)!);
    }
  }
}

const held = globalThis as typeof globalThis & { garrisonReads?: KeptReads };

/** The process's own, whatever copies of this module the build makes. */
export function keptReads(): KeptReads {
  return (held.garrisonReads ??= new KeptReads());
}
