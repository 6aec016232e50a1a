import "server-only";
import { dayText } from "@/core/units/dates";
import { eq } from "drizzle-orm";
import { FAMILIES } from "@/core/bars/families";
import { QUANTITIES, QUANTITY_KINDS } from "@/core/bars/quantities";
import { moneyText } from "@/core/buying/money";
import { DELIVERY_WORDS, type Offer } from "@/core/buying/offer";
import { peopleText } from "@/core/buying/offerGain";
import { oddsText } from "@/core/buying/batchRisk";
import { RECEIVING_CHECKS } from "@/core/buying/receiving";
import { fixed } from "@/core/units/format";
import { deliveries, deliveryPhotos } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { type Outcome, forbidden, notFound } from "@/server/kit";
import type { SheetPart } from "@/papers/buyPdf";
import { drawPaper } from "@/server/computing";
import { offerById } from "@/server/offers";
import { type OfferPage, offerPage } from "./offerPage";

const foot = (context: Context) => `${context.actor.hallName} · ${dayText(context.clock.today, "")}`;

/** What an offer costs, line by line, the last in the gym's own currency. */
export function costLines({ cost, rate }: Offer, deliveredMinor: number | null, home: string): [string, string][] {
  if (!cost || deliveredMinor === null) return [["Price", "not quoted yet"]];
  const { price, freight, duty } = cost;
  return [
    ["Price of one", moneyText(price)],
    ...(freight.minor > 0 ? [["Freight", moneyText(freight)] as [string, string]] : []),
    ...(duty.minor > 0 ? [["Duty", moneyText(duty)] as [string, string]] : []),
    ...(rate ? [["Exchange rate", `1 ${price.currency} = ${rate} ${home}`] as [string, string]] : []),
    ["Delivered", moneyText({ minor: deliveredMinor, currency: home })],
  ];
}

/** What is asked of an offer's delivery and warranty, line by line. */
export function termLines({ leadDays, delivery, warrantyMonths, validUntil, batch, stock }: Offer): [string, string][] {
  const lines: [string, string | null][] = [
    ["Stock", stock],
    ["Batch", batch],
    ["Lead time", leadDays === null ? null : `${leadDays} days`],
    ["Delivery", delivery.length === 0 ? null : delivery.map((key) => DELIVERY_WORDS[key]).join("; ")],
    ["Warranty", warrantyMonths === null ? null : `${warrantyMonths} months`],
    ["Valid until", validUntil && dayText(validUntil, "")],
  ];
  return lines.flatMap(([name, text]) => (text ? [[name, text] as [string, string]] : []));
}

const improvementLines = ({ improvements }: OfferPage): [string, string][] =>
  improvements
    .slice(0, 8)
    .map(({ lift, from, to, people }) => [
      lift,
      `${from.replace("-", " ")} to ${to.replace("-", " ")} for ${peopleText(people)}`,
    ]);

type Lines = readonly (readonly [string, string])[];

const text = (words: string): SheetPart => ({ kind: "text", text: words });
const head = (words: string): SheetPart => ({ kind: "head", text: words });
const table = (lines: Lines): SheetPart => ({ kind: "rows", rows: lines });

