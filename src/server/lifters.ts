import "server-only";
import type { FileLifter } from "@/core/hallFileParts";
import { fieldTexts } from "@/core/bars/fieldText";
import { and, asc, eq, isNull, sql } from "drizzle-orm";
import { cache } from "react";
import type { Build } from "@/core/balance/body";
import { HINGE_ON_STRAIGHT } from "@/core/matching/factors/person";
import type { Experience, Limit, MatchLifter } from "@/core/matching/lifter";
import { LIFTER_FIELDS, readMeetings, readUsualLoads, type Meeting } from "@/core/matching/lifterFields";
import type { Lift } from "@/core/matching/lifts";
import { specFor, type MeetingRule } from "@/core/matching/meetingRules";
import { daysBetween, type HallDay } from "@/core/units/hallDay";
import { convertTyped, type TypedQuantity } from "@/core/units/typedQuantity";
import type { HallDb } from "@/data/hallDb";
import { bars, changes, lifterBars, lifters, lifterSettings } from "@/data/schema";
import { eraseFromRuns } from "./eraseFromRuns";
import type { PreparedPart } from "./barImport";
import { NOTHING, prepareRows } from "./fieldFiles";
import { saveRow, type FieldKind, type Values } from "./fieldRows";
import { recordChange } from "./history";
import { allLifts } from "./lifts";
import { meetingRules } from "./meetings";
import { failed, forbidden, notFound, type Outcome } from "./outcome";
import { may } from "./access/permissions";
import { inTransaction, type Context } from "./access/context";

export type LifterRow = typeof lifters.$inferSelect;

/** Lifters by name; nobody but coach and manager sees any. Read once a request. */
export const listLifters = cache(async (context: Context): Promise<LifterRow[]> => {
  if (!may(context, "lifter.read")) return [];
  return context.hall.rows(lifters, {
    where: isNull(lifters.retiredAt),
    orderBy: [asc(lifters.name), asc(lifters.id)],
  });
});

/** Lifters a page at a time, for programs of a coach. */
export async function listLifterPage(
  context: Context,
  { limit, after }: { limit: number; after?: [name: string, id: string] },
): Promise<Outcome<{ items: LifterRow[]; nextCursor: string | null }>> {
  if (!may(context, "lifter.read")) return forbidden("read lifters");
  const rows = await context.hall.rows(lifters, {
    where: and(
      isNull(lifters.retiredAt),
      after && sql`(${lifters.name}, ${lifters.id}) > (${after[0]}, ${after[1]}::uuid)`,
    ),
    orderBy: [asc(lifters.name), asc(lifters.id)],
    limit: limit + 1,
  });
  const items = rows.slice(0, limit);
  const last = items.at(-1);
  return { ok: true, items, nextCursor: rows.length > limit && last ? JSON.stringify([last.name, last.id]) : null };
}

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

