import { and, eq, getTableColumns, getTableName, is, SQL, sql } from "drizzle-orm";
import { toSnakeCase } from "drizzle-orm/casing";
import { type AnyPgColumn, PgDialect, type PgTable } from "drizzle-orm/pg-core";
import type { Database } from "./client";
import { keptReads, tablesOf } from "./keptReads";
import { NEWS_CHANNEL, Told } from "./news";
import { withPossibleValues } from "./possibleValues";

/** A table whose rows belong to a hall: every table but `halls`. */
export type HallTable = PgTable & { hallId: AnyPgColumn };

type Row<T extends HallTable> = T["$inferSelect"];
type NewRow<T extends HallTable> = Omit<T["$inferInsert"], "hallId">;

type SummaryValue<F> = F extends SQL<infer V> | SQL.Aliased<infer V>
  ? V
  : F extends AnyPgColumn
    ? F["_"]["data"]
    : never;

export interface RowQuery {
  where?: SQL;
  orderBy?: (SQL | AnyPgColumn)[];
  limit?: number;
  /** Rows to pass over first. */
  offset?: number;
  /** Locks the rows until the transaction ends. */
  forUpdate?: boolean;
}

/** A statement that is sent once it is waited for. */
type Statement<T> = { then: (told: (value: T) => void, failed: (error: unknown) => void) => unknown };

/** More rows than this go in several statements. */
const MAX_ROWS_AT_ONCE = 5000;

/** Lets what is asked for at the same moment be done one after the other. */
class Turns {
  private last: Promise<unknown> = Promise.resolve();

  next<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work, work);
    this.last = mine.catch(() => undefined);
    return mine;
  }
}

/** What a statement that only reads depends on; cheaper to write down than the statement itself. */
interface Asked {
  how: string;
  tables: HallTable[];
  parts: (SQL | SQL.Aliased | AnyPgColumn | undefined)[];
}

const dialect = new PgDialect({ casing: "snake_case" });

/** The database or an open transaction on it. */
export type Executor = Pick<Database, "select" | "insert" | "update" | "delete" | "execute" | "transaction">;

/** Some columns of another table of the hall beside each row: what a list says of the bar or person that a row names. */
export interface Join<C extends Record<string, AnyPgColumn> = Record<string, AnyPgColumn>> {
  table: HallTable;
  on: SQL;
  columns: C;
}

/** What a join adds to a row; null where there is no such row. */
type Joined<J extends Record<string, Join>> = {
  [K in keyof J]: { [C in keyof J[K]["columns"]]: J[K]["columns"][C]["_"]["data"] | NullOf<J[K]["columns"][C]> } | null;
};
type NullOf<C extends AnyPgColumn> = C["_"]["notNull"] extends true ? never : null;

interface Ways {
  /** In a transaction: its statements take turns, since it has one connection. */
  turns?: Turns;
  /** In a transaction: what is told once it is carried out. */
  told?: Told;
  /** Whether what is read outside of a transaction may be what was read before, as long as nobody wrote its tables. */
  isKept?: boolean;
  /** A hall that nobody reads yet: nothing is told of what is written. */
  isNew?: boolean;
  /** Where the tables are noted that are read. */
  noted?: Set<string>;
}

/**
 * The database as one hall sees it. This is the only place where rows are scoped: server modules get one of these
 * and never the database itself, so a query cannot forget whose rows it means.
 */
export class HallDb {
  constructor(
    private readonly executor: Executor,
    readonly hallId: string,
    private readonly ways: Ways = {},
  ) {}

  /** The same, and the tables that are read through it are noted. */
  noting(tables: Set<string>): HallDb {
    return new HallDb(this.executor, this.hallId, { ...this.ways, noted: tables });
  }

  async rows<T extends HallTable>(
    table: T,
    { where, orderBy = [], limit, offset, forUpdate }: RowQuery = {},
  ): Promise<Row<T>[]> {
    const mine = this.mine(table, where);
    const asked = { how: `rows ${limit} ${offset}`, tables: [table], parts: [mine, ...orderBy] };
    return await this.read(asked, () => {
      let query = this.executor
        .select()
        .from(table as PgTable)
        .where(mine)
        .orderBy(...orderBy)
        .$dynamic();
      if (limit !== undefined) query = query.limit(limit);
      if (offset) query = query.offset(offset);
      // Keys never change: rows that only refer to a held one are written meanwhile.
      if (forUpdate) query = query.for("no key update");
      return query as unknown as Statement<Row<T>[]>;
    });
  }

