import { STOCKS, type FieldDef, FIELD_KEYS, BAR_FIELDS, type FieldKey } from "../bars/barFields";
import { type BarRecord, readBarRecord, statedKey } from "../bars/barRecord";
import { readField } from "../bars/fieldText";
import { QUANTITY_KINDS } from "../bars/quantities";
import type { Problem } from "../problem";
import { converted, isCurrency, type Money, readMoney, readRate, shareOf } from "./money";

export const OFFER_STATES = ["idea", "quoted", "ordered", "arrived", "refused"] as const;
export type OfferState = (typeof OFFER_STATES)[number];

/** What a carrier asks for, or will not do. */
export const DELIVERY_LIMITS = ["dock", "commercial", "kerb", "signature"] as const;
export type DeliveryLimit = (typeof DELIVERY_LIMITS)[number];

export const DELIVERY_WORDS: Record<DeliveryLimit, string> = {
  dock: "to a loading dock only",
  commercial: "to a business address only",
  kerb: "to the kerb only",
  signature: "someone must sign",
};

/** What is kept of an offer beside the bar itself. */
export const OFFER_FIELDS = {
  seller: field("Seller", { kind: "text", most: 60 }),
  batch: field("Batch", {
    kind: "text",
    most: 60,
    hint: "as the seller calls it; bars of one batch are judged together",
  }),
  stock: field("Stock", { kind: "choice", of: STOCKS }),
  quantity: field("How many there are", {
    kind: "number",
    unit: "",
    range: [1, 100],
    isWhole: true,
    hint: "blank: one",
  }),
  price: field("Price of one", {
    kind: "text",
    most: 30,
    hint: "£410, 410 EUR or 1,299.50; blank while it is an idea",
  }),
  freight: field("Freight", { kind: "text", most: 30, hint: "blank: nothing" }),
  duty: field("Duty", { kind: "text", most: 30, hint: "an amount, or 6 % of price and freight" }),
  currency: field("Currency", { kind: "text", most: 3, hint: "where the amounts do not say it" }),
  rate: field("Exchange rate", {
    kind: "text",
    most: 20,
    hint: "what one unit of it costs in the gym’s currency: 1.17",
  }),
  leadDays: field("Lead time", {
    kind: "number",
    unit: "",
    range: [0, 730],
    isWhole: true,
    hint: "days from order to door",
  }),
  delivery: field("Delivery", { kind: "choices", of: DELIVERY_LIMITS, words: DELIVERY_WORDS }),
  warrantyMonths: field("Warranty, months", { kind: "number", unit: "", range: [0, 600], isWhole: true }),
  validUntil: field("Valid until", { kind: "day" }),
  link: field("Link", { kind: "text", most: 500 }),
  wantedTag: field("Tag it will get", { kind: "text", most: 12 }),
  offerNote: field("Note", { kind: "text", most: 500 }),
} satisfies Record<string, FieldDef>;

export type OfferKey = keyof typeof OFFER_FIELDS;
export const OFFER_KEYS = Object.keys(OFFER_FIELDS) as OfferKey[];

/** Fields of a bar that somebody enters of one that is not here yet. */
export const OFFERED_FIELDS: readonly FieldKey[] = FIELD_KEYS.filter(
  (key) =>
    !["bought", "keeping"].includes(BAR_FIELDS[key].group) &&
    !["tag", "state", "stateReason", "note", "chartVersion"].includes(key),
);

/** What an offer costs, as it was said and in the gym's own currency. */
export interface OfferCost {
  price: Money;
  freight: Money;
  duty: Money;
  /** All of it in the gym's currency, each part converted and rounded by itself. */
  deliveredMinor: number;
}

export interface Offer {
  name: string;
  record: BarRecord;
  seller: string | null;
  batch: string | null;
  stock: string;
  quantity: number;
  /** Null while nobody quoted a price. */
  cost: OfferCost | null;
  currency: string;
  rate: string | null;
  leadDays: number | null;
  delivery: DeliveryLimit[];
  warrantyMonths: number | null;
  validUntil: string | null;
  link: string | null;
  wantedTag: string | null;
  note: string | null;
}

type Texts = Readonly<Record<string, string | undefined>>;

/**
 * Reads an offer as a form or a file says it: the bar's own fields as for any bar, and those of the offer.
 *
 * @param home the gym's currency
 * @returns the offer, or every problem with its field
 */
export function readOffer(texts: Texts, home: string): { ok: true; offer: Offer } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const values: Partial<Record<OfferKey, unknown>> = {};
  for (const key of OFFER_KEYS) {
    const def = OFFER_FIELDS[key];
    const read = readField(def, key === "leadDays" ? bareDays(texts[key] ?? "") : (texts[key] ?? ""));
    if (read.ok) values[key] = read.value;
    else problems.push({ path: key, message: `${def.label}: ${read.message}` });
  }
  const text = (key: OfferKey) => (values[key] as string | null | undefined) ?? null;
  const bar = readBarRecord({ ...offeredTexts(texts), tag: "?", state: "on-order", stateReason: "an offer" });
  if (!bar.ok) problems.push(...bar.problems);
  const link = text("link");
  if (link && !/^https?:\/\/\S+$/i.test(link))
    problems.push({ path: "link", message: `Link: “${link.slice(0, 40)}” must begin with https://` });
  const money = readCost(values, home, problems);
  if (problems.length > 0 || !bar.ok) return { ok: false, problems };
  return {
    ok: true,
    offer: {
      name: bar.record.name,
      record: bar.record,
      ...{ seller: text("seller"), batch: text("batch"), stock: text("stock") ?? "new", link },
      ...{ quantity: (values.quantity as number | null) ?? 1, leadDays: values.leadDays as number | null },
      ...money,
      delivery: (values.delivery as DeliveryLimit[] | null) ?? [],
      warrantyMonths: values.warrantyMonths as number | null,
      ...{ validUntil: text("validUntil"), wantedTag: text("wantedTag"), note: text("offerNote") },
    },
  };
}

