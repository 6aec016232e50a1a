import "server-only";
import { and, asc, eq, inArray } from "drizzle-orm";
import { readBarRecord } from "@/core/bars/barRecord";
import { QUANTITIES, type QuantityKind } from "@/core/bars/quantities";
import { offeredTexts, readOffer } from "@/core/buying/offer";
import { judgeReceiving, RECEIVING_CHECKS, receivingKinds } from "@/core/buying/receiving";
import type { Problem } from "@/core/problem";
import { addMonths } from "@/core/units/calendar";
import { readReadings } from "@/core/units/readReadings";
import { convertTyped, type TypedQuantity } from "@/core/units/typedQuantity";
import {
  bars,
  careLog,
  carePlan,
  deliveries,
  DELIVERY_VERDICTS,
  deliveryPhotos,
  type DeliveryVerdict,
  offers,
} from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { insertBars } from "@/server/bars";
import { replanCare } from "@/server/care/planning";
import { checkedPhoto } from "@/server/care/findings";
import { type Outcome, failed, forbidden, idempotent, namesById, notFound, recordChange } from "@/server/kit";
import { codeOf, offeredBar, type OfferRow } from "@/server/offers";
import { measuringRules } from "@/server/rules";

export type DeliveryRow = typeof deliveries.$inferSelect;

const MAX_PHOTOS = 6;

/** What somebody found of a bar that arrived. */
export interface Receiving {
  offerId: string;
  /** Made by the telephone, once for each bar. */
  key: string;
  /** By check, "fine" or "wrong". */
  answers: Record<string, string>;
  /** By quantity, readings as typed: "28.9 28.9". */
  readings: Record<string, string>;
  verdict: string;
  note: string;
  /** What it will be called, where it is kept. */
  tag: string;
  /** As base64. */
  photos: readonly string[];
}

interface ReadReceiving {
  readings: Map<QuantityKind, TypedQuantity[]>;
  values: Partial<Record<QuantityKind, number>>;
}

function readAll(
  bar: ReturnType<typeof offeredBar>,
  texts: Readonly<Record<string, string>>,
  problems: Problem[],
): ReadReceiving {
  const readings: ReadReceiving["readings"] = new Map();
  const values: ReadReceiving["values"] = {};
  for (const kind of receivingKinds(bar)) {
    const text = (texts[kind] ?? "").trim();
    if (text === "") continue;
    const { label, unit, range } = QUANTITIES[kind];
    const read = readReadings(text, unit);
    const numbers = read.ok ? read.readings.map(convertTyped) : [];
    if (!read.ok || numbers.some((value) => !(value >= range[0] && value <= range[1]))) {
      problems.push({ path: `readings.${kind}`, message: `${label}: “${text}” is no reading in ${unit}` });
      continue;
    }
    readings.set(kind, read.readings);
    values[kind] = numbers.reduce((sum, value) => sum + value, 0) / numbers.length;
  }
  return { readings, values };
}

/**
 * Takes in one bar of an order after its check: it hangs on the wall with everything that is known, is claimed, or goes
 * back. Sent twice, it counts once.
 */