/** How lifters are read: their usual loads name lifts of the hall, their meetings rules that are known. */
function lifterKind(liftKeys: readonly string[], rules: readonly string[]): FieldKind<LifterRow> {
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

const rulesKnown = async (context: Context) => (await meetingRules(context)).map(({ rules }) => rules);

/** Enters or changes a lifter. */
export async function saveLifter(
  context: Context,
  form: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ key: string; version: number }>> {
  if (!may(context, "lifter.edit")) return forbidden("change lifters");
  const liftKeys = (await allLifts(context)).map(({ key }) => key);
  return saveRow(context, lifterKind(liftKeys, await rulesKnown(context)), form);
}

/** Every lifter as files carry them; null for whoever may not read any. Whoever was erased is in no file. */
export async function exportLifters(context: Context): Promise<FileLifter[] | null> {
  if (!may(context, "lifter.read")) return null;
  return (await listLifters(context))
    .toSorted((a, b) => (a.key < b.key ? -1 : 1))
    .map((row) => ({ texts: lifterTexts(row), ...(row.confirmed?.length ? { confirmed: row.confirmed } : {}) }));
}

/** Reads lifters of a file against the hall's. Lifts and rules that the same file brings are known. */
export async function prepareLifters(
  context: Context,
  incoming: readonly FileLifter[],
  { lifts, rules }: { lifts: readonly string[]; rules: readonly string[] },
): Promise<PreparedPart> {
  const { hall } = context;
  if (incoming.length === 0) return NOTHING;
  const liftKeys = [...(await allLifts(context)).map(({ key }) => key), ...lifts];
  const kind = lifterKind(liftKeys, [...(await rulesKnown(context)), ...rules]);
  return prepareRows(context, kind, {
    rows: await hall.rows(lifters),
    incoming,
    more: ({ confirmed = [] }, row) => {
      const kept = confirmed.filter((key) => key === HINGE_ON_STRAIGHT || liftKeys.includes(key));
      const isSame = kept.join() === (row?.confirmed ?? []).join();
      return {
        problems: confirmed
          .filter((key) => !kept.includes(key))
          .map((key) => ({ path: "confirmed", message: `${key} is nothing that is confirmed` })),
        words: isSame ? [] : ["confirmed"],
        write: async (id) => {
          if (!isSame) await hall.update(lifters, eq(lifters.id, id), { confirmed: kept });
        },
      };
    },
  });
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

export interface LifterBar {
  tag: string;
  name: string;
  firstUsedOn: HallDay;
  lastUsedOn: HallDay;
  setting: string | null;
}

/** The bars a lifter knows, the latest first. */
export async function barsOfLifter(context: Context, lifterId: string): Promise<LifterBar[]> {
  if (!may(context, "lifter.read")) return [];
  const { hall } = context;
  const own = await hall.rows(lifterBars, { where: eq(lifterBars.lifterId, lifterId) });
  const rows = new Map((await hall.rows(bars)).map((row) => [row.id, row]));
  return own
    .map(({ barId, firstUsedOn, lastUsedOn, setting }) => {
      const { tag, name } = rows.get(barId)!;
      return { tag, name, firstUsedOn, lastUsedOn, setting };
    })
    .sort((a, b) => (a.lastUsedOn < b.lastUsedOn ? 1 : a.lastUsedOn > b.lastUsedOn ? -1 : a.tag < b.tag ? -1 : 1));
}

/** Notes that a lifter used a bar on a day, and how it is set for them. */
export async function noteBarUse(
  context: Context,
  { lifter, tag, usedOn, setting }: { lifter: string; tag: string; usedOn: HallDay; setting: string },
): Promise<Outcome<object>> {
  if (!may(context, "lifter.edit")) return forbidden("note what lifters use");
  if (usedOn > context.clock.today)
    return failed("invalid", "Nothing was kept.", [{ path: "usedOn", message: "That day has not come yet." }]);
  if (setting.length > 120)
    return failed("invalid", "Nothing was kept.", [{ path: "setting", message: "At most 120 characters." }]);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const person = await hall.first(lifters, { where: eq(lifters.key, lifter), forUpdate: true });
    if (!person) return notFound(`lifter ${lifter}`);
    const bar = await hall.first(bars, { where: and(eq(bars.tag, tag), sql`${bars.state} <> 'retired'`) });
    if (!bar) return notFound(`bar ${tag}`);
    const where = and(eq(lifterBars.lifterId, person.id), eq(lifterBars.barId, bar.id));
    const before = await hall.first(lifterBars, { where });
    const firstUsedOn = before && before.firstUsedOn < usedOn ? before.firstUsedOn : usedOn;
    const lastUsedOn = before && before.lastUsedOn > usedOn ? before.lastUsedOn : usedOn;
    const after = { firstUsedOn, lastUsedOn, setting: setting.trim() || (before?.setting ?? null) };
    await hall.put(lifterBars, [lifterBars.lifterId, lifterBars.barId], {
      lifterId: person.id,
      barId: bar.id,
      ...after,
    });
    await recordChange(context, {
      entity: "lifter",
      entityId: person.id,
      action: `used ${tag}`,
      before: before && { firstUsedOn: before.firstUsedOn, lastUsedOn: before.lastUsedOn, setting: before.setting },
      after,
    });
    return { ok: true };
  });
}