  /**
   * Rows with what the list says of others that they name, in one query; so that no list loads a whole table for its
   * tags.
   *
   * @returns each row under `row`, and under each join's name its columns, or null where it names none.
   */
  async rowsWith<T extends HallTable, J extends Record<string, Join>>(
    table: T,
    joins: J,
    { where, orderBy = [], limit, offset }: Omit<RowQuery, "forUpdate"> = {},
  ): Promise<({ row: Row<T> } & Joined<J>)[]> {
    const mine = this.mine(table, where);
    const joined = Object.entries(joins).map(([name, join]) => ({ name, ...join, on: this.mine(join.table, join.on) }));
    const asked = {
      how: `rows ${limit} ${offset} with ${joined.map(({ name, columns }) => [name, ...Object.keys(columns)]).join(" ")}`,
      tables: [table, ...joined.map((join) => join.table)],
      parts: [mine, ...joined.flatMap(({ on, columns }) => [on, ...Object.values<AnyPgColumn>(columns)]), ...orderBy],
    };
    return await this.read(asked, () => {
      const columns = Object.fromEntries(joined.map((join) => [join.name, join.columns]));
      let query = this.executor
        .select({ row: getTableColumns(table as PgTable), ...columns } as unknown as Record<string, AnyPgColumn>)
        .from(table as PgTable)
        .$dynamic();
      for (const { table: other, on } of joined) query = query.leftJoin(other, on);
      query = query.where(mine).orderBy(...orderBy);
      if (limit !== undefined) query = query.limit(limit);
      if (offset) query = query.offset(offset);
      return query as unknown as Statement<({ row: Row<T> } & Joined<J>)[]>;
    });
  }

  async first<T extends HallTable>(table: T, query: RowQuery = {}): Promise<Row<T> | null> {
    return (await this.rows(table, { ...query, limit: 1 }))[0] ?? null;
  }

  /** Counts and sums over the hall's rows of a table. */
  async summary<T extends HallTable, F extends Record<string, SQL | SQL.Aliased | AnyPgColumn>>(
    table: T,
    fields: F,
    { where, groupBy = [], orderBy = [], limit }: RowQuery & { groupBy?: (AnyPgColumn | SQL)[] } = {},
  ): Promise<{ [K in keyof F]: SummaryValue<F[K]> }[]> {
    const mine = this.mine(table, where);
    const asked = {
      how: `summary ${Object.keys(fields).join(" ")} ${limit}`,
      tables: [table],
      parts: [mine, ...Object.values(fields), ...groupBy, ...orderBy],
    };
    return await this.read(asked, () => {
      const query = this.executor
        .select(fields as Record<string, SQL>)
        .from(table as PgTable)
        .where(mine)
        .$dynamic();
      query.groupBy(...groupBy).orderBy(...orderBy);
      if (limit !== undefined) query.limit(limit);
      return query as unknown as Statement<{ [K in keyof F]: SummaryValue<F[K]> }[]>;
    });
  }

  /**
   * Least and greatest value of a column for every key of another; keys without rows are left out. With an index on
   * hall, key and value it looks at two rows a key, however many there are.
   */
  async spans(
    table: HallTable,
    value: AnyPgColumn,
    key: AnyPgColumn,
    keys: readonly string[],
  ): Promise<Map<string, { least: number; greatest: number }>> {
    const end = (way: SQL) =>
      sql`(select ${value} from ${table} where ${table.hallId} = ${this.hallId} and ${key} = asked.key order by ${table.hallId} ${way}, ${key} ${way}, ${value} ${way} limit 1)`;
    const asked = { how: `spans of ${keys.join()}`, tables: [table], parts: [value, key] };
    const rows = await this.read(asked, async () => {
      const found = await this.executor.execute<{ key: string; least: number | null; greatest: number | null }>(
        sql`select asked.key, ${end(sql`asc`)} as least, ${end(sql`desc`)} as greatest from unnest(array[${sql.join(
          keys.map((one) => sql`${one}`),
          sql`, `,
        )}]::text[]) as asked(key)`,
      );
      return found.rows;
    });
    return new Map(
      rows.flatMap(({ key: of, least, greatest }) =>
        least === null || greatest === null ? [] : [[of, { least, greatest }] as const],
      ),
    );
  }

  /**
   * Inserts many rows in one go, without answering them: one JSON parameter instead of one for every cell, several
   * times as fast from some hundred rows on. All rows say the same columns; ids are the caller's.
   */
  async insertMany<T extends HallTable>(table: T, values: NewRow<T>[]): Promise<void> {
    for (let from = 0; from < values.length; from += MAX_ROWS_AT_ONCE)
      await this.writeMany(table, values.slice(from, from + MAX_ROWS_AT_ONCE), null);
  }

