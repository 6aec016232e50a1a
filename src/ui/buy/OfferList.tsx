import { FAMILIES } from "@/core/bars/families";
import { moneyText } from "@/core/buying/money";
import { isValidOn, type OfferState } from "@/core/buying/offer";
import type { OfferItem } from "@/server/offers";
import { KnurlPatterns } from "../kit/BarDrawing";
import { dayText } from "@/core/units/dates";
import Link from "../kit/Link";
import { OfferDrawing } from "./OfferDrawing";
import { Say } from "../kit/shown";

const ORDER: readonly OfferState[] = ["ordered", "quoted", "idea", "arrived", "refused"];

export const STATE_WORDS: Record<OfferState, string> = {
  ordered: "Ordered",
  quoted: "Quoted",
  idea: "Ideas",
  arrived: "Arrived",
  refused: "Refused",
};

/** Offers by what became of them, drawn in dashes. */
export function OfferList({ items, today }: { items: readonly OfferItem[]; today: string }) {
  return (
    <div className="grid gap-3">
      <KnurlPatterns />
      {ORDER.map((state) => {
        const own = items.filter(({ row }) => row.state === state);
        if (own.length === 0) return null;
        return (
          <section key={state} className="sheet" aria-label={STATE_WORDS[state]}>
            <h2 className="px-4 pt-2 font-bold">{STATE_WORDS[state]}</h2>
            <ul className="divide-base-300 divide-y">
              {own.map((item) => (
                <OfferRow key={item.row.id} item={item} today={today} />
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}

function OfferRow({ item, today }: { item: OfferItem; today: string }) {
  const { row, code, offer, bar, deliveredMinor } = item;
  const isOver = row.state === "quoted" && !isValidOn(row, today);
  const diameter = bar.quantities.shaftDiameter?.value;
  return (
    <li className="grid items-center gap-x-4 px-4 py-1.5 text-sm sm:grid-cols-[minmax(0,15rem)_minmax(0,1fr)_minmax(0,13rem)]">
      <span>
        <Link href={`/buy/${row.id}`} className="font-bold hover:underline">
          {code} {offer.name}
        </Link>
        <span className="text-quiet block text-xs">
          {FAMILIES[bar.family].name}
          {diameter ? <Say text={`, ${diameter} mm`} /> : ""}
          {offer.stock !== "new" && `, ${offer.stock}`}
        </span>
      </span>
      <OfferDrawing bar={bar} className="max-h-12" />
      <span className="text-right">
        <strong className="tabular-nums">
          {deliveredMinor === null ? "no price yet" : moneyText({ minor: deliveredMinor, currency: row.currency })}
        </strong>
        <span className={`block text-xs ${isOver ? "text-error font-semibold" : "text-quiet"}`}>
          {row.state === "ordered"
            ? row.expectedOn
              ? `expected ${dayText(row.expectedOn, today)}`
              : "no day said"
            : row.state === "refused"
              ? row.reason
              : offer.validUntil
                ? isOver
                  ? `was valid until ${dayText(offer.validUntil, today)}`
                  : `until ${dayText(offer.validUntil, today)}`
                : ""}
          {row.approvedOn && row.state === "quoted" && " · approved"}
        </span>
      </span>
    </li>
  );
}
