import { ratedTotalKg, type Bar } from "@/core/bars/bar";
import { FAMILIES } from "@/core/bars/families";
import { keyQuantities } from "@/core/bars/keyQuantities";
import { seatToSeatOf } from "@/core/bars/lengths";
import { QUANTITIES } from "@/core/bars/quantities";
import { QuantityName } from "../kit/QuantityName";
import { QuantityText } from "../kit/QuantityText";
import { Kg } from "../kit/shown";

/** The three numbers that a bar of its family is chosen by, and the most it may carry, to be read from where it hangs. */
export function KeyNumbers({ bar }: { bar: Bar }) {
  const { form } = FAMILIES[bar.family];
  const rated = ratedTotalKg(bar);
  return (
    <dl className="sheet mb-3 grid grid-cols-2 gap-x-4 gap-y-3 px-4 py-3 md:grid-cols-4" aria-label="What matters most">
      {keyQuantities(bar.family).map((kind) => {
        const { unit, decimals } = QUANTITIES[kind];
        const quantity = kind === "seatToSeat" ? seatToSeatOf(bar) : bar.quantities[kind];
        return (
          <div key={kind}>
            <dt className="text-quiet text-sm">
              <QuantityName {...{ kind, form }} />
            </dt>
            <dd className="text-3xl leading-tight font-bold whitespace-nowrap">
              <QuantityText quantity={quantity} {...{ decimals, unit }} />
            </dd>
          </div>
        );
      })}
      <div>
        <dt className="text-quiet text-sm">may carry</dt>
        <dd className={`text-3xl leading-tight font-bold whitespace-nowrap ${rated === null ? "text-accent" : ""}`}>
          {rated === null ? "unknown" : <Kg value={rated} decimals={0} isSmall />}
        </dd>
      </div>
    </dl>
  );
}
