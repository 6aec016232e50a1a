import pino, { type Logger } from "pino";
import { safeError } from "./safeError";

/** What the program writes about itself: one JSON object a line, so that nothing a person typed can forge a line. */
export type Log = Pick<Logger, "debug" | "info" | "warn" | "error" | "child">;

let made: Logger | undefined;

/**
 * The process's log, on standard output. Errors are written without what people typed: a failed statement names its
 * code, table and constraint, never its parameters.
 */
export function log(): Log {
  return (made ??= pino({
    level: process.env.LOG_LEVEL || "info",
    base: null,
    timestamp: pino.stdTimeFunctions.isoTime,
    formatters: { level: (label) => ({ level: label }) },
    serializers: { err: safeError, error: safeError },
  }));
}
