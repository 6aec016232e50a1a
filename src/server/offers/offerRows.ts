import "server-only";
import { asc, desc, eq, gt, inArray } from "drizzle-orm";
import type { Bar } from "@/core/bars/bar";
import { readBarRecord } from "@/core/bars/barRecord";
import { type Offer, type OfferState, offeredTexts, readOffer } from "@/core/buying/offer";
import { quantityRows, rowFromRecord } from "@/data/barRecordRows";
import { barFromRow, storedQuantities } from "@/data/barRows";
import { offers } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { type Outcome, forbidden } from "@/server/kit";

export type OfferRow = typeof offers.$inferSelect;

/** An offer as screens have it: what was said, read, and the bar that it would be. */
export interface OfferItem {
  row: OfferRow;
  /** "O7" */
  code: string;
  offer: Offer;
  bar: Bar;
  /** Delivered, in the gym's currency; null without a price, and for whoever may not know prices. */
  deliveredMinor: number | null;
}

export const codeOf = ({ no }: Pick<OfferRow, "no">): string => `O${no}`;

/** The bar of an offer, with everything stated and nothing measured. */
export function offeredBar(code: string, texts: Readonly<Record<string, string>>): Bar {
  const read = readBarRecord({ ...offeredTexts(texts), tag: code, state: "on-order", stateReason: "an offer" });
  if (!read.ok) throw new Error(`the offer ${code} is kept and cannot be read: ${JSON.stringify(read.problems)}`);
  const columns = rowFromRecord(read.record, null, "");
  const { quantities } = quantityRows(columns, read.record.stated, []);
  return barFromRow(columns as never, storedQuantities(quantities));
}

export function itemOf(context: Context, row: OfferRow): OfferItem {
  const code = codeOf(row);
  const read = readOffer(row.texts, row.currency);
  if (!read.ok) throw new Error(`the offer ${code} is kept and cannot be read: ${JSON.stringify(read.problems)}`);
  const showsPrice = may(context, "price.read");
  const offer = showsPrice ? read.offer : { ...read.offer, cost: null, seller: null, rate: null };
  return { row, code, offer, bar: offeredBar(code, row.texts), deliveredMinor: showsPrice ? row.deliveredMinor : null };
}

/** States of offers that may still be bought. */
export const OPEN_STATES: readonly OfferState[] = ["idea", "quoted"];

/** Offers, the newest first; of some states where they are named. Nothing for whoever may not see them. */
export async function listOffers(context: Context, states?: readonly OfferState[]): Promise<OfferItem[]> {
  if (!may(context, "offer.read")) return [];
  const rows = await context.hall.rows(offers, {
    ...(states ? { where: inArray(offers.state, [...states]) } : {}),
    orderBy: [desc(offers.enteredAt), asc(offers.no)],
    limit: 500,
  });
  return rows.map((row) => itemOf(context, row));
}

/** One offer; null where there is none, or not for whoever asks. */
export async function offerById(context: Context, id: string): Promise<OfferItem | null> {
  if (!may(context, "offer.read") || !/^[0-9a-f-]{36}$/.test(id)) return null;
  const row = await context.hall.first(offers, { where: eq(offers.id, id) });
  return row && itemOf(context, row);
}

/** Offers a page at a time, by number; without prices and sellers for whoever may not know them. */
export async function listOfferPage(
  context: Context,
  { limit, after }: { limit: number; after?: [no: number, id: string] },
): Promise<Outcome<{ items: OfferItem[]; nextCursor: string | null }>> {
  if (!may(context, "offer.read")) return forbidden("see offers");
  const rows = await context.hall.rows(offers, {
    ...(after ? { where: gt(offers.no, after[0]) } : {}),
    orderBy: [asc(offers.no)],
    limit: limit + 1,
  });
  const items = rows.slice(0, limit).map((row) => itemOf(context, row));
  const last = items.at(-1)?.row;
  return { ok: true, items, nextCursor: rows.length > limit && last ? JSON.stringify([last.no, last.id]) : null };
}