/** The approval of an offer, to be signed: drawing, comparison, reason and total. */
export async function approvalPdf(context: Context, id: string): Promise<Outcome<{ bytes: Uint8Array; name: string }>> {
  if (!may(context, "offer.edit")) return forbidden("read approvals");
  const page = await offerPage(context, id);
  if (!page) return notFound("such offer");
  const { item, nearest, differences, duplicates, seller, relief, improvements } = page;
  const { offer, bar, code, deliveredMinor, row } = item;
  const quantity = row.orderedQuantity ?? 1;
  const { currency } = row;
  const names = (bars: readonly { tag: string; name: string }[]) =>
    bars.map(({ tag, name }) => `${tag} ${name}`).join(", ");
  const total: Lines =
    deliveredMinor === null ? [] : [["Total", moneyText({ minor: deliveredMinor * quantity, currency })]];
  const parts: SheetPart[] = [
    text(`${code}: ${offer.name}, ${FAMILIES[bar.family].name}${offer.seller ? `, from ${offer.seller}` : ""}.`),
    { kind: "bar", bar },
    head("What it changes"),
    improvements.length > 0 ? table(improvementLines(page)) : text("It improves nobody’s lift."),
    ...(relief.length > 0 ? [text(`At the busiest hour it relieves ${names(relief)}.`)] : []),
    ...(duplicates.length > 0 ? [text(`Alike and here already: ${names(duplicates)}.`)] : []),
    ...(nearest ? [head(`Against ${nearest.tag} ${nearest.name}`), ...differences.map((one) => text(one.text))] : []),
    ...(seller.length > 0 ? [head("How right this seller’s figures were"), table(sellerLines(page))] : []),
    head("Cost and terms"),
    table([
      ...costLines(offer, deliveredMinor, currency),
      ...(quantity > 1 ? [["How many", String(quantity)] as const] : []),
      ...total,
      ...termLines(offer),
    ]),
    { kind: "sign", lines: ["Approved: name, day", "Ordered: name, day"] },
  ];
  const bytes = await drawPaper(context, "purchase", { title: `Approval: ${offer.name}`, foot: foot(context), parts });
  return { ok: true, bytes, name: `approval-${code}.pdf` };
}

const sellerLines = ({ seller }: OfferPage): Lines =>
  seller
    .slice(0, 4)
    .map(({ label, within, bars }) => [label, `${oddsText(within)} within tolerance (${bars} measured)`]);

/** A claim to the seller: what was agreed, what was found, with readings and photos. */
export async function claimPdf(
  context: Context,
  deliveryId: string,
): Promise<Outcome<{ bytes: Uint8Array; name: string }>> {
  if (!may(context, "offer.edit")) return forbidden("read claims");
  const { hall } = context;
  const isId = /^[0-9a-f-]{36}$/.test(deliveryId);
  const row = isId ? await hall.first(deliveries, { where: eq(deliveries.id, deliveryId) }) : null;
  const item = row && row.verdict !== "keep" ? await offerById(context, row.offerId) : null;
  if (!row || !item) return notFound("such claim");
  const photos = await hall.rows(deliveryPhotos, { where: eq(deliveryPhotos.deliveryId, deliveryId) });
  const { offer, bar, code } = item;
  const readings: Lines = QUANTITY_KINDS.flatMap((kind) => {
    const said = row.readings[kind];
    const { label, unit, decimals } = QUANTITIES[kind];
    const stated = bar.quantities[kind]?.value;
    const agreed = stated === undefined ? "nothing was stated" : `stated ${fixed(stated, decimals)} ${unit}`;
    return said ? [[label, `${said} (${agreed})`] as const] : [];
  });
  const parts: SheetPart[] = [
    text(
      `To ${offer.seller ?? "the seller"}: the ${offer.name} ordered on ${item.row.orderedOn ? dayText(item.row.orderedOn, "") : "a day not on record"} arrived on ${dayText(row.arrivedOn, "")} and is not as agreed.`,
    ),
    head("What is wrong"),
    ...row.reasons.map(text),
    ...(row.note ? [text(row.note)] : []),
    ...(readings.length > 0 ? [head("Readings on arrival"), table(readings)] : []),
    head("Checks on arrival"),
    table(RECEIVING_CHECKS.map(({ key, ask, wrong }) => [row.answers[key] === "fine" ? "Right" : wrong, ask])),
    head("What was agreed"),
    table([...costLines(offer, item.deliveredMinor, item.row.currency), ...termLines(offer)]),
    { kind: "bar", bar },
    ...photos.map(({ photo }): SheetPart => ({ kind: "photo", bytes: photo })),
  ];
  const bytes = await drawPaper(context, "purchase", { title: `Claim: ${offer.name}`, foot: foot(context), parts });
  return { ok: true, bytes, name: `claim-${code}.pdf` };
}
