import "server-only";
import { cache } from "react";
import { and, asc, desc, eq, inArray, ne, sql } from "drizzle-orm";
import { groupBy } from "@/core/collections/groupBy";
import { BAR_STATES, type Bar, type BarState } from "@/core/bars/bar";
import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import { computingUnit, convertTyped, type TypedQuantity } from "@/core/units/typedQuantity";
import {
  barFromRow,
  effectiveColumns,
  effectiveQuantities,
  storedQuantities,
  type BarQuantityRow,
  type BarRow,
} from "@/data/barRows";
import { database } from "@/data/client";
import { inTransaction, type HallDb } from "@/data/hallDb";
import { barMeasurements, barQuantities, bars } from "@/data/schema";
import { changesOf, recordChange } from "./history";
import { namesById, placesById } from "./lookups";
import { failed, forbidden, notFound, type Outcome, type Problem } from "./outcome";
import { may } from "./permissions";
import { hallDb, type Who } from "./who";

/** A bar of the list: what the computation needs, and where it hangs. */
export interface ListedBar {
  id: string;
  bar: Bar;
  place: string | null;
  placeOrder: number;
  version: number;
}

export interface BarPage {
  items: ListedBar[];
  /** Where the next page starts, or null when this is the last. */
  nextCursor: string | null;
}

/** Bars of the hall by tag, retired ones included, a page at a time. */
export async function listBars(
  who: Who,
  { limit = 500, after }: { limit?: number; after?: { tag: string; id: string } } = {},
): Promise<BarPage> {
  const hall = hallDb(who);
  const rows = await hall.rows(bars, {
    where: after ? sql`(${bars.tag}, ${bars.id}) > (${after.tag}, ${after.id}::uuid)` : undefined,
    orderBy: [asc(bars.tag), asc(bars.id)],
    limit: limit + 1,
  });
  const page = rows.slice(0, limit);
  const last = page.at(-1);
  return {
    items: await withQuantities(hall, page),
    nextCursor: rows.length > limit && last ? JSON.stringify([last.tag, last.id]) : null,
  };
}

/** Every bar of the hall that is not retired; read once a request. */
export const barsOnTheWall = cache(async (who: Who): Promise<ListedBar[]> => {
  const hall = hallDb(who);
  return withQuantities(
    hall,
    await hall.rows(bars, { where: ne(bars.state, "retired"), orderBy: [asc(bars.tag), asc(bars.id)] }),
  );
});

/** Bars in some states, by tag; at most so many. */
export async function barsInState(who: Who, states: readonly BarState[], most: number): Promise<ListedBar[]> {
  const hall = hallDb(who);
  return withQuantities(
    hall,
    await hall.rows(bars, {
      where: inArray(bars.state, [...states]),
      orderBy: [asc(bars.tag), asc(bars.id)],
      limit: most,
    }),
  );
}

/** Bars on the wall whose mass was measured beyond the tolerance from what is stated; at most so many. */
export async function barsOffTheirLabel(who: Who, toleranceKg: number, most: number): Promise<ListedBar[]> {
  const hall = hallDb(who);
  const isOff = sql`exists (select 1 from ${barQuantities} where ${barQuantities.barId} = ${bars.id} and ${barQuantities.kind} = 'mass' and ${barQuantities.source} = 'measured' and abs(${barQuantities.effective} - ${barQuantities.stated}) > ${toleranceKg + 1e-9}::float8)`;
  return withQuantities(
    hall,
    await hall.rows(bars, {
      where: and(ne(bars.state, "retired"), isOff),
      orderBy: [asc(bars.tag), asc(bars.id)],
      limit: most,
    }),
  );
}

/** Bars here whose mass nobody has measured; at most so many. */
export async function barsNeverWeighed(who: Who, most: number): Promise<ListedBar[]> {
  const hall = hallDb(who);
  const isWeighed = sql`exists (select 1 from ${barQuantities} where ${barQuantities.barId} = ${bars.id} and ${barQuantities.kind} = 'mass' and ${barQuantities.source} = 'measured')`;
  return withQuantities(
    hall,
    await hall.rows(bars, {
      where: and(sql`${bars.state} not in ('retired', 'on-order')`, sql`not ${isWeighed}`),
      orderBy: [asc(bars.tag), asc(bars.id)],
      limit: most,
    }),
  );
}

