import "server-only";
import { and, desc, eq, gte, inArray, lte } from "drizzle-orm";
import { addDays, type HallDay, isHallDay } from "@/core/units/hallDay";
import { mondayOf } from "@/core/strength/workload";
import { readWish } from "@/core/rotation/readWish";
import type { RotationPin, RotationWish } from "@/core/rotation/rotationWish";
import { bars, logSets, rotations } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange, stale } from "@/server/kit";
import { listLifters } from "@/server/lifters";
import { planFrame } from "./planning";

export type RotationRow = typeof rotations.$inferSelect;

/** Rotations, the latest first; for coach and manager. */
export async function listRotations(context: Context): Promise<RotationRow[]> {
  if (!may(context, "class.edit")) return [];
  return context.hall.rows(rotations, { orderBy: [desc(rotations.startsOn), desc(rotations.updatedAt)], limit: 50 });
}

/** What was lifted in one week of a plan. */
export interface LiftedWeek {
  barId: string;
  tag: string;
  loadKg: number;
  repetitions: number;
}

export interface RotationView {
  row: RotationRow;
  lifters: { id: string; key: string; name: string }[];
  bars: { id: string; tag: string; name: string; family: string }[];
  /** The heaviest set that was made, by "lifter week" and session where its day says which. */
  lifted: Map<string, LiftedWeek>;
}

export const liftedKey = (lifterId: string, session: number, week: number): string => `${lifterId} ${session} ${week}`;

/** One rotation with its people, bars, and what was lifted in its weeks. */
export async function rotationOf(context: Context, id: string): Promise<Outcome<{ view: RotationView }>> {
  if (!may(context, "class.edit")) return forbidden("see rotations");
  const row = await findRotation(context, id);
  if (!row) return notFound("such rotation");
  const { hall } = context;
  const people = (await listLifters(context)).filter((one) => row.wish.lifterIds.includes(one.id));
  const all = await hall.rows(bars);
  const byId = new Map(all.map((bar) => [bar.id, bar]));
  const last = addDays(row.startsOn, 7 * row.weeks - 1);
  const sets =
    people.length === 0
      ? []
      : await hall.rows(logSets, {
          where: and(
            inArray(
              logSets.lifterId,
              people.map((one) => one.id),
            ),
            eq(logSets.liftKey, row.wish.liftKey),
            eq(logSets.isMade, true),
            gte(logSets.liftedOn, row.startsOn),
            lte(logSets.liftedOn, last),
          ),
        });
  const lifted = new Map<string, LiftedWeek>();
  for (const set of sets) {
    const session = sessionOf(row, set.liftedOn);
    const key = liftedKey(set.lifterId, session, Math.floor(daysSince(row.startsOn, set.liftedOn) / 7));
    const before = lifted.get(key);
    if (before && before.loadKg >= set.loadKg) continue;
    lifted.set(key, {
      ...{ barId: set.barId, tag: byId.get(set.barId)!.tag, loadKg: set.loadKg, repetitions: set.repetitions },
    });
  }
  return {
    ok: true,
    view: {
      row,
      lifters: people.map(({ id: lifterId, key, name }) => ({ id: lifterId, key, name })),
      bars: all.map(({ id: barId, tag, name, family }) => ({ id: barId, tag, name, family })),
      lifted,
    },
  };
}

const daysSince = (from: HallDay, to: HallDay) => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);

/** The session whose weekday is nearest. */
function sessionOf({ startsOn, wish }: RotationRow, on: HallDay): number {
  const weekday = daysSince(startsOn, on) % 7;
  const off = wish.sessions.map((session) => Math.abs(session.weekday - weekday));
  return off.indexOf(Math.min(...off));
}

/** A rotation of the hall; null where there is none, or what was asked for is no id. */
async function findRotation({ hall }: Context, id: string, forUpdate = false): Promise<RotationRow | null> {
  return /^[0-9a-f-]{36}$/.test(id) ? hall.first(rotations, { where: eq(rotations.id, id), forUpdate }) : null;
}

