import "server-only";
import { and, desc, eq, inArray, isNull, ne, sql } from "drizzle-orm";
import {
  ASPECT_KEYS,
  type Feel,
  feelOf,
  NOTE_STAGES,
  noteProblems,
  type NoteStage,
  stageDue,
} from "@/core/feel/barNote";
import type { HallDay } from "@/core/units/hallDay";
import { inMany } from "@/data/inMany";
import { barNotes, bars, lifterBars, lifters } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, namesById, notFound, recordChange, stale, withTag } from "@/server/kit";

/** A note that somebody is asked for: three weeks on a bar, say. */
export interface NoteAsked {
  lifter: string;
  lifterName: string;
  tag: string;
  barName: string;
  stage: NoteStage;
  firstUsedOn: HallDay;
}

/** Whoever did not use a bar for so many days has forgotten how it feels. Ours. */
const FORGOTTEN_DAYS = 60;

/**
 * Notes that are asked for today: of every lifter and bar the stage that was reached and that nobody noted, as long as
 * they still use the bar. A coach is asked for all, a lifter for their own.
 *
 * @param only one lifter's id: for themselves, who need no permission for it
 */
export async function notesAsked(context: Context, only: string | null = null): Promise<NoteAsked[]> {
  if (only === null && !may(context, "lifter.edit")) return [];
  const { hall, clock } = context;
  const [used, noted] = await Promise.all([
    hall.rowsWith(
      lifterBars,
      {
        bar: {
          table: bars,
          on: eq(bars.id, lifterBars.barId),
          columns: { tag: bars.tag, name: bars.name, state: bars.state },
        },
        lifter: {
          table: lifters,
          on: eq(lifters.id, lifterBars.lifterId),
          columns: { key: lifters.key, name: lifters.name, retiredAt: lifters.retiredAt },
        },
      },
      {
        where: and(
          only ? eq(lifterBars.lifterId, only) : undefined,
          sql`${lifterBars.lastUsedOn} >= ${clock.today}::date - ${FORGOTTEN_DAYS}::int`,
        ),
      },
    ),
    hall.summary(
      barNotes,
      { barId: barNotes.barId, lifterId: barNotes.lifterId, stage: barNotes.stage },
      { where: only ? eq(barNotes.lifterId, only) : sql`${barNotes.lifterId} is not null` },
    ),
  ]);
  const stages = new Map<string, NoteStage[]>();
  for (const { barId, lifterId, stage } of noted) {
    const key = `${lifterId} ${barId}`;
    stages.set(key, [...(stages.get(key) ?? []), stage]);
  }
  return used
    .flatMap(({ row, bar, lifter }): NoteAsked[] => {
      if (!bar || !lifter || lifter.retiredAt || bar.state === "retired") return [];
      const stage = stageDue(row.firstUsedOn, clock.today, stages.get(`${row.lifterId} ${row.barId}`) ?? []);
      if (!stage) return [];
      return [
        {
          ...{ lifter: lifter.key, lifterName: lifter.name, tag: bar.tag, barName: bar.name },
          ...{ stage, firstUsedOn: row.firstUsedOn },
        },
      ];
    })
    .sort((a, b) => order(a) - order(b) || (a.lifterName < b.lifterName ? -1 : a.lifterName > b.lifterName ? 1 : 0));
}

/** Whoever has used a bar longest knows most of it, and is asked first. */
const order = ({ stage }: NoteAsked) => -NOTE_STAGES.indexOf(stage);

/** What somebody types about a bar. */
export interface NoteForm {
  tag: string;
  /** Short name of the lifter whose feel it is; null for one's own as somebody who works here. */
  lifter: string | null;
  texts: Readonly<Record<string, string>>;
  version: number;
}

