import "server-only";
import { eq } from "drizzle-orm";
import { type GymTexts, readGym } from "@/core/house/gym";
import { halls, people } from "@/data/schema";
import { type Context, type Doorstep, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange } from "@/server/kit";

/** As one text, so that a form can say what it read. */
export const gymText = ({ name, timeZone, massUnit, lengthUnit, locale, currency }: GymTexts): string =>
  JSON.stringify([name, timeZone, massUnit, lengthUnit, locale, currency]);

/** What stands now. */
export const gymOf = ({ actor }: Context): GymTexts => ({
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
  typed: GymTexts,
  was: string,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change the gym");
  const read = readGym(typed);
  if (!read.ok) return failed("invalid", "Not saved.", read.problems);
  const { gym } = read;
  const { hallId } = context.actor;
  const before = await db.transaction(async (tx) => {
    const [now] = await tx.select().from(halls).where(eq(halls.id, hallId)).for("update");
    if (gymText(now!) !== was) return null;
    await tx.update(halls).set(gym).where(eq(halls.id, hallId));
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
