import "server-only";
import { and, asc, eq, gte, isNotNull, lte, ne } from "drizzle-orm";
import { addDays, daysBetween, type HallDay } from "@/core/units/hallDay";
import { bars, deliveries, offers } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { codeOf, offeredBar, type OfferRow } from "@/server/offers";
import { measuringRules } from "@/server/rules";

/** An order that is on its way. */
export interface OpenOrder {
  id: string;
  code: string;
  name: string;
  quantity: number;
  arrived: number;
  expectedOn: HallDay | null;
  /** Days past the expected day; 0 before. */
  lateDays: number;
}

/** Orders that are on their way, the earliest first, for whoever may take them in. */
export async function openOrders(context: Context): Promise<OpenOrder[]> {
  if (!may(context, "delivery.receive")) return [];
  const { hall, clock } = context;
  const rows = await hall.rows(offers, {
    where: eq(offers.state, "ordered"),
    orderBy: [asc(offers.expectedOn), asc(offers.no)],
    limit: 50,
  });
  if (rows.length === 0) return [];
  const came = await hall.rows(deliveries, { orderBy: [asc(deliveries.enteredAt)] });
  return rows.map((row: OfferRow) => ({
    ...{ id: row.id, code: codeOf(row), name: row.name, quantity: row.orderedQuantity ?? 1 },
    arrived: came.filter(({ offerId }) => offerId === row.id).length,
    expectedOn: row.expectedOn,
    lateDays: row.expectedOn ? Math.max(0, daysBetween(row.expectedOn, clock.today)) : 0,
  }));
}

/** A claim that the seller has not answered. */
export interface OpenClaim {
  id: string;
  offerId: string;
  code: string;
  name: string;
  reasons: string[];
  sinceDays: number;
}

export async function openClaims(context: Context): Promise<OpenClaim[]> {
  if (!may(context, "offer.edit")) return [];
  const { hall, clock } = context;
  const rows = await hall.rowsWith(
    deliveries,
    { offer: { table: offers, on: eq(offers.id, deliveries.offerId), columns: { name: offers.name, no: offers.no } } },
    {
      where: and(eq(deliveries.verdict, "claim"), eq(deliveries.isResolved, false)),
      orderBy: [asc(deliveries.arrivedOn)],
    },
  );
  return rows.map(({ row, offer }) => ({
    ...{ id: row.id, offerId: row.offerId, code: codeOf(offer!), name: offer!.name, reasons: row.reasons },
    sinceDays: daysBetween(row.arrivedOn, clock.today),
  }));
}

/** So long before it ends a warranty is reminded of. */
const REMIND_DAYS = 30;

/** Bars whose warranty ends soon: the last chance for a claim. */
export async function warrantiesEnding(context: Context): Promise<{ tag: string; name: string; on: HallDay }[]> {
  if (!may(context, "offer.edit")) return [];
  const { hall, clock } = context;
  const rows = await hall.rows(bars, {
    where: and(
      isNotNull(bars.warrantyUntil),
      gte(bars.warrantyUntil, clock.today),
      lte(bars.warrantyUntil, addDays(clock.today, REMIND_DAYS)),
      ne(bars.state, "retired"),
    ),
    orderBy: [asc(bars.warrantyUntil)],
  });
  return rows.map(({ tag, name, warrantyUntil }) => ({ tag, name, on: warrantyUntil! }));
}

/** What whoever checks in a bar needs of its order: no price. Null where nothing of it is on its way. */
export async function orderToReceive(context: Context, id: string) {
  if (!may(context, "delivery.receive") || !/^[0-9a-f-]{36}$/.test(id)) return null;
  const row = await context.hall.first(offers, { where: eq(offers.id, id) });
  if (!row || row.state !== "ordered") return null;
  const { tolerances } = await measuringRules(context);
  const code = codeOf(row);
  return { bar: offeredBar(code, row.texts), code, wantedTag: row.texts.wantedTag ?? null, tolerances };
}
