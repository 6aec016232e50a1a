import "server-only";
import { and, desc, eq, getTableColumns, inArray, isNull, ne, sql } from "drizzle-orm";
import type { AnyPgColumn, PgTable } from "drizzle-orm/pg-core";
import { fileTypeFromBuffer } from "file-type";
import sharp from "sharp";
import type { Zone } from "@/core/wear/zones";
import { type HallDay, hallDayAt } from "@/core/units/hallDay";
import type { HallDb } from "@/data/hallDb";
import { inMany } from "@/data/inMany";
import { bars, careFindings, deliveryPhotos, incidents } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { replanCare, storedCareRules } from "@/server/care/planning";
import { type Failed, type Outcome, failed, forbidden, namesById, notFound, recordChange } from "@/server/kit";

/** Photos up to 5 MiB. */
export const MAX_PHOTO_BYTES = 5 * 1024 * 1024;

/** More at once nobody reads. */
const MAX_LISTED = 60;

const PHOTO_TYPES = ["image/jpeg", "image/png", "image/webp"];

export interface Finding {
  id: string;
  tag: string;
  barName: string;
  note: string;
  /** On which part of the bar; null where nobody said. */
  zone: Zone | null;
  hasPhoto: boolean;
  by: string;
  foundAt: Date;
  /** The day of it in the gym's zone. */
  foundOn: HallDay;
  settledAt: Date | null;
  settledNote: string | null;
}

/** Findings: open ones of the hall, or all of one bar, newest first. */
export async function listFindings(
  context: Context,
  ask: { barId?: string; openOnly?: boolean } = {},
): Promise<Finding[]> {
  const { hall } = context;
  const latest = await hall.summary(careFindings, withoutPhoto(careFindings), {
    where: and(
      ask.barId ? eq(careFindings.barId, ask.barId) : undefined,
      ask.openOnly ? isNull(careFindings.settledAt) : undefined,
    ),
    orderBy: [desc(careFindings.foundAt), desc(careFindings.id)],
    limit: MAX_LISTED,
  });
  if (latest.length === 0) return [];
  const [names, own] = [
    await namesById(hall),
    await hall.rows(bars, { where: inArray(bars.id, [...new Set(latest.map(({ barId }) => barId))]) }),
  ];
  const byId = new Map(own.map((bar) => [bar.id, bar]));
  return latest.map(({ id, barId, note, zone, photoType, foundBy, foundAt, settledAt, settledNote }) => ({
    id,
    tag: byId.get(barId)!.tag,
    barName: byId.get(barId)!.name,
    note,
    zone,
    hasPhoto: photoType !== null,
    by: names.get(foundBy) ?? "someone",
    foundAt,
    foundOn: hallDayAt(foundAt, context.actor.timeZone),
    settledAt,
    settledNote,
  }));
}

/** Of one bar so many findings are said; there may be more. */
const MAX_SAID = 3;

/** What was found wrong and is not resolved, by the bar's tag, newest first: of each bar a few, of no bar none. */
export async function openFindings({ hall }: Context): Promise<Map<string, string[]>> {
  const rows = await hall.summary(
    careFindings,
    {
      barId: careFindings.barId,
      notes: sql<
        string[]
      >`(array_agg(${careFindings.note} order by ${careFindings.foundAt} desc))[1:${sql.raw(String(MAX_SAID))}]`,
    },
    { where: isNull(careFindings.settledAt), groupBy: [careFindings.barId] },
  );
  if (rows.length === 0) return new Map();
  const tags = await tagsById(
    hall,
    rows.map(({ barId }) => barId),
  );
  return new Map(rows.flatMap(({ barId, notes }) => (tags.has(barId) ? [[tags.get(barId)!, notes] as const] : [])));
}

/** Whether something was found wrong anywhere and is not resolved. */
export async function hasOpenFindings({ hall }: Context): Promise<boolean> {
  const [row] = await hall.summary(
    careFindings,
    { n: sql<number>`count(*)::int` },
    { where: isNull(careFindings.settledAt) },
  );
  return row!.n > 0;
}

async function tagsById(hall: HallDb, ids: readonly string[]): Promise<Map<string, string>> {
  const rows = await hall.summary(bars, { id: bars.id, tag: bars.tag }, { where: inMany(bars.id, ids) });
  return new Map(rows.map(({ id, tag }) => [id, tag]));
}

/** The photo of a finding as it was sent. */
export async function findingPhoto(context: Context, id: string): Promise<{ bytes: Buffer; type: string } | null> {
  if (!/^[0-9a-f-]{36}$/.test(id)) return null;
  const row = await context.hall.first(careFindings, { where: eq(careFindings.id, id) });
  return row?.photo && row.photoType ? { bytes: row.photo, type: row.photoType } : null;
}

