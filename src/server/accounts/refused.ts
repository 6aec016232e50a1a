import "server-only";
import type { Problem } from "@/core/problem";
import { type Failed, failed } from "@/server/kit";

/** Thrown within a transaction that must be given up for something that a person can mend; caught outside of it. */
export class Refused extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super("refused");
  }
}

/** What was refused, as a value; every other error goes on. */
export const refusedWith =
  (message: string) =>
  (error: unknown): Failed => {
    if (error instanceof Refused) return failed("invalid", message, [...error.problems]);
    throw error;
  };