/** Whoever says it: a lifter by id for themselves, or as `NoteForm` says. */
export async function saveNote(
  context: Context,
  { tag, lifter, texts, version }: NoteForm,
  self: string | null = null,
): Promise<Outcome<object>> {
  if (self === null && !may(context, lifter === null ? "bar.measure" : "lifter.edit"))
    return forbidden("note how bars feel");
  const stage = NOTE_STAGES.find((one) => one === texts.stage);
  const note = {
    ...scoresOf(texts),
    wouldUseAgain: yesNo(texts.wouldUseAgain),
    wouldBuyAgain: yesNo(texts.wouldBuyAgain),
    words: texts.words?.trim() || null,
  };
  const problems = [
    ...(stage ? [] : [{ path: "stage", message: "When: after the first day, three weeks or three months." }]),
    ...noteProblems({ stage: stage ?? "first-day", ...note }),
  ];
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  return inTransaction(context, async (context) => {
    const { hall, clock, actor } = context;
    const bar = await hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")) });
    if (!bar) return notFound(`bar ${tag}`);
    const person = self
      ? await hall.first(lifters, { where: eq(lifters.id, self) })
      : lifter
        ? await hall.first(lifters, { where: and(eq(lifters.key, lifter), isNull(lifters.retiredAt)) })
        : null;
    if ((self || lifter) && !person) return notFound(`lifter ${lifter}`);
    await hall.hold(`note ${bar.id} ${person?.id ?? actor.personId} ${stage}`);
    const where = and(
      eq(barNotes.barId, bar.id),
      eq(barNotes.stage, stage!),
      person ? eq(barNotes.lifterId, person.id) : and(isNull(barNotes.lifterId), eq(barNotes.personId, actor.personId)),
    );
    const before = await hall.first(barNotes, { where, forUpdate: true });
    if (before && before.version !== version)
      return stale(`There is a note already: ${before.words ?? "no words"}. Save again to overwrite.`, before.version);
    const values = {
      ...note,
      personId: actor.personId,
      notedOn: clock.today,
      enteredAt: clock.now(),
      version: (before?.version ?? 0) + 1,
    };
    const id = before
      ? (await hall.update(barNotes, eq(barNotes.id, before.id), values))[0]!.id
      : (await hall.insert(barNotes, { barId: bar.id, lifterId: person?.id ?? null, stage: stage!, ...values }))[0]!.id;
    // What somebody feels is not said in the history, which others read.
    await recordChange(context, {
      entity: "note",
      entityId: id,
      action: before ? "changed" : "added",
      after: { tag, stage },
    });
    return { ok: true as const };
  });
}

const yesNo = (text: string | undefined) => (text === "yes" ? true : text === "no" ? false : null);
const scoresOf = (texts: Readonly<Record<string, string>>) =>
  Object.fromEntries(ASPECT_KEYS.map((key) => [key, texts[key]?.trim() ? Number(texts[key]) : null])) as Record<
    (typeof ASPECT_KEYS)[number],
    number | null
  >;

/** What people say of a bar, and of its batch where that has more bars. */
export interface BarFeel {
  feel: Feel | null;
  /** Of the bars of one seller's batch together; null where the bar is alone in it, or nobody said anything of another. */
  batch: { name: string; bars: number; feel: Feel } | null;
}

/** What people say of some bars, by tag. Nobody's name is in it. */
export async function feelOfBars({ hall }: Context, tags: readonly string[]): Promise<Map<string, BarFeel>> {
  if (tags.length === 0) return new Map();
  const rows = await hall.summary(
    bars,
    { id: bars.id, tag: bars.tag, batch: bars.batch, supplier: bars.supplier },
    { where: and(inArray(bars.tag, [...tags]), ne(bars.state, "retired")) },
  );
  const batches = [...new Set(rows.flatMap(({ batch }) => (batch ? [batch] : [])))];
  const beside =
    batches.length === 0
      ? []
      : await hall.summary(
          bars,
          { id: bars.id, tag: bars.tag, batch: bars.batch, supplier: bars.supplier },
          { where: inArray(bars.batch, batches) },
        );
  const all = await notesById(hall, [...new Set([...rows, ...beside].map(({ id }) => id))]);
  return new Map(
    rows.map((row) => {
      const own = feelOf(all.get(row.id) ?? []);
      const same = row.batch
        ? beside.filter(({ batch, supplier }) => batch === row.batch && supplier === row.supplier)
        : [];
      const feel = same.length > 1 ? feelOf(same.flatMap(({ id }) => all.get(id) ?? [])) : null;
      const isMore = feel !== null && feel.people > (own?.people ?? 0);
      return [row.tag, { feel: own, batch: isMore ? { name: row.batch!, bars: same.length, feel } : null }];
    }),
  );
}