/** Some bars by tag, in the order asked for; tags that do not exist are left out. */
export async function barsByTag(who: Who, tags: readonly string[]): Promise<ListedBar[]> {
  if (tags.length === 0) return [];
  const hall = hallDb(who);
  const found = await withQuantities(
    hall,
    await hall.rows(bars, { where: and(inArray(bars.tag, [...tags]), ne(bars.state, "retired")) }),
  );
  return tags.map((tag) => found.find(({ bar }) => bar.tag === tag)).filter((bar) => bar !== undefined);
}

async function withQuantities(hall: HallDb, rows: BarRow[]): Promise<ListedBar[]> {
  if (rows.length === 0) return [];
  const quantities = groupBy(
    await hall.rows(barQuantities, {
      where: inArray(
        barQuantities.barId,
        rows.map(({ id }) => id),
      ),
    }),
    ({ barId }) => barId,
  );
  const hangsAt = await placesById(hall);
  return rows.map((row) => {
    const place = row.placeId ? hangsAt.get(row.placeId) : undefined;
    return {
      id: row.id,
      bar: barFromRow(row, storedQuantities(quantities.get(row.id) ?? [])),
      place: place?.name ?? null,
      placeOrder: place?.roundOrder ?? 0,
      version: row.version,
    };
  });
}

export interface BarMeasurement {
  id: string;
  kind: QuantityKind;
  at: Date;
  by: string;
  instrument: string;
  /** As typed, with the unit. */
  typed: string;
}

/** Everything about one bar: its page. */
export interface BarDetails extends ListedBar {
  row: Pick<
    BarRow,
    | "supplier"
    | "batch"
    | "boughtOn"
    | "priceMinor"
    | "priceCurrency"
    | "stock"
    | "sleeveFinish"
    | "areSleevesGrooved"
    | "note"
    | "ratingValue"
    | "ratingUnit"
    | "hardLimitValue"
    | "hardLimitUnit"
    | "tensileMPa"
  >;
  statedAsTyped: Partial<Record<QuantityKind, string>>;
  measurements: BarMeasurement[];
  history: Awaited<ReturnType<typeof changesOf>>;
}

/** The bar with a tag; of a tag used again, the one that is not retired. */
export async function barDetails(who: Who, tag: string): Promise<BarDetails | null> {
  const hall = hallDb(who);
  const row = await hall.first(bars, {
    where: eq(bars.tag, tag),
    orderBy: [sql`${bars.state} = 'retired'`, asc(bars.id)],
  });
  if (!row) return null;
  const stated = await hall.rows(barQuantities, { where: eq(barQuantities.barId, row.id) });
  const measured = await hall.rows(barMeasurements, {
    where: eq(barMeasurements.barId, row.id),
    orderBy: [desc(barMeasurements.measuredAt), desc(barMeasurements.id)],
  });
  const [listed] = await withQuantities(hall, [row]);
  const names = await namesById(hall);
  return {
    ...listed!,
    bar: barFromRow(row, effectiveQuantities(stated, latestOfEach(measured))),
    row,
    statedAsTyped: Object.fromEntries(
      stated
        .filter(({ statedValue }) => statedValue !== null)
        .map(({ kind, statedValue, statedUnit }) => [kind, `${trimNumeric(statedValue!)} ${statedUnit}`]),
    ),
    measurements: measured.map(({ id, kind, measuredAt, personId, instrument, typedValues, typedUnit }) => ({
      id,
      kind: kind as QuantityKind,
      at: measuredAt,
      by: names.get(personId) ?? "somebody",
      instrument,
      typed: `${typedValues.map(trimNumeric).join(" · ")} ${typedUnit}`,
    })),
    history: await changesOf(hall, "bar", row.id),
  };
}

/** Of measurements newest first, the newest of each kind. */
function latestOfEach<T extends { kind: string }>(newestFirst: readonly T[]): T[] {
  const latest = new Map<string, T>();
  for (const measurement of newestFirst) if (!latest.has(measurement.kind)) latest.set(measurement.kind, measurement);
  return [...latest.values()];
}

function trimNumeric(text: string): string {
  return text.includes(".") ? text.replace(/\.?0+$/, "") : text;
}

