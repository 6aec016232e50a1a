import { HallDb } from "@/data/hallDb";
import { testDatabase } from "@/data/testDatabase.fixture";
import { makeHall } from "@/data/testHall.fixture";
import { type Context, clockIn } from "./context";
import type { Role } from "./permissions";

/** The moment at which tests take place unless they set another: a Friday. */
export const TEST_NOW = new Date("2026-03-20T06:00:00Z");

const SILENT: Context["log"] = {
  debug: () => undefined,
  info: () => undefined,
  warn: () => undefined,
  error: () => undefined,
  child: () => SILENT as never,
};

/** A clock that begins at a moment and moves on by a millisecond each time it is read, so that what follows is later. */
export function tickingFrom(moment: Date): () => Date {
  let ticks = 0;
  return () => new Date(moment.getTime() + (ticks += 1));
}

/** A hall of a test's own, and the context of each role in it, at a set moment. */
export async function makeContexts(name: string) {
  const made = await makeHall(name);
  const tick = tickingFrom(TEST_NOW);
  const context = (role: Role): Context => {
    const actor = made.actor(role);
    return {
      actor,
      door: { kind: "program" },
      hall: new HallDb(testDatabase(), actor.hallId),
      clock: clockIn(actor.timeZone, tick),
      asker: `test ${role}`,
      address: "192.0.2.7",
      agent: "test",
      signal: new AbortController().signal,
      log: SILENT,
      publicUrl: "http://garrison.test",
    };
  };
  return { ...made, context };
}

/** The same person at another moment, by the clock of their hall. */
export const at = (context: Context, moment: string): Context => {
  return { ...context, clock: clockIn(context.actor.timeZone, tickingFrom(new Date(moment))) };
};
