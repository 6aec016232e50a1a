import { gapToStated, spreadOf } from "@/core/bars/effectiveQuantity";
import { FAMILIES } from "@/core/bars/families";
import { flaggedGaps } from "@/core/bars/flaggedGaps";
import { seatToSeatOf } from "@/core/bars/lengths";
import { measurableKinds, QUANTITIES, quantityLabel } from "@/core/bars/quantities";
import { statedKey } from "@/core/bars/barRecord";
import type { Tolerances } from "@/core/bars/tolerances";
import { listed } from "@/core/units/format";
import type { BarDetails } from "@/server/bars";
import { dayText } from "@/core/units/dates";
import { Say } from "../kit/shown";
import { QuantityName } from "../kit/QuantityName";
import { QuantityLegend, QuantityText, ValueText } from "../kit/QuantityText";

interface Props {
  details: BarDetails;
  tolerances: Tolerances;
  today: string;
}

/** Every known quantity: what counts, what is stated as typed, the gap, and the readings behind it. */
export function BarNumbers({ details: { bar, texts, measurements }, tolerances, today }: Props) {
  const { form } = FAMILIES[bar.family];
  const flagged = new Set(flaggedGaps(bar, tolerances).map(({ kind }) => kind));
  const lastMeasured = new Map(measurements.toReversed().map((measurement) => [measurement.kind, measurement]));
  const kinds = measurableKinds(form, bar.sleeveRotation === "fixed");
  const rows = kinds.flatMap((kind) => {
    const quantity = kind === "seatToSeat" ? seatToSeatOf(bar) : (bar.quantities[kind] ?? null);
    return quantity ? [{ kind, quantity, gap: gapToStated(quantity) }] : [];
  });
  const unknown = kinds.filter((kind) => !rows.some((row) => row.kind === kind));
  return (
    <section aria-label="Numbers">
      <div className="px-4">
        <QuantityLegend />
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Numbers, table">
        <table className="mt-1 w-full text-sm">
          <thead className="text-quiet text-xs">
            <tr>
              <th scope="col" className="px-4 py-1 text-left font-normal">
                quantity
              </th>
              <th scope="col" className="px-2 py-1 text-right font-normal">
                counts
              </th>
              <th scope="col" className="px-2 py-1 text-right font-normal">
                stated
              </th>
              <th scope="col" className="px-2 py-1 text-right font-normal">
                gap
              </th>
              <th scope="col" className="px-4 py-1 text-left font-normal">
                last readings
              </th>
            </tr>
          </thead>
          <tbody className="divide-base-300 divide-y border-t border-base-300">
            {rows.map(({ kind, quantity, gap }) => {
              const { unit, decimals } = QUANTITIES[kind];
              const last = lastMeasured.get(kind);
              return (
                <tr key={kind}>
                  <th scope="row" className="px-4 py-1.5 text-left font-normal sm:whitespace-nowrap">
                    <QuantityName {...{ kind, form }} />
                  </th>
                  <td className="px-2 text-right font-semibold whitespace-nowrap">
                    <QuantityText quantity={quantity} decimals={decimals} unit={unit} />
                  </td>
                  <td className="stated px-2 text-right whitespace-nowrap">
                    <Say text={texts[statedKey(kind)] ?? ""} />
                  </td>
                  <td
                    className={`px-2 text-right whitespace-nowrap ${flagged.has(kind) ? "text-accent font-bold" : "text-quiet"}`}
                  >
                    {gap !== null && <ValueText value={gap} decimals={decimals} unit={unit} isSigned isBare />}
                    {flagged.has(kind) && <span className="sr-only"> flagged</span>}
                  </td>
                  <td className="text-quiet min-w-44 px-4 py-1 text-xs leading-snug">
                    {last && (
                      <>
                        <span className="block">
                          <Say text={last.typed} />
                          {quantity.readings && quantity.readings.length > 1 && (
                            <>
                              , spread <ValueText value={spreadOf(quantity.readings)} decimals={2} unit={unit} isBare />
                            </>
                          )}
                        </span>
                        {last.instrument}
                        {last.counts ? "" : " (simulated: does not count)"}, {last.by}, {dayText(last.on, today)}
                      </>
                    )}
                    {kind === "seatToSeat" && !last && "shaft + 2 collars"}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {unknown.length > 0 && (
        <p className="text-quiet border-base-300 border-t px-4 py-2 text-xs">
          Not stated or measured: {listed(unknown.map((kind) => quantityLabel(kind, form)))}.
        </p>
      )}
    </section>
  );
}
