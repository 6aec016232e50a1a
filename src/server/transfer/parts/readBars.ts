import "server-only";
import { asc, isNull } from "drizzle-orm";
import { type FileMeasurement, measuredKey, measurementText } from "@/core/bars/barColumns";
import { recordTexts } from "@/core/bars/barRecord";
import { groupBy } from "@/core/collections/groupBy";
import { recordFromRow, trimNumeric } from "@/data/barRecordRows";
import type { BarMeasurementRow } from "@/data/barRows";
import { barMeasurements, barQuantities, bars } from "@/data/schema";
import type { Context } from "@/server/access";
import { withoutMoney } from "@/server/bars";
import { namesById, placesById } from "@/server/kit";

/** One bar as files carry it: every field that is known, as text, and what was measured. */
export interface FileBar {
  texts: Record<string, string>;
  measurements: FileMeasurement[];
}

/** Every bar of the hall with all its measurements that count, retired ones last. */
export async function readBars(context: Context): Promise<FileBar[]> {
  const { hall } = context;
  const [rows, stated, measured, places, names] = await Promise.all([
    hall.rows(bars, { orderBy: [asc(bars.tag), asc(bars.id)] }),
    hall.rows(barQuantities),
    hall.rows(barMeasurements, {
      where: isNull(barMeasurements.undoneAt),
      orderBy: [asc(barMeasurements.measuredAt), asc(barMeasurements.kind), asc(barMeasurements.id)],
    }),
    placesById(hall),
    namesById(hall),
  ]);
  const statedOf = groupBy(stated, ({ barId }) => barId);
  const measuredOf = groupBy(measured, ({ barId }) => barId);
  const ordered = [
    ...rows.filter(({ state }) => state !== "retired"),
    ...rows.filter(({ state }) => state === "retired"),
  ];
  return ordered.map((row) => ({
    texts: withoutMoney(
      context,
      recordTexts(
        recordFromRow(row, statedOf.get(row.id) ?? [], row.placeId ? (places.get(row.placeId)?.name ?? null) : null),
      ),
    ),
    measurements: (measuredOf.get(row.id) ?? []).map((one) => fileMeasurement(one, names.get(one.personId) ?? null)),
  }));
}

function fileMeasurement(row: BarMeasurementRow, by: string | null): FileMeasurement {
  return {
    kind: row.kind,
    readings: row.typedValues.map((value) => ({ value: trimNumeric(value), unit: row.typedUnit })),
    instrument: row.instrument,
    at: row.measuredAt.toISOString(),
    by,
  };
}

/** A bar's cells by column, for CSV: of each quantity the newest measurement. */
export function barCells({ texts, measurements }: FileBar): Record<string, string> {
  const cells = { ...texts };
  for (const measurement of measurements) cells[measuredKey(measurement.kind)] = measurementText(measurement);
  return cells;
}
