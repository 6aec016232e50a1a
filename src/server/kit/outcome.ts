import "server-only";
import type { Problem } from "@/core/problem";

/* Errors that people can cause are values. */

export type FailureCode = "invalid" | "forbidden" | "not-found" | "stale" | "impossible";

export interface Failed {
  ok: false;
  code: FailureCode;
  message: string;
  problems: Problem[];
}

export type Outcome<T> = ({ ok: true } & T) | Failed;

export function failed(code: FailureCode, message: string, problems: Problem[] = []): Failed {
  return { ok: false, code, message, problems };
}

export const forbidden = (what: string): Failed => failed("forbidden", `Your role may not ${what}.`);

export const notFound = (what: string): Failed => failed("not-found", `There is no ${what}.`);
