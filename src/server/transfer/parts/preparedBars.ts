import "server-only";
import type { FileMeasurement } from "@/core/bars/barColumns";
import type { BarRecord } from "@/core/bars/barRecord";
import { convertTyped } from "@/core/units/typedQuantity";
import type { BarMeasurementRow, BarRow } from "@/data/barRows";
import type { barQuantities } from "@/data/schema";

/** A line of a file that was read, and the bar of the hall that it means; null for a new one. */
export interface Prepared {
  line: number;
  record: BarRecord;
  measurements: FileMeasurement[];
  row: BarRow | null;
  before: Record<string, string>;
}

/** What the hall has, found by what a file says. */
export interface Known {
  byTag: Map<string, BarRow>;
  /** Retired bars by tag and name: a tag may have been used more than once. */
  retired: Map<string, BarRow>;
  stated: Map<string, (typeof barQuantities.$inferSelect)[]>;
  measured: Map<string, BarMeasurementRow[]>;
  places: Map<string, string>;
}

/** Measurements of the file that the bar does not have: another moment, or without one, other readings than the last. */
export function newMeasurements({ row, measurements }: Prepared, known: Known): FileMeasurement[] {
  const own = row ? (known.measured.get(row.id) ?? []) : [];
  const said = (readings: readonly number[]) => readings.map((reading) => reading.toPrecision(12)).join();
  return measurements.filter(({ kind, readings, at }) => {
    const values = said(readings.map(convertTyped));
    const same = own.filter((one) => one.kind === kind);
    return at === null
      ? said(same[0]?.readings ?? []) !== values
      : !same.some((one) => said(one.readings) === values && one.measuredAt.getTime() === Date.parse(at));
  });
}
