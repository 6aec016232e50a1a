import type { Bar } from "@/core/bars/bar";
import { Say } from "../kit/shown";
import { FAMILIES } from "@/core/bars/families";
import { flaggedGaps } from "@/core/bars/flaggedGaps";
import { gapMeaning } from "@/core/bars/gapMeaning";
import { lengthCulprit } from "@/core/bars/lengthCulprit";
import { seatSumMismatchMm } from "@/core/bars/lengths";
import { QUANTITIES, quantityLabel } from "@/core/bars/quantities";
import type { Tolerances } from "@/core/bars/tolerances";
import { sentence, signed, trimmed } from "@/core/units/format";
import { StateText } from "../kit/StateText";

/** What is flagged of a bar, as sentences: gaps to what is stated and what they change, sums that do not close. */
export function warningsOf(bar: Bar, tolerances: Tolerances): string[] {
  const { form } = FAMILIES[bar.family];
  const warnings = flaggedGaps(bar, tolerances).map(
    (gap) => `${quantityLabel(gap.kind, form)}, ${gapMeaning(bar, gap)}`,
  );
  const mismatch = seatSumMismatchMm(bar);
  if (mismatch !== null)
    warnings.push(
      `seat to seat with the tape is ${signed(mismatch, 1)} mm from shaft + 2 collars; the tape counts, and one of the three is wrong`,
    );
  const culprit = lengthCulprit(bar);
  if (culprit)
    warnings.push(
      `shaft, collars and sleeves add up to ${trimmed(culprit.excessMm, 1)} mm more than the overall length; most likely the ${QUANTITIES[culprit.kind].label} is wrong: ${culprit.why}`,
    );
  return warnings.map(sentence);
}

export function BarWarnings({ bar, tolerances }: { bar: Bar; tolerances: Tolerances }) {
  const warnings = warningsOf(bar, tolerances);
  if (bar.state === "in-service" && warnings.length === 0) return null;
  return (
    <div className="sheet border-l-accent mb-3 border-l-4 px-4 py-2 text-sm" role="note" aria-label="Flagged">
      {bar.state !== "in-service" && (
        <p>
          <StateText state={bar.state} reason={bar.stateReason} />
        </p>
      )}
      {warnings.map((warning) => (
        <p key={warning}>
          <strong className="text-accent">Flagged.</strong> <Say text={warning} />.
        </p>
      ))}
    </div>
  );
}
