import { ratedTotalKg } from "@/core/bars/bar";
import { FIELD_KEYS, type FieldKey } from "@/core/bars/barFields";
import type { BarRecord } from "@/core/bars/barRecord";
import { QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import { convertTyped, type TypedQuantity, type Unit } from "@/core/units/typedQuantity";
import {
  barFromRow,
  effectiveColumns,
  effectiveQuantities,
  type BarMeasurementRow,
  type BarQuantityRow,
  type BarRow,
} from "./barRows";

/** Fields whose column has the same name and holds the value as it is. */
const OTHERWISE = ["price", "saving", "place", "rating", "hardLimit"] as const satisfies readonly FieldKey[];
type PlainKey = Exclude<FieldKey, (typeof OTHERWISE)[number]>;
const PLAIN_KEYS = FIELD_KEYS.filter((key): key is PlainKey => !(OTHERWISE as readonly string[]).includes(key));

/** The columns of a record. The place is named in a record and referred to in a row, so the caller finds its id. */
export function rowFromRecord(record: BarRecord, placeId: string | null, currency: string) {
  return {
    ...(Object.fromEntries(PLAIN_KEYS.map((key) => [key, copied(record[key])])) as Pick<BarRow, PlainKey>),
    placeId,
    priceMinor: record.price,
    savingMinor: record.saving,
    priceCurrency: record.price === null && record.saving === null ? null : currency,
    ratingValue: record.rating?.value ?? null,
    ratingUnit: record.rating?.unit ?? null,
    ratingKg: record.rating ? convertTyped(record.rating) : null,
    hardLimitValue: record.hardLimit?.value ?? null,
    hardLimitUnit: record.hardLimit?.unit ?? null,
    hardLimitKg: record.hardLimit ? convertTyped(record.hardLimit) : null,
  };
}

const copied = <T>(value: T): T => (Array.isArray(value) ? ([...value] as T) : value);

/** A row and what is stated of it as a record. */
export function recordFromRow(
  row: BarRow,
  stated: readonly Pick<BarQuantityRow, "kind" | "statedValue" | "statedUnit">[],
  place: string | null,
): BarRecord {
  return {
    ...(Object.fromEntries(PLAIN_KEYS.map((key) => [key, row[key]])) as unknown as BarRecord),
    price: row.priceMinor,
    saving: row.savingMinor,
    place,
    rating: typed(row.ratingValue, row.ratingUnit),
    hardLimit: typed(row.hardLimitValue, row.hardLimitUnit),
    stated: Object.fromEntries(
      stated.flatMap(({ kind, statedValue, statedUnit }) => {
        const quantity = typed(statedValue, statedUnit);
        return quantity ? [[kind, quantity]] : [];
      }),
    ),
  };
}

function typed(value: string | null, unit: string | null): TypedQuantity | null {
  return value === null || unit === null ? null : { value: trimNumeric(value), unit: unit as Unit };
}

/** PostgreSQL's numeric keeps the zeros that somebody typed; "20.50" is read as "20.5". */
export function trimNumeric(text: string): string {
  return text.includes(".") ? text.replace(/\.?0+$/, "") : text;
}

/**
 * The effective values of a bar and its quantity rows, from what is stated and the latest readings that count; for
 * writing. Kinds that nobody states or measures any more have no row.
 */
export function quantityRows(
  row: BarRow | ReturnType<typeof rowFromRecord>,
  stated: BarRecord["stated"],
  latest: readonly Pick<BarMeasurementRow, "kind" | "readings">[],
) {
  const kinds = new Set<QuantityKind>([...QUANTITY_KINDS.filter((kind) => stated[kind])]);
  for (const { kind } of latest) kinds.add(kind);
  const statedRows = [...kinds].map((kind) => ({ kind, stated: stated[kind] ? convertTyped(stated[kind]) : null }));
  const known = effectiveQuantities(statedRows, latest);
  const bar = barFromRow(row, known);
  return {
    columns: { ...effectiveColumns(bar), ratedTotalKg: ratedTotalKg(bar) },
    quantities: [...kinds].map((kind) => ({
      kind,
      statedValue: stated[kind]?.value ?? null,
      statedUnit: stated[kind]?.unit ?? null,
      stated: stated[kind] ? convertTyped(stated[kind]) : null,
      effective: known[kind]!.value,
      source: known[kind]!.source,
    })),
  };
}
