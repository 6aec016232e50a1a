import "server-only";
import { and, desc, eq, isNull, sql } from "drizzle-orm";
import { marksLack, type SideMarks } from "@/core/sideview/marks";
import { isHallDay, type HallDay } from "@/core/units/hallDay";
import { inMany } from "@/data/inMany";
import { bars, lifters, sideViews } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { checkedPhoto, withoutPhoto } from "@/server/care/findings";
import { type Outcome, failed, forbidden, idempotent, notFound, recordChange } from "@/server/kit";

/** A still that was marked, as a list shows it. */
export interface SideView {
  id: string;
  tag: string | null;
  lift: string;
  setting: string;
  loadKg: number;
  takenOn: HallDay;
  marks: SideMarks;
  hasPhoto: boolean;
}

/** Of one lifter no more than these are kept; the eldest is deleted by hand. */
const MAX_VIEWS = 60;

/** Stills of a lifter, newest first. */
export async function sideViewsOf(context: Context, lifterId: string): Promise<SideView[]> {
  if (!may(context, "lifter.read")) return [];
  const { hall } = context;
  const rows = await hall.summary(sideViews, withoutPhoto(sideViews), {
    where: eq(sideViews.lifterId, lifterId),
    orderBy: [desc(sideViews.takenOn), desc(sideViews.id)],
    limit: MAX_VIEWS,
  });
  const tags = await tagsOf(
    hall,
    rows.flatMap(({ barId }) => (barId ? [barId] : [])),
  );
  return rows.map((row) => ({
    id: row.id,
    tag: row.barId ? (tags.get(row.barId) ?? null) : null,
    lift: row.liftKey,
    setting: row.setting,
    loadKg: row.loadKg,
    takenOn: row.takenOn,
    marks: row.marks,
    hasPhoto: row.photoType !== null,
  }));
}

async function tagsOf(hall: Context["hall"], ids: readonly string[]): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await hall.summary(bars, { id: bars.id, tag: bars.tag }, { where: inMany(bars.id, [...new Set(ids)]) });
  return new Map(rows.map(({ id, tag }) => [id, tag]));
}

/** A marked still as a telephone sends it. */
export interface NewSideView {
  key: string;
  lifter: string;
  tag: string | null;
  lift: string;
  setting: string;
  loadKg: number;
  takenOn: string;
  marks: SideMarks;
  /** Base64; null where the picture stays on the telephone. */
  photo: string | null;
}

/** Saves a marked still for a lifter; its picture only where one is sent. Sent twice, it is saved once. */
export async function saveSideView(context: Context, view: NewSideView): Promise<Outcome<{ id: string }>> {
  if (!may(context, "lifter.edit")) return forbidden("save side views");
  const problems = [
    ...marksLack(view.marks).map((message) => ({ path: "marks", message })),
    ...(isHallDay(view.takenOn) && view.takenOn <= context.clock.today
      ? []
      : [{ path: "takenOn", message: "The day: today or earlier." }]),
    ...(view.loadKg >= 0 && view.loadKg <= 2000 ? [] : [{ path: "loadKg", message: "Load: 0 to 2000 kg." }]),
    ...(view.setting.length <= 120 ? [] : [{ path: "setting", message: "Setting: at most 120 characters." }]),
  ];
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  const photo = view.photo ? await checkedPhoto(context, view.photo) : null;
  if (photo && !photo.ok) return photo;
  return inTransaction(context, (context) =>
    idempotent(context, view.key, "lifter.side-view", async () => {
      const { hall, clock, actor } = context;
      const person = await hall.first(lifters, {
        where: and(eq(lifters.key, view.lifter), isNull(lifters.retiredAt)),
        forUpdate: true,
      });
      if (!person) return notFound(`lifter ${view.lifter}`);
      if (person.isMinor && !person.guardianConsent)
        return failed("impossible", "A guardian’s consent is noted with the lifter before pictures of them are saved.");
      const bar = view.tag ? await hall.first(bars, { where: eq(bars.tag, view.tag), orderBy: [desc(bars.id)] }) : null;
      if (view.tag && !bar) return notFound(`bar ${view.tag}`);
      const [saved] = await hall.summary(
        sideViews,
        { count: sql<number>`count(*)::int` },
        { where: eq(sideViews.lifterId, person.id) },
      );
      if (saved!.count >= MAX_VIEWS)
        return failed("impossible", `${person.name} has ${MAX_VIEWS} saved stills. Delete one first.`);
      const [kept] = await hall.insert(sideViews, {
        ...{ lifterId: person.id, barId: bar?.id ?? null, liftKey: view.lift, setting: view.setting.trim() },
        ...{ loadKg: view.loadKg, takenOn: view.takenOn, marks: view.marks },
        photo: photo?.ok ? photo.bytes : null,
        photoType: photo?.ok ? photo.type : null,
        personId: actor.personId,
        enteredAt: clock.now(),
      });
      await recordChange(context, {
        entity: "side-view",
        entityId: kept!.id,
        action: "saved",
        after: { tag: view.tag, photo: photo !== null },
      });
      return { ok: true as const, id: kept!.id };
    }),
  );
}

/** Deletes a still, picture and marks. */
export async function deleteSideView(context: Context, id: string): Promise<Outcome<object>> {
  if (!may(context, "lifter.edit")) return forbidden("delete side views");
  if (!/^[0-9a-f-]{36}$/.test(id)) return notFound("such still");
  return inTransaction(context, async (context) => {
    const row = await context.hall.first(sideViews, { where: eq(sideViews.id, id) });
    if (!row) return notFound("such still");
    await context.hall.remove(sideViews, eq(sideViews.id, id));
    await recordChange(context, { entity: "side-view", entityId: id, action: "deleted" });
    return { ok: true as const };
  });
}

/** The picture of a still, for coaches. */
export async function sideViewPhoto(context: Context, id: string): Promise<{ bytes: Buffer; type: string } | null> {
  if (!may(context, "lifter.read") || !/^[0-9a-f-]{36}$/.test(id)) return null;
  const row = await context.hall.first(sideViews, { where: eq(sideViews.id, id) });
  return row?.photo && row.photoType ? { bytes: row.photo, type: row.photoType } : null;
}

/** Stills of one lifter without their pictures, for the file of everything that is kept of them. */
export async function sideViewsForFile({ hall }: Context, lifterId: string) {
  const rows = await hall.summary(sideViews, withoutPhoto(sideViews), { where: eq(sideViews.lifterId, lifterId) });
  return rows.map(({ liftKey, setting, loadKg, takenOn, marks, photoType }) => ({
    ...{ lift: liftKey, setting, loadKg, takenOn, marks },
    hasPicture: photoType !== null,
  }));
}