/** What people say of the gym's bars of a family from one seller: for whoever thinks of buying another. */
export async function feelOfSeller(
  { hall }: Context,
  { family, supplier }: { family: string; supplier: string | null },
): Promise<{ bars: number; ofSeller: boolean; feel: Feel } | null> {
  const rows = await hall.summary(
    bars,
    { id: bars.id, supplier: bars.supplier },
    { where: eq(bars.family, family as typeof bars.$inferSelect.family) },
  );
  const same = rows.filter((row) => supplier !== null && row.supplier?.toLowerCase() === supplier.trim().toLowerCase());
  const used = same.length > 0 ? same : rows;
  const all = await notesById(
    hall,
    used.map(({ id }) => id),
  );
  const feel = feelOf(used.flatMap(({ id }) => all.get(id) ?? []));
  return feel && { bars: used.length, ofSeller: same.length > 0, feel };
}

async function notesById(hall: Context["hall"], ids: readonly string[]) {
  const by = new Map<string, (typeof barNotes.$inferSelect & { by: string })[]>();
  if (ids.length === 0) return by;
  for (const row of await hall.rows(barNotes, { where: inMany(barNotes.barId, [...ids]) }))
    by.set(row.barId, [...(by.get(row.barId) ?? []), { ...row, by: row.lifterId ?? row.personId }]);
  return by;
}

/** A note as it stands on a bar's page. */
export interface WrittenNote {
  id: string;
  stage: NoteStage;
  on: HallDay;
  /** Who it is of; null for whoever may not read names. */
  by: string | null;
  words: string | null;
  wouldUseAgain: boolean | null;
}

/** Notes of one bar, newest first; names for those who may read them. */
export async function notesOf(context: Context, barId: string): Promise<WrittenNote[]> {
  const { hall } = context;
  const [rows, names] = await Promise.all([
    hall.rowsWith(
      barNotes,
      { lifter: { table: lifters, on: eq(lifters.id, barNotes.lifterId), columns: { name: lifters.name } } },
      { where: eq(barNotes.barId, barId), orderBy: [desc(barNotes.notedOn), desc(barNotes.id)], limit: 30 },
    ),
    namesById(hall),
  ]);
  const mayName = may(context, "lifter.read");
  return rows.map(({ row, lifter }) => ({
    id: row.id,
    stage: row.stage,
    on: row.notedOn,
    by: mayName ? (row.lifterId ? (lifter?.name ?? null) : (names.get(row.personId) ?? null)) : null,
    words: row.words,
    wouldUseAgain: row.wouldUseAgain,
  }));
}

/** Notes of one lifter, for the file of everything that is kept of them. */
export async function notesOfLifter(context: Context, lifterId: string) {
  return (
    await context.hall.rowsWith(barNotes, { bar: withTag(barNotes.barId) }, { where: eq(barNotes.lifterId, lifterId) })
  ).map(({ row, bar }) => ({
    ...{ bar: bar?.tag, stage: row.stage, on: row.notedOn, words: row.words },
    ...{ comfort: row.comfort, balance: row.balance, knurl: row.knurl, noise: row.noise },
    ...{ wouldUseAgain: row.wouldUseAgain, wouldBuyAgain: row.wouldBuyAgain },
  }));
}
