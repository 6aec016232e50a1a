import "server-only";
import type { Problem } from "@/core/problem";

/* Errors that people can cause are values. */

export type FailureCode = "invalid" | "forbidden" | "not-found" | "stale" | "impossible";

export interface Failed {
  ok: false;
  code: FailureCode;
  message: string;
  problems: Problem[];
  /** Of something that changed since it was read: the version that stands now, to name when it is overwritten. */
  version?: number;
}

export type Outcome<T> = ({ ok: true } & T) | Failed;

export function failed(code: FailureCode, message: string, problems: Problem[] = []): Failed {
  return { ok: false, code, message, problems };
}

/** Somebody else changed it since it was read: nothing was done, and the next try may name what stands now. */
export const stale = (message: string, version: number, problems: Problem[] = []): Failed => ({
  ...failed("stale", message, problems),
  version,
});

export const forbidden = (what: string): Failed => failed("forbidden", `Your role may not ${what}.`);

export const notFound = (what: string): Failed => failed("not-found", `There is no ${what}.`);
