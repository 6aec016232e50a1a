import "server-only";
import { inTransaction, type Context } from "./access/context";
import { inArray } from "drizzle-orm";
import { cache } from "react";
import { idempotencyKeys } from "@/data/schema";
import { replanCare, storedCareRules } from "./carePlanning";
import { listSensors, readSensors } from "./climate";
import { remindOfRounds } from "./reminders";
import { contextOfEachHall, log } from "./access/session";

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
export const keepCareCurrent = cache(async (context: Context): Promise<void> => {
  const hour = Math.floor(context.clock.now().getTime() / HOUR);
  const pieces: Record<string, (context: Context) => Promise<unknown>> = {
    [`climate-hour-${hour}`]: async (context) => readSensors(context, await listSensors(context), hour * HOUR),
    [`care-day-${context.clock.today}`]: async (context) => {
      if ((await storedCareRules(context.hall)).rule !== "calendar") await replanCare(context);
    },
    [`care-reminders-${context.clock.today}`]: (context) => remindOfRounds(context),
  };
  const keys = Object.keys(pieces);
  const done = await context.hall.rows(idempotencyKeys, { where: inArray(idempotencyKeys.key, keys) });
  for (const key of keys.filter((one) => !done.some((row) => row.key === one)))
    await inTransaction(context, async (context) => {
      if (await context.hall.insertOnce(idempotencyKeys, { key, action: "housekeeping", result: {} }))
        await pieces[key]!(context);
    });
});

function complain(error: unknown): void {
  log().error({ err: error }, "care was not brought up to date");
}

/** Starts the program's clock: every hall is kept current whether anybody looks or not. Answers how to stop it. */
export function startClock(every = LOOK_EVERY): () => void {
  let isBusy = false;
  const look = async () => {
    if (isBusy) return;
    isBusy = true;
    // The database may be starting or being restored; the next look tries again. One hall's trouble is not another's.
    const halls = await contextOfEachHall().catch(complain);
    for (const context of halls ?? []) await keepCareCurrent(context).catch(complain);
    isBusy = false;
  };
  const timer = setInterval(() => void look(), every);
  timer.unref();
  void look();
  return () => clearInterval(timer);
}