export async function receiveBar(
  context: Context,
  { offerId, key, answers, readings: texts, verdict, note, tag, photos }: Receiving,
): Promise<Outcome<{ deliveryId: string; tag: string | null }>> {
  if (!may(context, "delivery.receive")) return forbidden("check bars that arrive");
  const said = verdict as DeliveryVerdict;
  const problems: Problem[] = [];
  if (!DELIVERY_VERDICTS.includes(said))
    problems.push({ path: "verdict", message: "Choose: accept, claim or send back." });
  if (!/^[\w-]{8,64}$/.test(key)) problems.push({ path: "key", message: "The form is too old. Load it again." });
  if (note.length > 500) problems.push({ path: "note", message: "Note: at most 500 characters." });
  if (photos.length > MAX_PHOTOS) problems.push({ path: "photo", message: `At most ${MAX_PHOTOS} photos.` });
  const row = /^[0-9a-f-]{36}$/.test(offerId)
    ? await context.hall.first(offers, { where: eq(offers.id, offerId) })
    : null;
  if (!row) return notFound("such order");
  const bar = offeredBar(codeOf(row), row.texts);
  const { readings, values } = readAll(bar, texts, problems);
  const open = RECEIVING_CHECKS.filter((check) => answers[check.key] !== "fine" && answers[check.key] !== "wrong");
  if (open.length > 0)
    problems.push({
      path: "answers",
      message: `Not checked yet: ${open.map(({ ask }) => ask.split(":")[0]).join("; ")}.`,
    });
  const { tolerances } = await measuringRules(context);
  const judged = judgeReceiving(bar, answers, values, tolerances);
  if (said === "keep" && judged.verdict === "claim" && note.trim() === "")
    problems.push({ path: "note", message: `Reason for accepting it anyway: ${judged.reasons.join(" ")}` });
  if (said !== "keep" && judged.reasons.length === 0 && note.trim() === "")
    problems.push({ path: "note", message: "Say what is wrong with it." });
  if (said === "keep" && tag.trim() === "") problems.push({ path: "tag", message: "Tag: what will it be called?" });
  const checked: { bytes: Buffer; type: string }[] = [];
  for (const photo of photos.slice(0, MAX_PHOTOS)) {
    const one = await checkedPhoto(context, photo);
    if (!one.ok) return one;
    checked.push(one);
  }
  if (problems.length > 0) return failed("invalid", "Nothing was saved.", problems);
  return inTransaction(context, (context) =>
    idempotent(context, key, "delivery.receive", async () => {
      const { hall, clock, actor } = context;
      const now = (await hall.first(offers, { where: eq(offers.id, offerId), forUpdate: true }))!;
      if (now.state !== "ordered") return failed("impossible", `${codeOf(now)} is ${now.state}, not ordered.`);
      const before = await hall.rows(deliveries, { where: eq(deliveries.offerId, offerId) });
      let barId: string | null = null;
      if (said === "keep") {
        const made = await hang(context, now, tag.trim(), readings);
        if (!made.ok) return made;
        ({ barId } = made);
      }
      const [kept] = await hall.insert(deliveries, {
        ...{ offerId, arrivedOn: clock.today, verdict: said, answers, barId, personId: actor.personId },
        readings: Object.fromEntries(Object.entries(texts).filter(([, text]) => text.trim() !== "")),
        ...{ reasons: judged.reasons, note: note.trim() || null },
      });
      if (checked.length > 0)
        await hall.insert(
          deliveryPhotos,
          checked.map(({ bytes, type }) => ({ deliveryId: kept!.id, photo: bytes, photoType: type })),
        );
      if (before.length + 1 >= (now.orderedQuantity ?? 1))
        await hall.update(offers, eq(offers.id, offerId), { state: "arrived", version: now.version + 1 });
      await recordChange(context, {
        ...{ entity: "delivery", entityId: kept!.id, action: said === "keep" ? "kept" : said },
        after: { offer: codeOf(now), tag: barId ? tag.trim() : null, reasons: judged.reasons },
      });
      return { ok: true as const, deliveryId: kept!.id, tag: barId ? tag.trim() : null };
    }),
  );
}

/** Hangs a bar that was bought on the wall, with price, seller, warranty and what was measured on arrival. */
async function hang(
  context: Context,
  row: OfferRow,
  tag: string,
  readings: ReadReceiving["readings"],
): Promise<Outcome<{ barId: string }>> {
  const { hall, clock } = context;
  const read = readOffer(row.texts, row.currency);
  if (!read.ok) return failed("invalid", "Nothing was saved.", read.problems);
  const { offer } = read;
  const texts: Record<string, string | undefined> = {
    ...offeredTexts(row.texts),
    ...{ tag, state: "in-service", boughtOn: row.orderedOn ?? clock.today, stock: offer.stock },
    ...{ supplier: offer.seller ?? "", batch: offer.batch ?? "" },
    price: row.deliveredMinor === null ? "" : (row.deliveredMinor / 100).toFixed(2),
    warrantyUntil: offer.warrantyMonths ? addMonths(clock.today, offer.warrantyMonths) : "",
    note: offer.note ?? "",
  };
  const record = readBarRecord(texts);
  if (!record.ok) return failed("invalid", "Nothing was saved.", record.problems);
  const owned = await hall.first(bars, { where: eq(bars.tag, tag), orderBy: [asc(bars.state)] });
  if (owned && owned.state !== "retired")
    return failed("invalid", "Nothing was saved.", [
      { path: "tag", message: `Tag: ${tag} hangs on the wall already; take another tag` },
    ]);
  await insertBars(
    context,
    [
      {
        record: record.record,
        measurements: [...readings].map(([kind, own]) => ({
          ...{ kind, readings: own, instrument: QUANTITIES[kind].instrument, at: null, by: null },
        })),
      },
    ],
    `bought: ${codeOf(row)}`,
  );
  const made = (await hall.first(bars, { where: and(eq(bars.tag, tag), eq(bars.state, "in-service")) }))!;
  if (offer.stock !== "used") await countAsCaredFor(context, made.id);
  await replanCare(context);
  return { ok: true, barId: made.id };
}

