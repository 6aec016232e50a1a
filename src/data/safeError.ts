/** An error as logs may carry it. */
export interface SafeError {
  name: string;
  /** Left out where it may hold what people typed. */
  message?: string;
  /** Of PostgreSQL: SQLSTATE and where. */
  code?: string;
  table?: string;
  constraint?: string;
  routine?: string;
  /** Where it happened: frames only. */
  at: string[];
}

const MAX_FRAMES = 12;

/**
 * An error without parameters or names: of anything that went through the database only its kind and place are kept,
 * since statements, details and messages of PostgreSQL quote the values they were given.
 */
export function safeError(error: unknown): SafeError {
  if (!(error instanceof Error)) return { name: "Thrown", message: typeof error, at: [] };
  const at = (error.stack ?? "")
    .split("\n")
    .filter((line) => /^\s+at /.test(line))
    .slice(0, MAX_FRAMES)
    .map((line) => line.trim());
  const cause = databaseCause(error);
  if (!cause) return { name: error.name, message: error.message.slice(0, 300), at };
  const { code, table, constraint, routine } = cause;
  return {
    name: error.name,
    ...Object.fromEntries(
      Object.entries({ code, table, constraint, routine }).filter(([, value]) => value !== undefined),
    ),
    at,
  };
}

interface DatabaseCause {
  code?: string;
  table?: string;
  constraint?: string;
  routine?: string;
}

function databaseCause(error: Error): DatabaseCause | null {
  const isQuery = "query" in error && "params" in error;
  for (let one: unknown = error; one instanceof Error; one = one.cause)
    if ("severity" in one || ("code" in one && "routine" in one)) return one as DatabaseCause;
  return isQuery ? { code: (error.cause as { code?: string } | undefined)?.code } : null;
}
