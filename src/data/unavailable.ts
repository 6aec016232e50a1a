import { carriedRequest } from "./carriedRequest";

/** The database cannot answer now, and may in a moment: no connection is free, it is starting, or a wait was cut short. */
export class DatabaseUnavailable extends Error {
  override name = "DatabaseUnavailable";
}

/** PostgreSQL: statement timed out, lock not available, too many connections, shutting down, starting. */
const CODES = new Set(["57014", "55P03", "53300", "57P01", "57P02", "57P03", "25P03"]);
/** Node: nobody listens there, or the line broke. */
const NETWORK = new Set(["ECONNREFUSED", "ECONNRESET", "EPIPE", "ETIMEDOUT"]);
const SENTENCES =
  /timeout exceeded when trying to connect|Connection terminated|Client has encountered a connection error/;

/** Whether an error, or what caused it, says that trying again in a moment may help. */
export function isUnavailable(error: unknown): boolean {
  for (let one: unknown = error; one instanceof Error; one = one.cause) {
    if (one instanceof DatabaseUnavailable) return true;
    const { code } = one as { code?: unknown };
    if (typeof code === "string" && (CODES.has(code) || NETWORK.has(code))) return true;
    if (SENTENCES.test(one.message)) return true;
  }
  return false;
}

/**
 * For the request that is being answered: what notes on it that the database failed it, so that it is told 503 and not
 * 500. Asked for when a statement is sent, since its answer comes on a connection that many requests share.
 */
export function unavailableNoter(): (error: unknown) => void {
  const request = carriedRequest();
  return (error) => {
    if (request && isUnavailable(error)) request.isUnavailable = true;
  };
}
