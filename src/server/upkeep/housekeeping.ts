import "server-only";
import { inArray } from "drizzle-orm";
import { cache } from "react";
import { idempotencyKeys } from "@/data/schema";
import { type Context, inTransaction } from "@/server/access";
import { listSensors, readSensors } from "@/server/care/air";
import { replanCare, storedCareRules } from "@/server/care/planning";
import { remindOfRounds } from "@/server/care/rounds";
import { forgetWhatIsOld } from "./retention";

const HOUR = 3_600_000;

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
    [`retention-${context.clock.today}`]: (context) => forgetWhatIsOld(context),
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