/** A new bar comes oiled and was looked over on arrival: its first care is an interval ahead, not today. */
async function countAsCaredFor({ hall, clock, actor }: Context, barId: string): Promise<void> {
  const planned = await hall.rows(carePlan, { where: eq(carePlan.barId, barId) });
  if (planned.length === 0) return;
  await hall.insert(
    careLog,
    planned.map(({ taskId }) => ({
      ...{ barId, taskId, doneOn: clock.today, doneBy: actor.personId, enteredBy: actor.personId, minutes: 0 },
      note: "came new, looked over on arrival",
    })),
  );
  await hall.update(carePlan, eq(carePlan.barId, barId), { lastDoneOn: clock.today });
}

/** How a claim ended: the seller made it good and the bar is kept, or it went back. */
export async function resolveClaim(
  context: Context,
  id: string,
  { outcome, resolution, tag }: { outcome: string; resolution: string; tag: string },
): Promise<Outcome<{ tag: string | null }>> {
  if (!may(context, "offer.edit")) return forbidden("resolve claims");
  const problems: Problem[] = [];
  if (outcome !== "keep" && outcome !== "return")
    problems.push({ path: "outcome", message: "Choose: accept it or send it back." });
  if (resolution.trim() === "" || resolution.length > 300)
    problems.push({ path: "resolution", message: "What was agreed: a few words, at most 300 characters." });
  if (outcome === "keep" && tag.trim() === "") problems.push({ path: "tag", message: "Tag: what will it be called?" });
  if (problems.length > 0) return failed("invalid", "Nothing was saved.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = /^[0-9a-f-]{36}$/.test(id)
      ? await hall.first(deliveries, { where: eq(deliveries.id, id), forUpdate: true })
      : null;
    if (!row || row.verdict !== "claim") return notFound("such claim");
    if (row.isResolved) return failed("stale", "Someone else resolved this claim meanwhile. Nothing was changed.");
    const offer = (await hall.first(offers, { where: eq(offers.id, row.offerId) }))!;
    let barId: string | null = null;
    if (outcome === "keep") {
      const { readings } = readAll(offeredBar(codeOf(offer), offer.texts), row.readings, []);
      const made = await hang(context, offer, tag.trim(), readings);
      if (!made.ok) return made;
      ({ barId } = made);
    }
    await hall.update(deliveries, eq(deliveries.id, id), { isResolved: true, resolution: resolution.trim(), barId });
    await recordChange(context, {
      ...{ entity: "delivery", entityId: id, action: "claim resolved" },
      after: { outcome, resolution: resolution.trim(), tag: barId ? tag.trim() : null },
    });
    return { ok: true, tag: barId ? tag.trim() : null };
  });
}

/** A bar that arrived, as screens show it. */
export interface DeliveryItem extends DeliveryRow {
  by: string;
  tag: string | null;
  photoIds: string[];
}

/** What arrived of some offers. */
export async function deliveriesOf(context: Context, offerIds: readonly string[]): Promise<DeliveryItem[]> {
  const { hall } = context;
  if (offerIds.length === 0) return [];
  const rows = await hall.rows(deliveries, {
    where: inArray(deliveries.offerId, [...offerIds]),
    orderBy: [asc(deliveries.enteredAt)],
  });
  if (rows.length === 0) return [];
  const [names, photos, own] = [
    await namesById(hall),
    await hall.summary(
      deliveryPhotos,
      { id: deliveryPhotos.id, deliveryId: deliveryPhotos.deliveryId },
      {
        where: inArray(
          deliveryPhotos.deliveryId,
          rows.map(({ id }) => id),
        ),
      },
    ),
    await hall.summary(
      bars,
      { id: bars.id, tag: bars.tag },
      {
        where: inArray(
          bars.id,
          rows.flatMap(({ barId }) => barId ?? []),
        ),
      },
    ),
  ];
  return rows.map((row) => ({
    ...row,
    by: names.get(row.personId) ?? "someone",
    tag: own.find(({ id }) => id === row.barId)?.tag ?? null,
    photoIds: photos.filter(({ deliveryId }) => deliveryId === row.id).map(({ id }) => id),
  }));
}

/** A photo of what arrived. */
export async function deliveryPhoto(context: Context, id: string): Promise<{ bytes: Buffer; type: string } | null> {
  if (!may(context, "delivery.receive") || !/^[0-9a-f-]{36}$/.test(id)) return null;
  const row = await context.hall.first(deliveryPhotos, { where: eq(deliveryPhotos.id, id) });
  return row && { bytes: row.photo, type: row.photoType };
}