  /** Inserts many rows in one go, or changes those that are there already by their key, to just what is said. */
  async putMany<T extends HallTable>(table: T, key: AnyPgColumn[], values: NewRow<T>[]): Promise<void> {
    await this.writeMany(table, values, key);
  }

  private async writeMany<T extends HallTable>(
    table: T,
    values: NewRow<T>[],
    key: AnyPgColumn[] | null,
  ): Promise<void> {
    if (values.length === 0) return;
    const names = Object.entries(getTableColumns(table as PgTable))
      .filter(([key]) => key === "hallId" || key in values[0]!)
      .map(([key, column]) => [key, nameOf(column as AnyPgColumn)] as const);
    const rows = values.map((row) => {
      const whole: Record<string, unknown> = { ...row, hallId: this.hallId };
      return Object.fromEntries(names.map(([key, name]) => [name, whole[key] ?? null]));
    });
    const columns = sql.join(
      names.map(([, name]) => sql.identifier(name)),
      sql`, `,
    );
    const inserted = sql`insert into ${table} (${columns}) select ${columns} from json_populate_recordset(null::${table}, ${JSON.stringify(rows)}::json)`;
    if (!key) {
      await this.write(table, this.executor.execute(inserted));
      return;
    }
    const keyNames = key.map((column) => nameOf(column));
    const changes = names
      .filter(([, name]) => !keyNames.includes(name) && name !== nameOf(table.hallId))
      .map(([, name]) => sql`${sql.identifier(name)} = excluded.${sql.identifier(name)}`);
    const conflict = sql.join(
      keyNames.map((name) => sql.identifier(name)),
      sql`, `,
    );
    // A row of another hall under the same key is left alone.
    await this.write(
      table,
      this.executor.execute(
        sql`${inserted} on conflict (${conflict}) do update set ${sql.join(changes, sql`, `)} where ${table.hallId} = ${this.hallId}`,
      ),
    );
  }

  /**
   * Changes many rows in one go, found by their id: the columns that the rows say, the same for all of them. One JSON
   * parameter instead of one statement a row.
   */
  async updateMany<T extends HallTable & { id: AnyPgColumn }>(
    table: T,
    rows: readonly (Partial<NewRow<T>> & { id: string })[],
  ): Promise<void> {
    if (rows.length === 0) return;
    const columns = Object.entries(getTableColumns(table as PgTable)).filter(
      ([key, column]) => key !== "hallId" && key !== "id" && key in rows[0]! && !(column as AnyPgColumn).generated,
    );
    const names = columns.map(([key, column]) => [key, nameOf(column as AnyPgColumn)] as const);
    const values = rows.map((row) =>
      Object.fromEntries([
        ["id", row.id],
        ...names.map(([key, name]) => [name, (row as Record<string, unknown>)[key] ?? null]),
      ]),
    );
    const changes = sql.join(
      names.map(([, name]) => sql`${sql.identifier(name)} = said.${sql.identifier(name)}`),
      sql`, `,
    );
    await this.write(
      table,
      this.executor.execute(
        sql`update ${table} as kept set ${changes} from json_populate_recordset(null::${table}, ${JSON.stringify(values)}::json) as said where kept.id = said.id and kept.hall_id = ${this.hallId}`,
      ),
    );
  }

  async insert<T extends HallTable>(table: T, values: NewRow<T> | NewRow<T>[]): Promise<Row<T>[]> {
    const rows = (Array.isArray(values) ? values : [values]).map((row) => ({ ...row, hallId: this.hallId }));
    if (rows.length === 0) return [];
    return await this.write(
      table,
      this.executor
        .insert(table)
        .values(rows as never)
        .returning(),
    );
  }

  /** Inserts, or changes the row that is there already. */
  async put<T extends HallTable>(table: T, key: AnyPgColumn[], value: NewRow<T>): Promise<void> {
    const row = { ...value, hallId: this.hallId };
    await this.write(
      table,
      this.executor
        .insert(table)
        .values(row as never)
        .onConflictDoUpdate({ target: key, set: value as never, setWhere: eq(table.hallId, this.hallId) }),
    );
  }

  /** Inserts unless the row is there already; tells whether it did. */
  async insertOnce<T extends HallTable>(table: T, value: NewRow<T>): Promise<boolean> {
    const row = { ...value, hallId: this.hallId };
    const rows = await this.write(
      table,
      this.executor
        .insert(table)
        .values(row as never)
        .onConflictDoNothing()
        .returning(),
    );
    return (rows as unknown[]).length > 0;
  }

  async update<T extends HallTable>(table: T, where: SQL | undefined, set: Partial<NewRow<T>>): Promise<Row<T>[]> {
    return (await this.write(
      table,
      this.executor
        .update(table)
        .set(set as never)
        .where(this.mine(table, where))
        .returning(),
    )) as Row<T>[];
  }

