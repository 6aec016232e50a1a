import "server-only";
import { asc, eq } from "drizzle-orm";
import { cache } from "react";
import { BUILT_IN_RULES, type MeetingRule } from "@/core/matching/meetingRules";
import { readMeeting, type MeetingTexts, type MeetingValue } from "@/core/matching/readMeeting";
import { meetingSpecs } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { allLifts } from "./lifts";

export type MeetingSpecRow = typeof meetingSpecs.$inferSelect;

/** What the manager entered, by name of the rules; read once a request. */
export const ownMeetingSpecs = cache(async (context: Context): Promise<MeetingSpecRow[]> =>
  context.hall.rows(meetingSpecs, { orderBy: [asc(meetingSpecs.rules), asc(meetingSpecs.id)] }),
);

/** Built-in rules and the hall's own. */
export async function meetingRules(context: Context): Promise<MeetingRule[]> {
  const own = (await ownMeetingSpecs(context)).map(({ rules, source, lifts, ranges, marks }) => ({
    rules,
    lifts,
    spec: { name: rules, source, ranges, marks },
  }));
  return [...BUILT_IN_RULES, ...own];
}

export interface MeetingSpecForm extends MeetingTexts {
  id: string | null;
  version: number;
}

/** What tells rules for some lifts from others. */
export const specKey = ({ rules, lifts }: Pick<MeetingValue, "rules" | "lifts">) =>
  JSON.stringify([rules, lifts.toSorted()]);

export async function writeSpec(context: Context, row: MeetingSpecRow | null, value: MeetingValue, reason?: string) {
  const { hall } = context;
  if (!row) {
    const [made] = await hall.insert(meetingSpecs, value);
    return recordChange(context, {
      entity: "competition rule",
      entityId: made!.id,
      action: "entered",
      after: value,
      reason,
    });
  }
  await hall.update(meetingSpecs, eq(meetingSpecs.id, row.id), { ...value, version: row.version + 1 });
  const { rules, source, lifts, ranges, marks } = row;
  return recordChange(context, {
    entity: "competition rule",
    entityId: row.id,
    action: "edited",
    before: { rules, source, lifts, ranges, marks },
    after: value,
    reason,
  });
}

/** Enters or changes what rules ask of the bar for some lifts. */
export async function saveMeetingSpec(context: Context, form: MeetingSpecForm): Promise<Outcome<{ rules: string }>> {
  if (!may(context, "rule.edit")) return forbidden("enter competition rules");
  const { value, problems } = readMeeting(
    form,
    (await allLifts(context)).map(({ key }) => key),
  );
  if (problems.length > 0) return failed("invalid", "Nothing was changed.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row =
      form.id === null
        ? null
        : await hall.first(meetingSpecs, { where: eq(meetingSpecs.id, form.id), forUpdate: true });
    if (form.id !== null && !row) return notFound("such competition rule");
    if (row && row.version !== form.version)
      return failed("stale", `Someone else changed ${row.rules} meanwhile. Nothing was changed; look at it again.`);
    await writeSpec(context, row, value);
    return { ok: true, rules: value.rules };
  });
}

/** Takes what rules ask for some lifts away again. */
export async function removeMeetingSpec(context: Context, id: string): Promise<Outcome<{ rules: string }>> {
  if (!may(context, "rule.edit")) return forbidden("delete competition rules");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(meetingSpecs, { where: eq(meetingSpecs.id, id), forUpdate: true });
    if (!row) return notFound("such competition rule");
    const { rules, source, lifts, ranges, marks } = row;
    await hall.remove(meetingSpecs, eq(meetingSpecs.id, id));
    await recordChange(context, {
      entity: "competition rule",
      entityId: id,
      action: "taken away",
      before: { rules, source, lifts, ranges, marks },
    });
    return { ok: true, rules };
  });
}