/**
 * Erases a person: name, sizes, limits, notes and loads go, also from the history; that somebody was there stays, so
 * that what refers to them still counts.
 */
export async function eraseLifter(context: Context, key: string): Promise<Outcome<object>> {
  if (!may(context, "lifter.erase")) return forbidden("erase lifters");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(lifters, { where: eq(lifters.key, key), forUpdate: true });
    if (!row) return notFound(`lifter ${key}`);
    await hall.update(lifters, eq(lifters.id, row.id), {
      key: `erased-${row.id.slice(0, 8)}`,
      name: "erased",
      squad: null,
      heightMm: null,
      massKg: null,
      trunkLengthMm: null,
      thighLengthMm: null,
      shankLengthMm: null,
      handLengthMm: null,
      experience: "regular",
      limits: null,
      comfortNote: null,
      coachNote: null,
      purposes: null,
      confirmed: null,
      usualLoads: null,
      meetings: null,
      personId: null,
      retiredAt: context.clock.now(),
      version: row.version + 1,
    });
    await hall.remove(lifterBars, eq(lifterBars.lifterId, row.id));
    await hall.remove(lifterSettings, eq(lifterSettings.lifterId, row.id));
    await eraseFromRuns(hall, row.id);
    await hall.update(changes, and(eq(changes.entity, "lifter"), eq(changes.entityId, row.id)), {
      before: null,
      after: null,
    });
    await recordChange(context, { entity: "lifter", entityId: row.id, action: "erased" });
    return { ok: true };
  });
}

/** When lifters first and last used bars, by lifter and tag. */
export const barUse = cache(async (context: Context) => {
  const { hall } = context;
  const own = await hall.rows(lifterBars);
  const tags = new Map((await hall.rows(bars)).map(({ id, tag }) => [id, tag]));
  const use = new Map<string, Map<string, { first: HallDay; last: HallDay }>>();
  for (const { lifterId, barId, firstUsedOn, lastUsedOn } of own) {
    const mine = use.get(lifterId) ?? new Map<string, { first: HallDay; last: HallDay }>();
    use.set(lifterId, mine.set(tags.get(barId)!, { first: firstUsedOn, last: lastUsedOn }));
  }
  return use;
});

/** Body lengths as far as known; null without height and mass. */
export function buildOf(row: LifterRow): Build | null {
  const { heightMm, massKg, trunkLengthMm, thighLengthMm, shankLengthMm } = row;
  return heightMm && massKg ? { heightMm, massKg, trunkLengthMm, thighLengthMm, shankLengthMm } : null;
}

/** A lifter as the matcher sees one for a lift. */
export function matchLifterOf(
  row: LifterRow,
  lift: Lift,
  { today, rules, used }: { today: HallDay; rules: readonly MeetingRule[]; used?: MatchLifter["used"] },
): MatchLifter {
  const usual = row.usualLoads?.[lift.key] as TypedQuantity | undefined;
  return {
    build: buildOf(row),
    handLengthMm: row.handLengthMm,
    experience: row.experience as Experience,
    limits: (row.limits ?? []) as Limit[],
    confirmed: row.confirmed ?? [],
    meeting: nextMeeting((row.meetings ?? []) as Meeting[], lift, today, rules),
    used: used ?? new Map(),
    usualKg: usual ? convertTyped(usual) : null,
  };
}

function nextMeeting(
  meetings: readonly Meeting[],
  lift: Lift,
  today: HallDay,
  rules: readonly MeetingRule[],
): MatchLifter["meeting"] {
  const coming = meetings
    .flatMap(({ on, rules: name }) => {
      const spec = specFor(rules, name, lift);
      return on >= today && spec ? [{ inDays: daysBetween(today, on), spec }] : [];
    })
    .sort((a, b) => a.inDays - b.inDays);
  return coming[0] ?? null;
}
