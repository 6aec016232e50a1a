import { RATING_BASES, type Bar, type RatingBasis, ratedTotalKg } from "@/core/bars/bar";
import { effectiveQuantity, type Quantity } from "@/core/bars/effectiveQuantity";
import { seatToSeatOf } from "@/core/bars/lengths";
import type { QuantityKind } from "@/core/bars/quantities";
import type { barMeasurements, barQuantities, bars } from "./schema";

export type BarRow = typeof bars.$inferSelect;
export type BarQuantityRow = typeof barQuantities.$inferSelect;
export type BarMeasurementRow = typeof barMeasurements.$inferSelect;

type KnownQuantities = Partial<Record<QuantityKind, Quantity>>;

/** Effective quantities from what is stated and the latest readings of each kind; for writing. */
export function effectiveQuantities(
  stated: readonly Pick<BarQuantityRow, "kind" | "stated">[],
  latest: readonly Pick<BarMeasurementRow, "kind" | "readings">[],
): KnownQuantities {
  const readings = new Map(latest.map((measurement) => [measurement.kind, measurement.readings]));
  const known: KnownQuantities = {};
  for (const row of stated) {
    const effective = effectiveQuantity(row.stated, readings.get(row.kind) ?? []);
    if (effective) known[row.kind] = effective;
  }
  return known;
}

/** Effective quantities as stored, without the readings behind them; for lists. */
export function storedQuantities(
  rows: readonly Pick<BarQuantityRow, "kind" | "stated" | "effective" | "source">[],
): KnownQuantities {
  return Object.fromEntries(
    rows.map(({ kind, stated, effective, source }) => [
      kind,
      { value: effective, source: source, ...(stated === null ? {} : { statedValue: stated }) },
    ]),
  );
}

/** A bar as the computation sees it, from its row and its quantities. */
export function barFromRow(
  row: Pick<BarRow, Exclude<keyof Bar, "quantities" | "rating"> & keyof BarRow> &
    Pick<BarRow, "ratingKg" | "ratingBasis">,
  quantities: KnownQuantities,
): Bar {
  // The check constraints and the edge hold the words to the ones the core knows.
  return {
    tag: row.tag,
    name: row.name,
    family: row.family,
    state: row.state,
    stateReason: row.stateReason,
    sleeveRotation: row.sleeveRotation,
    alloy: row.alloy,
    elasticModulusGPa: row.elasticModulusGPa,
    yieldMPa: row.yieldMPa,
    finish: row.finish,
    knurl: row.knurl,
    centreKnurl: row.centreKnurl,
    ringMarks: row.ringMarks,
    plainGapMm: row.plainGapMm,
    canBeRacked: row.canBeRacked,
    ...(row.areHandlesRemovable === null ? {} : { areHandlesRemovable: row.areHandlesRemovable }),
    ...(row.staysByItself === null ? {} : { staysByItself: row.staysByItself }),
    hardLimitKg: row.hardLimitKg,
    rating: row.ratingKg === null ? null : { kg: row.ratingKg, basis: basisOf(row.ratingBasis) },
    quantities,
  };
}

function basisOf(text: string | null): RatingBasis {
  return RATING_BASES.find((basis) => basis === text) ?? "unknown";
}

/** The effective values that lists sort and filter by. */
export function effectiveColumns(bar: Bar) {
  return {
    massKg: bar.quantities.mass?.value ?? null,
    shaftDiameterMm: bar.quantities.shaftDiameter?.value ?? null,
    shaftLengthMm: bar.quantities.shaftLength?.value ?? null,
    seatToSeatMm: seatToSeatOf(bar)?.value ?? null,
    ratedTotalKg: ratedTotalKg(bar),
  };
}
