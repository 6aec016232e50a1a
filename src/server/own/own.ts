import "server-only";
import { and, asc, desc, eq, gte, isNull, sql } from "drizzle-orm";
import type { FamilyKey } from "@/core/bars/families";
import { LIMITS, type Limit } from "@/core/matching/lifter";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { hallDayAt } from "@/core/units/hallDay";
import {
  accounts,
  bars,
  changes,
  classes,
  classEntries,
  lifterBars,
  lifters,
  lifterSettings,
  people,
  runs,
  sessions,
} from "@/data/schema";
import { type Context, type Doorstep, dropCookie, inTransaction, isConfirmed } from "@/server/access";
import { CONFIRM_FIRST } from "@/server/accounts";
import { type Outcome, failed, notFound, recordChange, stale, withTag } from "@/server/kit";
import { eraseRow, type LifterRow, lifterTexts } from "@/server/lifters";
import { type NoteAsked, type NoteForm, notesAsked, notesOfLifter, saveNote } from "@/server/feel";
import { allLifts } from "@/server/lifts";
import { lifterLog, logOf } from "@/server/logbook";
import { sideViewsForFile } from "@/server/sideview";

/* What is kept of whoever asks, for themselves: it needs no permission but being them. */

const SHOWN_SETS = 30;
const MAX_OWN_LIFTS = 8;

export interface OwnSheet {
  name: string;
  version: number;
  limits: Limit[];
  comfortNote: string;
  settings: { id: string; tag: string; barName: string; liftName: string; words: string }[];
  sets: { id: string; on: string; tag: string; liftName: string; loadKg: number; isWork: boolean }[];
  /** Strength by lift, and what bars are worth, by their log. */
  strength: { liftName: string; straightKg: number; bars: { tag: string; name: string; words: string }[] }[];
  next: { name: string; on: string; at: string; liftName: string; loadKg: number }[];
  /** Bars that they are asked about. */
  asked: NoteAsked[];
  /** Bars that they use, with how each is used. */
  bars: { tag: string; name: string; family: FamilyKey }[];
}

/** The lifter that whoever asks is; null where nobody linked them to one. */
async function ownLifter({ hall, actor }: Context): Promise<LifterRow | null> {
  return hall.first(lifters, { where: and(eq(lifters.personId, actor.personId), isNull(lifters.retiredAt)) });
}

/** Own settings, sets and next classes. */
export async function ownSheet(context: Context): Promise<OwnSheet | null> {
  const lifter = await ownLifter(context);
  if (!lifter) return null;
  const { hall, clock } = context;
  const [lifts, settings, sets, entries] = [
    await allLifts(context),
    await hall.rowsWith(
      lifterSettings,
      { bar: { table: bars, on: eq(bars.id, lifterSettings.barId), columns: { tag: bars.tag, name: bars.name } } },
      {
        where: and(eq(lifterSettings.lifterId, lifter.id), isNull(lifterSettings.replacedAt)),
        orderBy: [desc(lifterSettings.keptAt)],
      },
    ),
    await ownSets(context, lifter.id),
    await hall.rowsWith(
      classEntries,
      {
        of: {
          table: classes,
          on: eq(classes.id, classEntries.classId),
          columns: { name: classes.name, heldOn: classes.heldOn, startsAt: classes.startsAt },
        },
      },
      {
        where: and(eq(classEntries.lifterId, lifter.id), gte(classes.heldOn, clock.today)),
        orderBy: [asc(classes.heldOn), asc(classes.startsAt)],
        limit: 5,
      },
    ),
  ];
  const liftName = (key: string | null) => lifts.find((lift) => lift.key === key)?.name ?? "";
  return {
    name: lifter.name,
    version: lifter.version,
    limits: (lifter.limits ?? []) as Limit[],
    comfortNote: lifter.comfortNote ?? "",
    settings: settings.map(({ row, bar }) => ({
      id: row.id,
      tag: bar!.tag,
      barName: bar!.name,
      liftName: liftName(row.liftKey),
      words: Object.values(row.setting).join(", "),
    })),
    sets: sets.map(({ liftKey, ...set }) => ({ ...set, liftName: liftName(liftKey) })),
    strength: await ownStrength(context, lifter.id, liftName),
    asked: await notesAsked(context, lifter.id),
    bars: await ownBars(context, lifter.id),
    next: entries.flatMap(({ row, of }) =>
      of
        ? [{ name: of.name, on: of.heldOn, at: of.startsAt, liftName: liftName(row.liftKey), loadKg: row.loadKg }]
        : [],
    ),
  };
}

