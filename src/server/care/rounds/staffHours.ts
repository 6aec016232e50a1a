import "server-only";
import { asc, eq } from "drizzle-orm";
import { readStaffHours, staffHoursText } from "@/core/care/staffHours";
import { staffHours } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { careCrew } from "@/server/care/log";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";

/** Whether somebody may know and set when a person is in. */
export const mayKnowHours = (context: Context, personId: string): boolean =>
  personId === context.actor.personId || may(context, "hours.of-others");

/** When everybody of the crew is in, as lines of text by person. */
export async function crewHours(context: Context): Promise<{ id: string; name: string; text: string }[]> {
  const [everybody, rows] = [
    await careCrew(context),
    await context.hall.rows(staffHours, { orderBy: [asc(staffHours.weekday), asc(staffHours.fromMinute)] }),
  ];
  // When others are in is for whoever makes the plan of it.
  const crew = everybody.filter(({ id }) => mayKnowHours(context, id));
  return crew.map(({ id, name }) => ({
    id,
    name,
    text: rows
      .filter(({ personId }) => personId === id)
      .map(staffHoursText)
      .join("\n"),
  }));
}

/**
 * Sets when somebody is in, week by week.
 *
 * @param was what the screen showed; hours that somebody else set since then are not overwritten.
 */
export async function saveStaffHours(
  context: Context,
  personId: string,
  text: string,
  was?: string,
): Promise<Outcome<object>> {
  if (!may(context, "care.plan")) return forbidden("plan rounds");
  if (!mayKnowHours(context, personId)) return forbidden("set the hours of others");
  const read = readStaffHours(text.slice(0, 2000));
  if (!read.ok) return failed("invalid", "The hours were not changed.", read.problems);
  if (!(await careCrew(context)).some(({ id }) => id === personId)) return notFound("such person in the crew");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold(`hours of ${personId}`);
    const now = (await crewHours(context)).find(({ id }) => id === personId)?.text ?? "";
    if (was !== undefined && now !== was.replaceAll("\r\n", "\n"))
      return failed(
        "stale",
        `Someone else changed these hours meanwhile: ${now === "" ? "none" : now.replaceAll("\n", ", ")}. Nothing was changed; what you typed is still here. Save again to overwrite.`,
        [],
      );
    await hall.remove(staffHours, eq(staffHours.personId, personId));
    await hall.insert(
      staffHours,
      read.hours.map((one) => ({ personId, ...one })),
    );
    await recordChange(context, {
      entity: "round",
      entityId: personId,
      action: "staff hours",
      after: { hours: read.hours.map(staffHoursText) },
    });
    return { ok: true as const };
  });
}
