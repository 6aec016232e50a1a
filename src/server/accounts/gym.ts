import "server-only";
import { eq } from "drizzle-orm";
import { isTimeZone } from "@/core/units/hallDay";
import { isLocale } from "@/core/units/locales";
import { halls, people } from "@/data/schema";
import { type Context, type Doorstep, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange } from "@/server/kit";

/** What a gym is called and how it counts. */
export interface GymForm {
  name: string;
  timeZone: string;
  massUnit: string;
  lengthUnit: string;
  locale: string;
  currency: string;
}

/** As one text, so that a form can say what it read. */
export const gymText = ({ name, timeZone, massUnit, lengthUnit, locale, currency }: GymForm): string =>
  JSON.stringify([name, timeZone, massUnit, lengthUnit, locale, currency]);

/** What stands now. */
export const gymOf = ({ actor }: Context): GymForm => ({
  name: actor.hallName,
  timeZone: actor.timeZone,
  massUnit: actor.massUnit,
  lengthUnit: actor.gymLengthUnit,
  locale: actor.locale,
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
    ...(["kg", "lb"].includes(gym.massUnit) ? [] : [{ path: "massUnit", message: "Masses: kg or lb." }]),
    ...(["mm", "in"].includes(gym.lengthUnit) ? [] : [{ path: "lengthUnit", message: "Lengths: mm or in." }]),
    ...(isLocale(gym.locale) ? [] : [{ path: "locale", message: "Times: choose one of the list." }]),
    ...(/^[A-Z]{3}$/.test(gym.currency) ? [] : [{ path: "currency", message: "Currency: three letters, like EUR." }]),
  ];
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  const { hallId } = context.actor;
  const before = await db.transaction(async (tx) => {
    const [now] = await tx.select().from(halls).where(eq(halls.id, hallId)).for("update");
    if (gymText(now!) !== was) return null;
    const { name, timeZone, locale, currency } = gym;
    await tx
      .update(halls)
      .set({
        ...{ name, timeZone, locale, currency },
        massUnit: gym.massUnit as "kg" | "lb",
        lengthUnit: gym.lengthUnit as "mm" | "in",
      })
      .where(eq(halls.id, hallId));
    return now!;
  });
  if (!before)
    return failed(
      "stale",
      "Someone else changed this meanwhile. What you typed is still here; save again to overwrite.",
    );
  await recordChange(context, {
    entity: "rule",
    entityId: hallId,
    action: "gym changed",
    before: { gym: gymText(before) },
    after: { gym: gymText(gym) },
  });
  return { ok: true };
}

/**
 * Chooses in which units somebody reads and types.
 *
 * @param typed each "kg", "lb", "mm", "in", or empty for what the gym uses
 */
export async function saveOwnUnits(
  { actor, hall }: Context,
  typed: { massUnit: string; lengthUnit: string },
): Promise<Outcome<object>> {
  const mass = (["kg", "lb"] as const).find((unit) => unit === typed.massUnit) ?? null;
  const length = (["mm", "in"] as const).find((unit) => unit === typed.lengthUnit) ?? null;
  const problems = [
    ...(typed.massUnit !== "" && !mass ? [{ path: "massUnit", message: "Masses: kg or lb." }] : []),
    ...(typed.lengthUnit !== "" && !length ? [{ path: "lengthUnit", message: "Lengths: mm or in." }] : []),
  ];
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  await hall.update(people, eq(people.id, actor.personId), { massUnit: mass, lengthUnit: length });
  return { ok: true };
}

/** What somebody chose for themselves; empty where they read as the gym does. */
export async function ownUnits({ actor, hall }: Context): Promise<{ massUnit: string; lengthUnit: string }> {
  const row = await hall.first(people, { where: eq(people.id, actor.personId) });
  return { massUnit: row?.massUnit ?? "", lengthUnit: row?.lengthUnit ?? "" };
}
