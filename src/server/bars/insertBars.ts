import "server-only";
import { randomUUID } from "node:crypto";
import type { FileMeasurement } from "@/core/bars/barColumns";
import { type BarRecord, recordTexts } from "@/core/bars/barRecord";
import { convertTyped } from "@/core/units/typedQuantity";
import { quantityRows, rowFromRecord } from "@/data/barRecordRows";
import type { BarRow } from "@/data/barRows";
import { barMeasurements, barQuantities, bars } from "@/data/schema";
import type { Context } from "@/server/access";
import { planCare } from "@/server/care/planning";
import { namesById, recordChanges } from "@/server/kit";
import { latestOfEach } from "./barPage";
import { placeIdsFor } from "./barRows";

/** A bar that is to come into the hall, with what was measured of it before, oldest first. */
export interface NewBar {
  record: BarRecord;
  measurements?: readonly FileMeasurement[];
}

/**
 * Puts bars into the hall, with their plans of care and their first lines of history; as many statements for a thousand
 * as for one. Call it in a transaction, once their tags are known to be free.
 */
export async function insertBars(
  context: Context,
  items: readonly NewBar[],
  reason: string | null = null,
): Promise<void> {
  if (items.length === 0) return;
  const { hall, actor, clock } = context;
  const placeIds = await placeIdsFor(
    hall,
    items.map(({ record }) => record.place),
  );
  const made = items.map(({ record, measurements = [] }) => {
    const columns = {
      ...rowFromRecord(record, placeIds(record.place), actor.currency),
      id: randomUUID() as string,
      knownSince: clock.today,
    };
    const latest = latestOfEach(
      measurements.toReversed().map(({ kind, readings }) => ({ kind, readings: readings.map(convertTyped) })),
    );
    const effective = quantityRows(columns, record.stated, latest);
    return { row: { ...columns, ...effective.columns }, quantities: effective.quantities, record, measurements };
  });
  await hall.insertMany(
    bars,
    made.map(({ row }) => row),
  );
  await hall.insertMany(
    barQuantities,
    made.flatMap(({ row, quantities }) => quantities.map((quantity) => ({ ...quantity, barId: row.id }))),
  );
  await insertMeasurements(
    context,
    made.flatMap(({ row, measurements }) => measurements.map((measurement) => ({ barId: row.id, measurement }))),
  );
  // What planning looks at of a bar is what a record says, so the rows need not be read back.
  await planCare(
    context,
    made.map(({ row }) => row as unknown as BarRow),
  );
  await recordChanges(
    context,
    made.map(({ row, record }) => ({
      entity: "bar",
      entityId: row.id,
      action: "entered",
      after: recordTexts(record),
      reason,
    })),
  );
}

/** Whether a simulated instrument made a reading, by its name, and whether it counts here. */
export function madeBy({ actor }: Context, instrument: string): { isSimulated: boolean; counts: boolean } {
  const isSimulated = /^\s*simulated\b/i.test(instrument);
  return { isSimulated, counts: !isSimulated || actor.isDemo };
}

/** Keeps measurements that somebody took elsewhere; whoever brings them answers for those of people the hall does not know. */
export async function insertMeasurements(
  context: Context,
  items: readonly { barId: string; measurement: FileMeasurement }[],
): Promise<void> {
  if (items.length === 0) return;
  const people = new Map([...(await namesById(context.hall))].map(([id, name]) => [name, id]));
  await context.hall.insertMany(
    barMeasurements,
    items.map(({ barId, measurement: { kind, readings, instrument, at, by } }) => ({
      id: randomUUID(),
      barId,
      kind,
      measuredAt: at ? new Date(at) : context.clock.now(),
      personId: (by ? people.get(by) : undefined) ?? context.actor.personId,
      instrument,
      typedValues: readings.map(({ value }) => value),
      typedUnit: readings[0]!.unit,
      readings: readings.map(convertTyped),
      ...madeBy(context, instrument),
    })),
  );
}