export interface RotationForm {
  id: string | null;
  version: number;
  startsOn: string;
  texts: Readonly<Record<string, string>>;
  lifterIds: readonly string[];
}

/** Adds a rotation, or changes what is wished of one; planned at once. */
export async function saveRotation(context: Context, form: RotationForm): Promise<Outcome<{ id: string }>> {
  if (!may(context, "class.edit")) return forbidden("plan rotations");
  const read = readWish(form.texts, form.lifterIds);
  const problems = read.ok ? [] : [...read.problems];
  if (!isHallDay(form.startsOn)) problems.unshift({ path: "startsOn", message: "First week: choose a day of it" });
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  const { name, weeks, wish } = (read as Extract<typeof read, { ok: true }>).read;
  const startsOn = mondayOf(form.startsOn as HallDay);
  const before = form.id === null ? null : await findRotation(context, form.id);
  if (form.id !== null && !before) return notFound("such rotation");
  const pins = (before?.wish.pins ?? []).filter(
    (pin) => pin.week <= weeks && pin.session < wish.sessions.length && wish.lifterIds.includes(pin.lifterId),
  );
  return savePlanned(context, { ...form, name, startsOn, weeks, wish: { ...wish, pins } });
}

interface Frame {
  id: string | null;
  version: number;
  name: string;
  startsOn: HallDay;
  weeks: number;
  wish: RotationWish;
}

/** Plans a frame and stores it with its plan, or neither. */
async function savePlanned(context: Context, frame: Frame): Promise<Outcome<{ id: string }>> {
  // Planned before anything is locked: it takes a while.
  const planned = await planFrame(context, frame);
  if (!planned.ok) return planned;
  const { id, version, name, startsOn, weeks, wish } = frame;
  const value = { name, startsOn, weeks, wish, plan: planned.plan, updatedAt: context.clock.now() };
  return inTransaction(context, async (context) => {
    const { hall, actor } = context;
    if (id === null) {
      const [made] = await hall.insert(rotations, { ...value, createdBy: actor.personId });
      await recordChange(context, { entity: "rotation", entityId: made!.id, action: "added" });
      return { ok: true, id: made!.id };
    }
    const row = await findRotation(context, id, true);
    if (!row) return notFound("such rotation");
    if (row.version !== version)
      return stale("Someone else changed this rotation meanwhile. Save again to overwrite.", row.version);
    await hall.update(rotations, eq(rotations.id, id), { ...value, version: version + 1 });
    await recordChange(context, { entity: "rotation", entityId: id, action: "planned" });
    return { ok: true, id };
  });
}

/** Pins bars to weeks, or frees weeks, and plans around them. A bar of null frees the week. */
export async function pinWeeks(
  context: Context,
  id: string,
  version: number,
  changes: readonly (Omit<RotationPin, "barId"> & { barId: string | null })[],
): Promise<Outcome<{ id: string }>> {
  if (!may(context, "class.edit")) return forbidden("plan rotations");
  const row = await findRotation(context, id);
  if (!row) return notFound("such rotation");
  if (row.version !== version) return stale("Someone else changed this rotation meanwhile. Look again.", row.version);
  const isSame = (a: Omit<RotationPin, "barId">, b: Omit<RotationPin, "barId">) =>
    a.lifterId === b.lifterId && a.session === b.session && a.week === b.week;
  const pins = row.wish.pins.filter((pin) => !changes.some((change) => isSame(change, pin)));
  for (const { barId, ...where } of changes) if (barId !== null) pins.push({ ...where, barId });
  return savePlanned(context, { ...row, version, wish: { ...row.wish, pins } });
}

/** Deletes a rotation; classes it was sent to stay. */
export async function deleteRotation(context: Context, id: string): Promise<Outcome<object>> {
  if (!may(context, "class.edit")) return forbidden("plan rotations");
  return inTransaction(context, async (context) => {
    const row = await findRotation(context, id, true);
    if (!row) return notFound("such rotation");
    await context.hall.remove(rotations, eq(rotations.id, id));
    await recordChange(context, { entity: "rotation", entityId: id, action: "deleted" });
    return { ok: true };
  });
}