  /** Takes rows out that nothing refers to. What history refers to is retired, not removed. */
  async remove<T extends HallTable>(table: T, where: SQL | undefined): Promise<void> {
    if (!where) throw new Error("remove names its rows");
    await this.write(table, this.executor.delete(table).where(this.mine(table, where)));
  }

  /** Holds a name of the hall until the transaction ends: for what is guarded before it has a row. */
  async hold(name: string): Promise<void> {
    const key = `${this.hallId} ${name}`;
    await this.run(this.executor.execute(sql`select pg_advisory_xact_lock(hashtextextended(${key}, 0))`));
  }

  /** Tells every copy of the program that listens that something changed; in a transaction, once it is carried out. */
  async tell(entity: string, id: string | null): Promise<void> {
    if (this.ways.told) this.ways.told.things.push({ entity, id });
    else await this.send(new Told([], [{ entity, id }]));
  }

  /**
   * Everything done inside with the handle it is given happens, or nothing does. Inside a transaction it is a savepoint
   * of that one, on the same connection.
   */
  async transaction<T>(work: (hall: HallDb) => Promise<T>): Promise<T> {
    const { turns, told } = this.ways;
    if (turns && told) return this.executor.transaction((tx) => work(this.within(tx, turns, told)));
    const news = new Told();
    const result = await this.executor.transaction(async (tx) => {
      const hall = this.within(tx, new Turns(), news);
      const done = await work(hall);
      await hall.send(news);
      return done;
    });
    // Before whoever wrote is answered, and looks.
    if (news.tables.size > 0) keptReads().forget(this.hallId, news.tables);
    return result;
  }

  private within(tx: Executor, turns: Turns, told: Told): HallDb {
    return new HallDb(tx, this.hallId, { turns, told, isNew: this.ways.isNew });
  }

  /** The hall as it stands at one moment, for looking only: the database refuses every write and every lock in it. */
  snapshot<T>(look: (hall: HallDb) => Promise<T>): Promise<T> {
    return this.executor.transaction((tx) => look(this.within(tx, new Turns(), new Told())), {
      isolationLevel: "repeatable read",
      accessMode: "read only",
    });
  }

  private async send(told: Told): Promise<void> {
    if (told.isEmpty || this.ways.isNew) return;
    await this.run(this.executor.execute(sql`select pg_notify(${NEWS_CHANNEL}, ${told.textOf(this.hallId)})`));
  }

  /** Sends what writes a table, and sees to it that what was read of the table is forgotten. */
  private async write<T>(table: HallTable, statement: Statement<T>): Promise<T> {
    const name = getTableName(table);
    if (this.ways.told) {
      this.ways.told.tables.add(name);
      return this.run(statement);
    }
    const result = await this.run(statement);
    keptReads().forget(this.hallId, [name]);
    await this.send(new Told([name]));
    return result;
  }

  /** Sends what reads, unless its answer is known. */
  private async read<R>(asked: Asked, statement: () => Statement<R[]>): Promise<R[]> {
    const { isKept, noted, turns } = this.ways;
    if (turns || !(isKept || noted)) return this.run(statement);
    const parts = sql.join(
      // By its name alone an alias would not tell what it stands for.
      asked.parts.map((part) => (is(part, SQL.Aliased) ? part.sql : sql`${part ?? null}`)),
      sql`, `,
    );
    const { sql: text, params } = dialect.sqlToQuery(parts);
    const names = asked.tables.map((table) => getTableName(table));
    const tables = new Set([...names, ...tablesOf(text)]);
    if (noted) for (const table of tables) noted.add(table);
    if (!isKept) return this.run(statement);
    const rows = await keptReads().get(
      this.hallId,
      `${asked.how} of ${names.join()}: ${text} ${JSON.stringify(params)}`,
      async () => ({ value: (await this.run(statement)).map((row) => Object.freeze(row)), tables }),
      tables,
    );
    // The list is the asker's own to sort; the rows in it are everybody's.
    return [...rows];
  }

  /** Sends a statement; in a transaction once those before it are done. Statements are only sent when they are waited for. */
  private run<T>(statement: Statement<T> | (() => Statement<T>)): Promise<T> {
    const { turns } = this.ways;
    const send = async () => await (typeof statement === "function" ? statement() : statement);
    return turns ? turns.next(send) : send();
  }

  private mine(table: HallTable, where?: SQL): SQL | undefined {
    return and(eq(table.hallId, this.hallId), withPossibleValues(where));
  }
}

const nameOf = (column: AnyPgColumn) => (column.keyAsName ? toSnakeCase(column.name) : column.name);