/** Quarantines a bar, puts it under watch, returns it to service or retires it. A stale version is refused. */
export async function changeBarState(
  who: Who,
  { tag, state, reason, version }: { tag: string; state: BarState; reason: string; version: number },
): Promise<Outcome<{ state: BarState }>> {
  if (!may(who, "bar.change-state")) return forbidden("change the state of a bar");
  const problems: Problem[] = [];
  if (!BAR_STATES.includes(state)) problems.push({ path: "state", message: "Choose a state." });
  if (reason.trim() === "")
    problems.push({ path: "reason", message: "Say why in a few words; it is kept with the bar." });
  if (reason.length > 200) problems.push({ path: "reason", message: "At most 200 characters." });
  if (problems.length > 0) return failed("invalid", "The state was not changed.", problems);
  return inTransaction(database(), who.hallId, async (hall) => {
    const row = await hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")), forUpdate: true });
    if (!row) return notFound(`bar ${tag}`);
    if (row.version !== version)
      return failed(
        "stale",
        `Somebody changed ${tag} meanwhile: it is now ${row.state}${row.stateReason ? `, ${row.stateReason}` : ""}. You wanted ${state}, ${reason}.`,
      );
    if (row.state === "quarantined" && state !== "quarantined" && !may(who, "bar.end-quarantine"))
      return forbidden("lift a quarantine; only the manager may");
    const stateReason = state === "in-service" ? null : reason.trim();
    await hall.update(bars, eq(bars.id, row.id), { state, stateReason, version: row.version + 1 });
    await recordChange(hall, who, {
      entity: "bar",
      entityId: row.id,
      action: "state",
      reason: reason.trim(),
      before: { state: row.state, stateReason: row.stateReason },
      after: { state, stateReason },
    });
    return { ok: true, state };
  });
}

/** Keeps one to three readings of a quantity, as typed, and brings the effective values up to date. */
export async function measureBar(
  who: Who,
  {
    tag,
    kind,
    readings,
    instrument,
  }: { tag: string; kind: QuantityKind; readings: TypedQuantity[]; instrument: string },
): Promise<Outcome<{ effective: number }>> {
  if (!may(who, "bar.measure")) return forbidden("measure bars");
  const facts = QUANTITY_KINDS.includes(kind) ? QUANTITIES[kind] : null;
  const problems: Problem[] = [];
  if (!facts) problems.push({ path: "kind", message: "Choose what was measured." });
  if (readings.length < 1 || readings.length > 3)
    problems.push({ path: "readings", message: "One to three readings." });
  if (new Set(readings.map(({ unit }) => unit)).size > 1)
    problems.push({ path: "readings", message: "All readings in one unit." });
  readings.forEach((reading, i) => {
    if (!facts) return;
    const value = computingUnit(reading.unit) === facts.unit ? convertTyped(reading) : NaN;
    if (!(value >= facts.range[0] && value <= facts.range[1]))
      problems.push({
        path: `readings.${i}`,
        message: `${reading.value} ${reading.unit} cannot be the ${facts.label} of a bar.`,
      });
  });
  if (problems.length > 0) return failed("invalid", "Nothing was kept.", problems);

  return inTransaction(database(), who.hallId, async (hall) => {
    const row = await hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")), forUpdate: true });
    if (!row) return notFound(`bar ${tag}`);
    const before = await hall.first(barQuantities, {
      where: and(eq(barQuantities.barId, row.id), eq(barQuantities.kind, kind)),
    });
    await hall.insert(barMeasurements, {
      barId: row.id,
      kind,
      measuredAt: new Date(),
      personId: who.personId,
      instrument,
      typedValues: readings.map(({ value }) => value),
      typedUnit: readings[0]!.unit,
      readings: readings.map(convertTyped),
    });
    const effective = await refreshEffective(hall, row, before ? [] : [{ kind, stated: null }]);
    await recordChange(hall, who, {
      entity: "bar",
      entityId: row.id,
      action: `measured ${facts!.label}`,
      before: before && { value: before.effective, source: before.source },
      after: {
        value: effective[kind]!.value,
        source: "measured",
        readings: readings.map(({ value, unit }) => `${value} ${unit}`),
      },
    });
    return { ok: true, effective: effective[kind]!.value };
  });
}

async function refreshEffective(hall: HallDb, row: BarRow, added: Pick<BarQuantityRow, "kind" | "stated">[]) {
  const stated = [...(await hall.rows(barQuantities, { where: eq(barQuantities.barId, row.id) })), ...added];
  const measured = await hall.rows(barMeasurements, {
    where: eq(barMeasurements.barId, row.id),
    orderBy: [desc(barMeasurements.measuredAt), desc(barMeasurements.id)],
  });
  const known = effectiveQuantities(stated, latestOfEach(measured));
  for (const [kind, quantity] of Object.entries(known))
    await hall.put(barQuantities, [barQuantities.barId, barQuantities.kind], {
      barId: row.id,
      kind,
      effective: quantity.value,
      source: quantity.source,
      stated: quantity.statedValue ?? null,
    });
  await hall.update(bars, eq(bars.id, row.id), {
    ...effectiveColumns(barFromRow(row, known)),
    version: row.version + 1,
  });
  return known;
}