/** Columns of a list: its photos would be read for every line. */
export function withoutPhoto<T extends { photo: unknown }>(table: PgTable & T): Omit<ColumnsOf<T>, "photo"> {
  return Object.fromEntries(Object.entries(getTableColumns(table)).filter(([key]) => key !== "photo")) as never;
}
type ColumnsOf<T> = { [K in keyof T as T[K] extends AnyPgColumn ? K : never]: T[K] extends AnyPgColumn ? T[K] : never };

/** More dots than any telephone's camera makes; a small file that would unfold to more is refused. */
const MAX_PIXELS = 60_000_000;
/** What is kept is at most so wide and high: enough to see a crack. */
const KEPT_PIXELS = 2000;
/** Photos of one gym, in all. */
const MAX_PHOTOS_OF_HALL = 1024 ** 3;

/**
 * A photo as its bytes say it is, whatever its name or head says: made anew, upright, no larger than needed and without
 * what a camera writes beside it, such as where it was taken. Refused when it is none, too large, or beyond what a gym
 * may keep in all.
 */
export async function checkedPhoto(
  { hall }: Pick<Context, "hall">,
  base64: string,
): Promise<{ ok: true; bytes: Buffer; type: string } | Failed> {
  const bytes = Buffer.from(base64, "base64");
  if (bytes.length > MAX_PHOTO_BYTES)
    return failed("invalid", "Not saved.", [{ path: "photo", message: "A photo may have 5 MiB at most." }]);
  const type = (await fileTypeFromBuffer(bytes))?.mime;
  if (!type || !PHOTO_TYPES.includes(type))
    return failed("invalid", "Not saved.", [{ path: "photo", message: "That is no photo: send a JPEG, PNG or WebP." }]);
  const kept = await sharp(bytes, { limitInputPixels: MAX_PIXELS, failOn: "error" })
    .rotate()
    .resize({ width: KEPT_PIXELS, height: KEPT_PIXELS, fit: "inside", withoutEnlargement: true })
    .jpeg({ quality: 82 })
    .toBuffer()
    .catch(() => null);
  if (!kept)
    return failed("invalid", "Not saved.", [
      { path: "photo", message: "The photo is broken, or has more than 60 million pixels." },
    ]);
  const size = sql<number>`coalesce(sum(octet_length(photo)), 0)::float8`;
  const [[found], [happened], [arrived]] = [
    await hall.summary(careFindings, { bytes: size }),
    await hall.summary(incidents, { bytes: size }),
    await hall.summary(deliveryPhotos, { bytes: size }),
  ];
  if ((found?.bytes ?? 0) + (happened?.bytes ?? 0) + (arrived?.bytes ?? 0) + kept.length > MAX_PHOTOS_OF_HALL)
    return failed("impossible", "This gym keeps 1 GiB of photos already. Save it without a photo.");
  return { ok: true, bytes: kept, type: "image/jpeg" };
}

/** Keeps a finding in the transaction of whatever found it. */
export async function keepFinding(
  context: Context,
  bar: { id: string; tag: string },
  {
    note,
    photo,
    foundAt,
    zone = null,
  }: { note: string; photo: { bytes: Buffer; type: string } | null; foundAt: Date; zone?: Zone | null },
): Promise<string> {
  const { hall } = context;
  const [row] = await hall.insert(careFindings, {
    barId: bar.id,
    note,
    zone,
    photo: photo?.bytes ?? null,
    photoType: photo?.type ?? null,
    foundBy: context.actor.personId,
    foundAt,
  });
  await recordChange(context, {
    entity: "finding",
    entityId: row!.id,
    action: "found",
    after: { tag: bar.tag, note, photo: photo !== null },
  });
  if ((await storedCareRules(hall)).rule === "condition") await replanCare(context);
  return row!.id;
}

/** Settles a finding: what was done about it is kept. */
export async function settleFinding(context: Context, id: string, note: string): Promise<Outcome<object>> {
  if (!may(context, "care.tick")) return forbidden("resolve findings");
  const said = note.trim();
  if (said === "" || said.length > 300)
    return failed("invalid", "The finding stays open.", [
      { path: "note", message: "Say what was done about it, in up to 300 characters." },
    ]);
  if (!/^[0-9a-f-]{36}$/.test(id)) return notFound("such finding");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(careFindings, { where: eq(careFindings.id, id), forUpdate: true });
    if (!row) return notFound("such finding");
    if (row.settledAt) return { ok: true as const };
    await hall.update(careFindings, eq(careFindings.id, id), {
      settledAt: context.clock.now(),
      settledBy: context.actor.personId,
      settledNote: said,
    });
    await recordChange(context, { entity: "finding", entityId: id, action: "settled", after: { note: said } });
    if ((await storedCareRules(hall)).rule === "condition") await replanCare(context);
    return { ok: true as const };
  });
}

/** A bar by tag, for what is found on it. */
export const barToCareFor = (hall: HallDb, tag: string) =>
  hall.first(bars, {
    where: and(eq(bars.tag, tag), ne(bars.state, "retired"), ne(bars.state, "on-order")),
    orderBy: [desc(bars.id)],
  });
