import { guessColumns, rowTexts, type ColumnMapping } from "../bars/barColumns";
import { OFFER_FIELDS, OFFER_KEYS, type OfferKey } from "./offer";

/* A seller's list as a file: offer columns by key, label or the words that people use, all others as a bar's. */

/** Words by which people head such columns. Common practice, no source. */
const ALSO_CALLED: Readonly<Record<string, OfferKey>> = {
  vendor: "seller",
  supplier: "seller",
  shop: "seller",
  lot: "batch",
  serial: "batch",
  condition: "stock",
  available: "quantity",
  qty: "quantity",
  cost: "price",
  "unit price": "price",
  shipping: "freight",
  carriage: "freight",
  customs: "duty",
  "lead time": "leadDays",
  "lead days": "leadDays",
  lead: "leadDays",
  restrictions: "delivery",
  warranty: "warrantyMonths",
  valid: "validUntil",
  expires: "validUntil",
  url: "link",
  note: "offerNote",
  notes: "offerNote",
  comment: "offerNote",
  tag: "wantedTag",
  "exchange rate": "rate",
};

const plain = (text: string) =>
  text
    .replace(/([a-z])([A-Z])/g, "$1 $2")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, " ")
    .trim();

function offerColumn(head: string): OfferKey | null {
  const bare = plain(head);
  return (
    OFFER_KEYS.find((key) => plain(key) === bare || plain(OFFER_FIELDS[key].label) === bare) ??
    ALSO_CALLED[bare] ??
    null
  );
}

/** What a file's columns are. */
export interface OfferColumns {
  /** By place: the offer's field, or null where it is the bar's. */
  offer: (OfferKey | null)[];
  bar: ColumnMapping[];
  /** Heads that nothing fits. */
  unknown: string[];
}

/**
 * What each column of a seller's list is.
 *
 * @returns the mapping, and the heads that nothing fits
 */
export function offerColumnsOf(heads: readonly string[]): OfferColumns {
  const offer = heads.map(offerColumn);
  const bar = guessColumns(heads.map((head, i) => (offer[i] ? "" : head)));
  return {
    offer,
    bar,
    unknown: heads.filter((head, i) => head.trim() !== "" && offer[i] === null && bar[i]!.column === null),
  };
}

/**
 * One row as texts by field.
 *
 * @returns texts of the offer and of its bar
 */
export function offerRowTexts(cells: readonly string[], { offer, bar }: OfferColumns): Record<string, string> {
  const texts = rowTexts(cells, bar);
  offer.forEach((key, i) => {
    const cell = (cells[i] ?? "").trim();
    if (key && cell !== "") texts[key] = cell;
  });
  return texts;
}
