import "server-only";
import { eq } from "drizzle-orm";
import { fieldTexts } from "@/core/bars/fieldText";
import { HINGE_ON_STRAIGHT } from "@/core/matching/factors/person";
import { LIFTER_FIELDS, readMeetings, readUsualLoads } from "@/core/matching/lifterFields";
import { lifters } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type FieldKind, type Outcome, type Values, forbidden, notFound, recordChange, saveRow } from "@/server/kit";
import { allLifts, meetingRules } from "@/server/lifts";
import type { LifterRow } from "./lifters";

/** A lifter as texts by field. */
export function lifterTexts(row: LifterRow): Record<string, string> {
  return fieldTexts(LIFTER_FIELDS, {
    ...row,
    usualLoads: loadLines(row.usualLoads ?? {}),
    meetings: (row.meetings ?? []).map(({ on, rules, name }) => `${on} ${rules} ${name}`.trim()),
  });
}

/** Usual loads as lines, by lift: an order of their own is not kept. */
function loadLines(loads: Readonly<Record<string, { value: string; unit: string }>>): string[] {
  return Object.entries(loads)
    .map(([lift, { value, unit }]) => `${lift} ${value} ${unit}`)
    .sort();
}

/** What is about health: of somebody under age only with a guardian's consent. */
const HEALTH = ["limits", "comfortNote", "coachNote"] as const;
const hasWords = (value: unknown) => (Array.isArray(value) ? value.length > 0 : Boolean(value));

/** How lifters are read: their usual loads name lifts of the hall, their meetings rules that are known. */
export function lifterKind(liftKeys: readonly string[], rules: readonly string[]): FieldKind<LifterRow> {
  const read = (values: Values) => ({
    usual: readUsualLoads((values.usualLoads as readonly string[] | null) ?? [], liftKeys),
    meetings: readMeetings((values.meetings as readonly string[] | null) ?? [], rules),
  });
  return {
    entity: "lifter",
    table: lifters,
    defs: LIFTER_FIELDS,
    textsOf: lifterTexts,
    check: (values) => {
      const { usual, meetings } = read(values);
      if (values.usualLoads) values.usualLoads = loadLines(usual.loads);
      const isKey = /^[a-z0-9-]+$/.test(String(values.key));
      return [
        ...(values.isMinor === true && !values.guardianConsent && HEALTH.some((key) => hasWords(values[key]))
          ? [
              {
                path: "guardianConsent",
                message:
                  "guardian’s consent: note who gave it before anything about health is kept of someone under age",
              },
            ]
          : []),
        ...(isKey ? [] : [{ path: "key", message: "short name: small letters, digits and hyphens, as isla" }]),
        ...usual.problems,
        ...meetings.problems,
      ];
    },
    columnsOf: (values) => {
      const { usual, meetings } = read(values);
      return { ...values, usualLoads: usual.loads, meetings: meetings.meetings };
    },
  };
}

export const rulesKnown = async (context: Context) => (await meetingRules(context)).map(({ rules }) => rules);

/** Enters or changes a lifter. */
export async function saveLifter(
  context: Context,
  form: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ key: string; version: number }>> {
  if (!may(context, "lifter.edit")) return forbidden("change lifters");
  const liftKeys = (await allLifts(context)).map(({ key }) => key);
  return saveRow(context, lifterKind(liftKeys, await rulesKnown(context)), form);
}

/** What a coach may confirm of a lifter, with the words for it. */
export async function confirmable(context: Context): Promise<{ key: string; words: string }[]> {
  const lifts = await allLifts(context);
  return [
    { key: HINGE_ON_STRAIGHT, words: "a clean hinge on a straight bar, before one on a bar that swings" },
    ...lifts.flatMap(({ key, name, prerequisite }) =>
      prerequisite ? [{ key, words: `before the ${name}: ${prerequisite}` }] : [],
    ),
  ];
}

/** Sets what a coach confirms of a lifter. */
export async function confirmLifter(
  context: Context,
  key: string,
  confirmed: readonly string[],
): Promise<Outcome<object>> {
  if (!may(context, "lifter.edit")) return forbidden("confirm anything of lifters");
  const known = (await confirmable(context)).map((one) => one.key);
  const kept = known.filter((one) => confirmed.includes(one));
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(lifters, { where: eq(lifters.key, key), forUpdate: true });
    if (!row) return notFound(`lifter ${key}`);
    await hall.update(lifters, eq(lifters.id, row.id), { confirmed: kept, version: row.version + 1 });
    await recordChange(context, {
      entity: "lifter",
      entityId: row.id,
      action: "confirmed",
      before: { confirmed: row.confirmed },
      after: { confirmed: kept },
    });
    return { ok: true };
  });
}
