import "server-only";
import { asc, desc, eq, sql } from "drizzle-orm";
import { recordTexts } from "@/core/bars/barRecord";
import type { QuantityKind } from "@/core/bars/quantities";
import { type HallDay, hallDayAt } from "@/core/units/hallDay";
import { withoutMoney } from "./withoutMoney";
import { recordFromRow, trimNumeric } from "@/data/barRecordRows";
import { barFromRow, effectiveQuantities } from "@/data/barRows";
import { barMeasurements, barQuantities, bars } from "@/data/schema";
import type { Context } from "@/server/access";
import { changesOf, namesById } from "@/server/kit";
import { withQuantities } from "./bars";
import type { ListedBar } from "./listedBar";

export interface BarMeasurement {
  id: string;
  kind: QuantityKind;
  at: Date;
  /** Its day in the gym's zone. */
  on: HallDay;
  /** False for a simulated reading outside a demonstration. */
  counts: boolean;
  by: string;
  instrument: string;
  /** As typed, with the unit. */
  typed: string;
}

/** Everything about one bar: its page. */
export interface BarDetails extends ListedBar {
  /** Every field that is known, as text; `readBarRecord` reads it back. */
  texts: Record<string, string>;
  currency: string;
  measurements: BarMeasurement[];
  history: (Awaited<ReturnType<typeof changesOf>>[number] & { on: HallDay })[];
}

/** The bar with a tag; of a tag used again, the one that is not retired. */
export async function barDetails(context: Context, tag: string): Promise<BarDetails | null> {
  const { hall } = context;
  const row = await hall.first(bars, {
    where: eq(bars.tag, tag),
    orderBy: [sql`${bars.state} = 'retired'`, asc(bars.id)],
  });
  if (!row) return null;
  const [stated, measured, [listed], names, history] = await Promise.all([
    hall.rows(barQuantities, { where: eq(barQuantities.barId, row.id) }),
    hall.rows(barMeasurements, {
      where: eq(barMeasurements.barId, row.id),
      orderBy: [desc(barMeasurements.measuredAt), desc(barMeasurements.id)],
    }),
    withQuantities(hall, [row]),
    namesById(hall),
    changesOf(hall, "bar", row.id),
  ]);
  const dayOf = (moment: Date) => hallDayAt(moment, context.actor.timeZone);
  const counting = measured.filter(({ undoneAt }) => undoneAt === null);
  return {
    ...listed!,
    bar: barFromRow(row, effectiveQuantities(stated, latestOfEach(counting.filter(({ counts }) => counts)))),
    texts: withoutMoney(context, recordTexts(recordFromRow(row, stated, listed!.place))),
    currency: row.priceCurrency ?? context.actor.currency,
    measurements: counting.map(({ id, kind, measuredAt, personId, instrument, counts, typedValues, typedUnit }) => ({
      id,
      kind: kind,
      at: measuredAt,
      on: dayOf(measuredAt),
      counts,
      by: names.get(personId) ?? "someone",
      instrument,
      typed: `${typedValues.map(trimNumeric).join(" · ")} ${typedUnit}`,
    })),
    history: history.map((change) => ({
      ...change,
      before: withoutMoney(context, change.before),
      after: withoutMoney(context, change.after),
      on: dayOf(change.at),
    })),
  };
}

/** Of measurements newest first, the newest of each kind. */
export function latestOfEach<T extends { kind: string }>(newestFirst: readonly T[]): T[] {
  const latest = new Map<string, T>();
  for (const measurement of newestFirst) if (!latest.has(measurement.kind)) latest.set(measurement.kind, measurement);
  return [...latest.values()];
}
