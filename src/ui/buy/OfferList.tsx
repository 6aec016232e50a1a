import { FAMILIES } from "@/core/bars/families";
import { moneyText } from "@/core/buying/money";
import { isValidOn, type OfferState } from "@/core/buying/offer";
import type { OfferItem } from "@/server/offers";
import { KnurlPatterns } from "../kit/BarDrawing";
import { dayText } from "@/core/units/dates";
import { DataTable, type DataColumn, type DataRow } from "../kit/DataTable";
import Link from "../kit/Link";
import { OfferDrawing } from "./OfferDrawing";
import { Say } from "../kit/shown";

const ORDER: readonly OfferState[] = ["ordered", "quoted", "idea", "arrived", "refused"];

export const STATE_WORDS: Record<OfferState, string> = {
  ordered: "Ordered",
  quoted: "Quoted",
  idea: "Idea",
  arrived: "Arrived",
  refused: "Refused",
};

const COLUMNS: DataColumn[] = [
  { key: "offer", head: "offer" },
  { key: "family", head: "kind", isWide: true },
  { key: "drawing", head: "drawing", isPlain: true, isWide: true },
  { key: "state", head: "state" },
  { key: "price", head: "delivered", isNumber: true },
  { key: "seller", head: "seller", isHidden: true },
  { key: "when", head: "when", isWide: true },
];

/** Offers with what became of them, drawn in dashes; those on their way first. */
export function OfferList({ items, today }: { items: readonly OfferItem[]; today: string }) {
  if (items.length === 0) return null;
  const sorted = items.toSorted((a, b) => ORDER.indexOf(a.row.state) - ORDER.indexOf(b.row.state));
  return (
    <section className="sheet" aria-label="Offers">
      <KnurlPatterns />
      <DataTable
        label="offers"
        columns={COLUMNS}
        rows={sorted.map((item) => rowOf(item, today))}
        empty="No offers yet."
      />
    </section>
  );
}

function rowOf({ row, code, offer, bar, deliveredMinor }: OfferItem, today: string): DataRow {
  const isOver = row.state === "quoted" && !isValidOn(row, today);
  const diameter = bar.quantities.shaftDiameter?.value;
  const family = FAMILIES[bar.family].name;
  const [on, words] = whenOf(row, offer.validUntil, isOver, today);
  return {
    id: row.id,
    cells: {
      offer: {
        value: `${code} ${offer.name}`,
        node: (
          <Link href={`/buy/${row.id}`} className="inline-flex min-h-11 items-center font-bold hover:underline">
            {code} {offer.name}
          </Link>
        ),
      },
      family: {
        value: family,
        node: (
          <>
            {family}
            <span className="text-quiet block text-xs">
              {diameter ? <Say text={`${diameter} mm`} /> : ""}
              {offer.stock !== "new" && ` ${offer.stock}`}
            </span>
          </>
        ),
      },
      drawing: { value: null, node: <OfferDrawing bar={bar} className="max-h-12 min-w-40" /> },
      state: {
        value: STATE_WORDS[row.state],
        node: row.approvedOn && row.state === "quoted" ? "Approved" : STATE_WORDS[row.state],
      },
      price: {
        value: deliveredMinor,
        node: deliveredMinor === null ? "no price yet" : moneyText({ minor: deliveredMinor, currency: row.currency }),
      },
      seller: { value: offer.seller },
      when: { value: on, node: <span className={isOver ? "text-error font-semibold" : ""}>{words}</span> },
    },
  };
}

/** The day that matters next, to sort by and in words. */
function whenOf(
  row: OfferItem["row"],
  validUntil: string | null,
  isOver: boolean,
  today: string,
): [string | null, string] {
  if (row.state === "ordered")
    return [row.expectedOn, row.expectedOn ? `expected ${dayText(row.expectedOn, today)}` : "no day said"];
  if (row.state === "refused") return [null, row.reason ?? ""];
  if (!validUntil) return [null, ""];
  return [validUntil, `${isOver ? "was valid until" : "until"} ${dayText(validUntil, today)}`];
}
