import "server-only";
import { eq } from "drizzle-orm";
import { isTimeZone } from "@/core/units/hallDay";
import { halls } from "@/data/schema";
import { type Context, type Doorstep, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange } from "@/server/kit";

/** What a gym is called and how it counts. */
export interface GymForm {
  name: string;
  timeZone: string;
  massUnit: string;
  currency: string;
}

/** As one text, so that a form can say what it read. */
export const gymText = ({ name, timeZone, massUnit, currency }: GymForm): string =>
  JSON.stringify([name, timeZone, massUnit, currency]);

/** What stands now. */
export const gymOf = ({ actor }: Context): GymForm => ({
  name: actor.hallName,
  timeZone: actor.timeZone,
  massUnit: actor.massUnit,
  currency: actor.currency,
});

/**
 * Changes what the gym is called and how it counts.
 *
 * @param was what the form read; what somebody else changed since is not overwritten.
 */
export async function saveGym(
  context: Context,
  { db }: Pick<Doorstep, "db">,
  typed: GymForm,
  was: string,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change the gym");
  const gym = { ...typed, name: typed.name.trim(), currency: typed.currency.trim().toUpperCase() };
  const problems = [
    ...(gym.name === "" || gym.name.length > 80 ? [{ path: "name", message: "Gym: 1 to 80 characters." }] : []),
    ...(isTimeZone(gym.timeZone) ? [] : [{ path: "timeZone", message: "Time zone: like Europe/Lisbon." }]),
    ...(["kg", "lb"].includes(gym.massUnit) ? [] : [{ path: "massUnit", message: "Units: kg or lb." }]),
    ...(/^[A-Z]{3}$/.test(gym.currency) ? [] : [{ path: "currency", message: "Currency: three letters, like EUR." }]),
  ];
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  const { hallId } = context.actor;
  const before = await db.transaction(async (tx) => {
    const [now] = await tx.select().from(halls).where(eq(halls.id, hallId)).for("update");
    if (gymText(now!) !== was) return null;
    const { name, timeZone, currency } = gym;
    await tx
      .update(halls)
      .set({ name, timeZone, currency, massUnit: gym.massUnit as "kg" | "lb" })
      .where(eq(halls.id, hallId));
    return now!;
  });
  if (!before)
    return failed("stale", "Somebody changed this meanwhile. What you typed is still here; save again to overwrite.");
  await recordChange(context, {
    entity: "rule",
    entityId: hallId,
    action: "gym changed",
    before: { gym: gymText(before) },
    after: { gym: gymText(gym) },
  });
  return { ok: true };
}