const SHOWN_BARS = 6;

/** Bars that they used lately, one of each family. */
async function ownBars({ hall }: Context, lifterId: string): Promise<OwnSheet["bars"]> {
  const rows = await hall.rowsWith(
    lifterBars,
    {
      bar: {
        table: bars,
        on: eq(bars.id, lifterBars.barId),
        columns: { tag: bars.tag, name: bars.name, family: bars.family, state: bars.state },
      },
    },
    { where: eq(lifterBars.lifterId, lifterId), orderBy: [desc(lifterBars.lastUsedOn)] },
  );
  const seen = new Set<string>();
  return rows
    .flatMap(({ bar }) => {
      if (!bar || bar.state === "retired" || seen.has(bar.family)) return [];
      seen.add(bar.family);
      return [{ tag: bar.tag, name: bar.name, family: bar.family }];
    })
    .slice(0, SHOWN_BARS);
}

/** Says how a bar feels to whoever asks, who is a lifter here. */
export async function saveOwnNote(context: Context, form: Omit<NoteForm, "lifter">): Promise<Outcome<object>> {
  const lifter = await ownLifter(context);
  if (!lifter) return notFound("lifter that is you");
  return saveNote(context, { ...form, lifter: null }, lifter.id);
}

/** What their own log says, lift by lift. */
async function ownStrength(
  context: Context,
  lifterId: string,
  liftName: (key: string) => string,
): Promise<OwnSheet["strength"]> {
  const { lifts } = await lifterLog(context, lifterId, {}, true);
  const found = [];
  for (const { liftKey, variant } of lifts.slice(0, MAX_OWN_LIFTS)) {
    const { strength } = await lifterLog(context, lifterId, { liftKey, variant }, true);
    if (!strength) continue;
    found.push({
      liftName: variant ? `${liftName(liftKey)}, ${variant}` : liftName(liftKey),
      straightKg: strength.straight.value,
      bars: strength.bars
        .filter(({ isStraight }) => !isStraight)
        .map(({ tag, name, words }) => ({ tag, name, words: words.text })),
    });
  }
  return found;
}

/** Sets of theirs that were done on run sheets, newest first. */
async function ownSets({ hall, actor }: Context, lifterId: string, limit = SHOWN_SETS) {
  const rows = await hall.rowsWith(
    runs,
    { bar: withTag(runs.barId) },
    {
      where: sql`${runs.lifterIds}::text like ${`%${lifterId}%`}`,
      orderBy: [desc(runs.startedAt)],
      limit: 100,
    },
  );
  return rows
    .flatMap(({ row, bar }) => {
      const names = Object.entries(row.lifterIds).flatMap(([name, id]) => (id === lifterId ? [name] : []));
      return row.state.sets
        .filter(({ lifter, state }) => state === "done" && names.includes(lifter))
        .map((set) => ({
          id: `${row.id} ${set.id}`,
          on: hallDayAt(row.startedAt, actor.timeZone),
          tag: bar!.tag,
          liftKey: row.liftKey,
          loadKg: kgFromMassUnits(set.achievedUnits),
          isWork: set.isWork,
        }))
        .reverse();
    })
    .slice(0, limit);
}

/** Corrects or withdraws one's own words about what is not comfortable. Empty takes them away, also from the history. */
export async function saveOwnComfort(
  context: Context,
  asked: { version: number; limits: readonly string[]; comfortNote: string },
): Promise<Outcome<object>> {
  const comfortNote = asked.comfortNote.trim();
  const limits = LIMITS.filter((limit) => asked.limits.includes(limit));
  if (comfortNote.length > 300)
    return failed("invalid", "Not saved.", [
      { path: "comfortNote", message: "In your words: at most 300 characters." },
    ]);
  return inTransaction(context, async (context) => {
    const { hall, actor } = context;
    const row = await hall.first(lifters, {
      where: and(eq(lifters.personId, actor.personId), isNull(lifters.retiredAt)),
      forUpdate: true,
    });
    if (!row) return notFound("lifter that is you");
    if (row.version !== asked.version)
      return stale(
        `Someone else changed this meanwhile. It now says: ${row.comfortNote ?? "nothing"}. Save again to overwrite.`,
        row.version,
      );
    if (row.isMinor && !row.guardianConsent && (comfortNote !== "" || limits.length > 0))
      return failed("impossible", "Your coach must note your guardian’s consent before this is kept.");
    await hall.update(lifters, eq(lifters.id, row.id), {
      limits: limits.length > 0 ? limits : null,
      comfortNote: comfortNote === "" ? null : comfortNote,
      version: row.version + 1,
    });
    // What somebody takes back about their health is in no history either; that it changed is.
    await hall.update(changes, and(eq(changes.entity, "lifter"), eq(changes.entityId, row.id)), {
      before: sql`${changes.before} - 'comfortNote' - 'limits'`,
      after: sql`${changes.after} - 'comfortNote' - 'limits'`,
    } as never);
    await recordChange(context, { entity: "lifter", entityId: row.id, action: "own words changed" });
    return { ok: true as const };
  });
}

