import "server-only";
import { inArray } from "drizzle-orm";
import { cache } from "react";
import { database } from "@/data/client";
import { inTransaction, type HallDb } from "@/data/hallDb";
import { idempotencyKeys } from "@/data/schema";
import { replanCare, storedCareRules } from "./carePlanning";
import { listSensors, readSensors } from "./climate";
import { remindOfRounds } from "./reminders";
import { hallDb, managerOfEachHall, type Who } from "./who";

const HOUR = 3_600_000;
/** So often the program looks whether an hour or a day has begun. */
const LOOK_EVERY = 60_000;

/**
 * Brings air and care up to the hour and the day: simulated sensors read what they have not read yet, once a day every
 * due day is worked out anew where the house goes by the meter, and whoever has a round today is reminded. The program's
 * clock calls it, and so does whatever shows care, since a computer may have slept. Each piece is done once, in one
 * transaction with the mark that it is done; one that fails is tried again the next time. Costs a row when nothing is
 * to do.
 */
export const keepCareCurrent = cache(async (who: Who): Promise<void> => {
  const hour = Math.floor(Date.now() / HOUR);
  const pieces: Record<string, (own: HallDb) => Promise<unknown>> = {
    [`climate-hour-${hour}`]: async (own) => readSensors(own, who, await listSensors(who), hour * HOUR),
    [`care-day-${who.today}`]: async (own) => {
      if ((await storedCareRules(own)).rule !== "calendar") await replanCare(own, who);
    },
    [`care-reminders-${who.today}`]: (own) => remindOfRounds(own, who),
  };
  const keys = Object.keys(pieces);
  const done = await hallDb(who).rows(idempotencyKeys, { where: inArray(idempotencyKeys.key, keys) });
  for (const key of keys.filter((one) => !done.some((row) => row.key === one)))
    await inTransaction(database(), who.hallId, async (own) => {
      if (await own.insertOnce(idempotencyKeys, { key, action: "housekeeping", result: {} })) await pieces[key]!(own);
    });
});

function complain(error: unknown): void {
  console.error("Care was not brought up to date:", error instanceof Error ? error.message : error);
}

/** Starts the program's clock: every hall is kept current whether anybody looks or not. Answers how to stop it. */
export function startClock(every = LOOK_EVERY): () => void {
  let isBusy = false;
  const look = async () => {
    if (isBusy) return;
    isBusy = true;
    // The database may be starting or being restored; the next look tries again. One hall's trouble is not another's.
    const halls = await managerOfEachHall().catch(complain);
    for (const who of halls ?? []) await keepCareCurrent(who).catch(complain);
    isBusy = false;
  };
  const timer = setInterval(() => void look(), every);
  timer.unref();
  void look();
  return () => clearInterval(timer);
}
