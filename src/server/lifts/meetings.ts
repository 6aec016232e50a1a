import "server-only";
import { asc, eq } from "drizzle-orm";
import { cache } from "react";
import { BUILT_IN_RULES, type MeetingRule } from "@/core/matching/meetingRules";
import { MEETING_QUANTITIES, type MeetingQuantity, type MeetingSpec } from "@/core/matching/meetingSpec";
import type { Problem } from "@/core/problem";
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

export interface MeetingSpecForm {
  id: string | null;
  version: number;
  rules: string;
  source: string;
  lifts: readonly string[];
  marks: string;
  /** "least.mass", "most.mass" and so on, as typed. */
  texts: Record<string, string>;
}

export interface SpecValue {
  rules: string;
  source: string;
  lifts: string[];
  ranges: MeetingSpec["ranges"];
  marks: MeetingSpec["marks"];
}

/** What a form or a file says that rules ask, or every problem. */
export function readSpec(
  form: Pick<MeetingSpecForm, "rules" | "source" | "lifts" | "marks" | "texts">,
  known: readonly string[],
): { value: SpecValue; problems: Problem[] } {
  const problems: Problem[] = [];
  const rules = form.rules.trim();
  if (rules === "" || rules.length > 40) problems.push({ path: "rules", message: "name: up to 40 characters" });
  if (BUILT_IN_RULES.some((one) => one.rules === rules.toLowerCase()))
    problems.push({ path: "rules", message: `name: ${rules} is built in` });
  const source = form.source.trim();
  if (source === "" || source.length > 120)
    problems.push({ path: "source", message: "where it is written: up to 120 characters" });
  if (form.lifts.length === 0) problems.push({ path: "lifts", message: "lifts: choose at least one" });
  for (const key of form.lifts)
    if (!known.includes(key)) problems.push({ path: "lifts", message: `lifts: ${key} is none of the hall’s` });
  const ranges = readRanges(form.texts, problems);
  if (problems.length === 0 && Object.keys(ranges).length === 0 && form.marks === "")
    problems.push({ path: "least.mass", message: "say at least one thing that the rules ask" });
  const marks = form.marks === "powerlifting" || form.marks === "weightlifting" ? form.marks : null;
  return { value: { rules, source, lifts: [...form.lifts], ranges, marks }, problems };
}

/** What tells rules for some lifts from others. */
export const specKey = ({ rules, lifts }: Pick<SpecValue, "rules" | "lifts">) =>
  JSON.stringify([rules, lifts.toSorted()]);

export async function writeSpec(context: Context, row: MeetingSpecRow | null, value: SpecValue, reason?: string) {
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
  const { value, problems } = readSpec(
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

function readRanges(texts: Record<string, string>, problems: Problem[]): MeetingSpec["ranges"] {
  const ranges: MeetingSpec["ranges"] = {};
  for (const kind of Object.keys(MEETING_QUANTITIES) as MeetingQuantity[]) {
    const { label, unit } = MEETING_QUANTITIES[kind];
    const read = (end: "least" | "most") => {
      const text = (texts[`${end}.${kind}`] ?? "").trim().replace(",", ".");
      if (text === "") return undefined;
      const value = /^\d*\.?\d+$/.test(text) ? Number(text) : NaN;
      if (value >= 0 && value <= 10_000) return value;
      problems.push({ path: `${end}.${kind}`, message: `${label}: “${text}” is no number of ${unit}` });
      return undefined;
    };
    const [least, most] = [read("least"), read("most")];
    if (least !== undefined && most !== undefined && least > most)
      problems.push({ path: `least.${kind}`, message: `${label}: the least is more than the most` });
    if (least !== undefined || most !== undefined)
      ranges[kind] = { ...(least === undefined ? {} : { least }), ...(most === undefined ? {} : { most }) };
  }
  return ranges;
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
