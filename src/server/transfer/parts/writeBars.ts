import "server-only";
import { randomUUID } from "node:crypto";
import type { FileMeasurement } from "@/core/bars/barColumns";
import { differingTexts, recordTexts } from "@/core/bars/barRecord";
import type { CareHouse } from "@/core/care/careDue";
import { convertTyped } from "@/core/units/typedQuantity";
import { quantityRows, rowFromRecord } from "@/data/barRecordRows";
import { carePlanRow } from "@/data/carePlanRows";
import type { HallDb } from "@/data/hallDb";
import { barMeasurements, barQuantities, bars, carePlan, careTasks, changes, places } from "@/data/schema";
import type { Context } from "@/server/access";
import { latestOfEach, writeRecord } from "@/server/bars";
import { careHouse } from "@/server/care/planning";
import { namesById } from "@/server/kit";
import type { OnProgress } from "../part";
import { type Known, type Prepared, newMeasurements } from "./bars";

const CHUNK = 250;

export async function writeBars(
  context: Context,
  { prepared, added, changed, known }: { prepared: Prepared[]; added: Prepared[]; changed: Prepared[]; known: Known },
  onProgress: OnProgress,
): Promise<void> {
  const { hall } = context;
  const of = added.length + changed.length;
  let done = 0;
  const people = new Map([...(await namesById(hall))].map(([id, name]) => [name, id]));
  const placeIds = await placeIdsFor(hall, prepared);
  const tasks = await hall.rows(careTasks);
  const house = await careHouse(context);
  for (let from = 0; from < added.length; from += CHUNK) {
    const chunk = added.slice(from, from + CHUNK);
    await insertBars(context, chunk, { placeIds, people, tasks, house });
    done += chunk.length;
    onProgress(done, of);
    // The answer's stream gets its turn between two chunks.
    await new Promise((resolve) => setImmediate(resolve));
  }
  for (const one of changed) {
    await changeBar(context, one, known, people);
    done += 1;
    if (done % CHUNK === 0) onProgress(done, of);
  }
  onProgress(of, of);
}

interface KnownThings {
  placeIds: Map<string, string>;
  people: Map<string, string>;
  tasks: (typeof careTasks.$inferSelect)[];
  house: CareHouse;
}

/** Places that the file names and the hall does not have are made, in the order in which they stand. */
async function placeIdsFor(hall: HallDb, prepared: readonly Prepared[]): Promise<Map<string, string>> {
  const all = await hall.rows(places);
  const ids = new Map(all.map(({ id, name }) => [name.toLowerCase(), id]));
  let order = Math.max(0, ...all.map(({ roundOrder }) => roundOrder));
  const missing = [...new Set(prepared.flatMap(({ record }) => record.place ?? []))].filter(
    (name) => !ids.has(name.toLowerCase()),
  );
  for (const name of missing) {
    if (ids.has(name.toLowerCase())) continue;
    const [made] = await hall.insert(places, { name, roundOrder: (order += 1) });
    ids.set(name.toLowerCase(), made!.id);
  }
  return ids;
}

function measurementRow(context: Context, barId: string, measurement: FileMeasurement, people: Map<string, string>) {
  const { kind, readings, instrument, at, by } = measurement;
  return {
    barId,
    kind,
    measuredAt: at ? new Date(at) : context.clock.now(),
    // Somebody the hall does not know measured it; whoever brings the file in answers for it.
    personId: (by ? people.get(by) : undefined) ?? context.actor.personId,
    instrument,
    typedValues: readings.map(({ value }) => value),
    typedUnit: readings[0]!.unit,
    readings: readings.map(convertTyped),
  };
}

async function insertBars(
  context: Context,
  chunk: readonly Prepared[],
  { placeIds, people, tasks, house }: KnownThings,
) {
  const { hall } = context;
  const made = chunk.map(({ record, measurements }) => {
    const placeId = record.place === null ? null : placeIds.get(record.place.toLowerCase())!;
    const columns = {
      ...rowFromRecord(record, placeId, context.actor.currency),
      id: randomUUID(),
      knownSince: context.clock.today,
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
  await hall.insertMany(
    barMeasurements,
    made.flatMap(({ row, measurements }) => measurements.map((one) => measurementRow(context, row.id, one, people))),
  );
  await hall.insertMany(
    carePlan,
    made.flatMap(({ row }) => tasks.flatMap((task) => carePlanRow(row, task, house, null) ?? [])),
  );
  await hall.insertMany(
    changes,
    made.map(({ row, record }) => ({
      personId: context.actor.personId,
      entity: "bar",
      entityId: row.id,
      action: "entered",
      reason: "from a file",
      after: recordTexts(record),
      at: context.clock.now(),
    })),
  );
}

async function changeBar(context: Context, one: Prepared, known: Known, people: Map<string, string>) {
  const { hall } = context;
  const row = one.row!;
  const fresh = newMeasurements(one, known);
  await hall.insert(
    barMeasurements,
    fresh.map((measurement) => measurementRow(context, row.id, measurement, people)),
  );
  await writeRecord(context, row, one.record);
  await hall.insert(changes, {
    personId: context.actor.personId,
    entity: "bar",
    entityId: row.id,
    action: "edited",
    reason: "from a file",
    ...differingTexts(one.before, recordTexts(one.record)),
    at: context.clock.now(),
  });
}