/** Everything that is kept of whoever asks, as plain data. */
export async function exportOwn(context: Context, { db }: Doorstep): Promise<Record<string, unknown>> {
  const { hall, actor, door } = context;
  const lifter = await ownLifter(context);
  const accountId = door.kind === "session" ? door.accountId : null;
  const [account] = accountId ? await db.select().from(accounts).where(eq(accounts.id, accountId)) : [];
  const open = accountId ? await db.select().from(sessions).where(eq(sessions.accountId, accountId)) : [];
  return {
    format: "garrison-person",
    gym: actor.hallName,
    name: actor.name,
    role: actor.role,
    account: account && { signInName: account.signInName, email: account.email, since: account.createdAt },
    sessions: open.map(({ createdAt, seenAt, agent, address }) => ({ createdAt, seenAt, agent, address })),
    lifter: lifter && lifterTexts(lifter),
    settings: lifter
      ? (
          await hall.rowsWith(
            lifterSettings,
            { bar: withTag(lifterSettings.barId) },
            { where: eq(lifterSettings.lifterId, lifter.id) },
          )
        ).map(({ row, bar }) => ({
          bar: bar?.tag,
          lift: row.liftKey,
          setting: row.setting,
          note: row.note,
          keptAt: row.keptAt,
        }))
      : [],
    bars: lifter
      ? (
          await hall.rowsWith(
            lifterBars,
            { bar: withTag(lifterBars.barId) },
            { where: eq(lifterBars.lifterId, lifter.id) },
          )
        ).map(({ row, bar }) => ({ bar: bar?.tag, firstUsedOn: row.firstUsedOn, lastUsedOn: row.lastUsedOn }))
      : [],
    notes: lifter ? await notesOfLifter(context, lifter.id) : [],
    stills: lifter ? await sideViewsForFile(context, lifter.id) : [],
    sets: lifter ? await ownSets(context, lifter.id, 100_000) : [],
    log: lifter
      ? (await logOf(hall, lifter.id)).map((set) => ({
          ...{ on: set.on, lift: set.liftKey, variant: set.variant, bar: set.tag, setting: set.setting },
          ...{ load: `${set.loadValue} ${set.loadUnit}`, repetitions: set.repetitions, reserve: set.reserve },
          ...{ made: set.isMade, note: set.note },
        }))
      : [],
  };
}

/**
 * Erases whoever asks: what is kept of them as a lifter, their name, and their account where no other gym has them. They
 * are signed out. The next backups hold nothing of them; older ones are removed in their time.
 */
export async function eraseOwn(context: Context, { db }: Doorstep): Promise<Outcome<object>> {
  const { door, actor, clock } = context;
  if (actor.role !== "lifter") return failed("forbidden", "People who work here are removed by the owner.");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  const accountId = door.kind === "session" ? door.accountId : null;
  const done = await inTransaction(context, async (context) => {
    const { hall } = context;
    if (await ownLifter(context)) {
      const erased = await eraseRow(context, eq(lifters.personId, actor.personId));
      if (!erased.ok) return erased;
    }
    await hall.update(people, eq(people.id, actor.personId), {
      name: "erased",
      accountId: null,
      pinHash: null,
      removedAt: clock.now(),
    });
    return { ok: true as const };
  });
  if (!done.ok) return done;
  if (accountId) {
    const others = await db.select({ id: people.id }).from(people).where(eq(people.accountId, accountId)).limit(1);
    await db
      .update(sessions)
      .set({ endedAt: clock.now(), address: "", agent: "" })
      .where(eq(sessions.accountId, accountId));
    if (others.length === 0)
      await db
        .update(accounts)
        .set({
          signInName: `erased ${accountId.slice(0, 13)}`,
          email: null,
          passphraseHash: "",
          totpSealed: null,
          spareCodes: null,
        })
        .where(eq(accounts.id, accountId));
  }
  await dropCookie();
  return { ok: true };
}