/** "6 weeks", "14 days" and "14" are days. */
function bareDays(text: string): string {
  const match = /^\s*(\d+)\s*(days?|d|weeks?|w)?\s*$/i.exec(text);
  return match ? String(Number(match[1]) * (match[2]?.toLowerCase().startsWith("w") ? 7 : 1)) : text;
}

/**
 * The texts of the bar that is offered, out of all that an offer says.
 *
 * @returns texts by the bar's fields
 */
export function offeredTexts(texts: Texts): Record<string, string> {
  const keys = [...OFFERED_FIELDS, ...QUANTITY_KINDS.map(statedKey)];
  return Object.fromEntries(keys.flatMap((key) => (texts[key]?.trim() ? [[key, texts[key]]] : [])));
}

/** Price, freight and duty in one currency, and all of it in the gym's. */
function readCost(
  values: Partial<Record<OfferKey, unknown>>,
  home: string,
  problems: Problem[],
): Pick<Offer, "cost" | "currency" | "rate"> {
  const said = ((values.currency as string | null) ?? "").trim().toUpperCase();
  if (said !== "" && !isCurrency(said))
    problems.push({ path: "currency", message: `Currency: “${said}” is none; write EUR, GBP or USD` });
  const usual = said !== "" && isCurrency(said) ? said : home;
  const amounts = new Map<string, Money>();
  for (const key of ["price", "freight", "duty"] as const) {
    const text = (values[key] as string | null) ?? "";
    if (text === "" || (key === "duty" && /%\s*$/.test(text))) continue;
    // What the price is in, the rest is in too unless it says otherwise.
    const read = readMoney(text, amounts.get("price")?.currency ?? usual);
    if (read.ok) amounts.set(key, read.money);
    else problems.push({ path: key, message: `${OFFER_FIELDS[key].label}: ${read.message}` });
  }
  const currencies = new Set([...amounts.values()].map(({ currency }) => currency));
  if (said !== "" && amounts.size > 0) currencies.add(usual);
  if (currencies.size > 1)
    problems.push({
      path: "currency",
      message: `Currency: the amounts are in ${[...currencies].join(" and ")}; use one`,
    });
  const currency = amounts.get("price")?.currency ?? usual;
  const rate = readRateOf(values, currency, home, problems);
  const percent = readPercent((values.duty as string | null) ?? "", problems);
  const price = amounts.get("price");
  if (!price) {
    if ((values.price ?? "") === "" && amounts.size > 0)
      problems.push({ path: "price", message: "Price of one: freight or duty is given, and the price is not" });
    return { cost: null, currency, rate };
  }
  if (problems.length > 0) return { cost: null, currency, rate };
  const freight = amounts.get("freight") ?? { minor: 0, currency };
  const duty = amounts.get("duty") ?? { minor: shareOf(price.minor + freight.minor, percent), currency };
  const delivered = [price, freight, duty].map((part) => converted(part, home, rate ?? "1").minor);
  return {
    cost: { price, freight, duty, deliveredMinor: delivered.reduce((sum, minor) => sum + minor, 0) },
    currency,
    rate,
  };
}

function readRateOf(
  values: Partial<Record<OfferKey, unknown>>,
  currency: string,
  home: string,
  problems: Problem[],
): string | null {
  const text = ((values.rate as string | null) ?? "").trim();
  if (currency === home || (text === "" && !values.price)) return null;
  if (text === "") {
    problems.push({ path: "rate", message: `Exchange rate: what does 1 ${currency} cost in ${home}? Write 1.17` });
    return null;
  }
  const rate = readRate(text);
  if (typeof rate === "string") return rate;
  problems.push(rate);
  return null;
}

/** "6 %" in hundredths of a percent; 0 where the duty is an amount or nothing. */
function readPercent(text: string, problems: Problem[]): number {
  if (!/%\s*$/.test(text)) return 0;
  const value = Number(text.replace("%", "").trim().replace(",", "."));
  if (value >= 0 && value <= 100) return Math.round(value * 100);
  problems.push({ path: "duty", message: `Duty: “${text}” must be from 0 to 100 %` });
  return 0;
}

/**
 * Whether an offer can still be taken on a day.
 *
 * @returns false once its last day is over
 */
export const isValidOn = ({ validUntil }: { validUntil: string | null }, day: string): boolean =>
  validUntil === null || day <= validUntil;

function field<const T extends object>(label: string, more: T) {
  return { label, group: "bought" as const, ...more };
}
