import "server-only";
import { and, eq } from "drizzle-orm";
import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import type { Problem } from "@/core/problem";
import { type TypedQuantity, computingUnit, convertTyped } from "@/core/units/typedQuantity";
import { barMeasurements, barQuantities } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, idempotent, notFound, recordChange } from "@/server/kit";
import { lockedByTag, refreshEffective } from "./barRows";
import { madeBy } from "./insertBars";

export interface Measuring {
  tag: string;
  kind: QuantityKind;
  readings: TypedQuantity[];
  instrument: string;
  /** Made by a floor screen, once for each set of readings. */
  idempotencyKey?: string;
}

/** Keeps the readings of a quantity, as typed, and brings the effective values up to date. Sent twice, it counts once. */
export async function measureBar(
  context: Context,
  { tag, kind, readings, instrument, idempotencyKey }: Measuring,
): Promise<Outcome<{ effective: number }>> {
  if (!may(context, "bar.measure")) return forbidden("measure bars");
  const problems = readingProblems(kind, readings);
  if (idempotencyKey !== undefined && !/^[\w-]{8,64}$/.test(idempotencyKey))
    problems.push({ path: "idempotencyKey", message: "8 to 64 letters, digits, - or _." });
  if (madeBy(context, instrument).isSimulated && !context.actor.isDemo)
    problems.push({ path: "instrument", message: "Simulated instruments exist in the demonstration only." });
  if (instrument.length > 60) problems.push({ path: "instrument", message: "At most 60 characters." });
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  const facts = QUANTITIES[kind];
  return inTransaction(context, (context) => {
    const { hall } = context;
    const work = async (): Promise<Outcome<{ effective: number }>> => {
      const row = await lockedByTag(hall, tag);
      if (!row) return notFound(`bar ${tag}`);
      const before = await hall.first(barQuantities, {
        where: and(eq(barQuantities.barId, row.id), eq(barQuantities.kind, kind)),
      });
      const [kept] = await hall.insert(barMeasurements, {
        barId: row.id,
        kind,
        measuredAt: context.clock.now(),
        personId: context.actor.personId,
        instrument,
        typedValues: readings.map(({ value }) => value),
        typedUnit: readings[0]!.unit,
        readings: readings.map(convertTyped),
        ...madeBy(context, instrument),
      });
      const effective = (await refreshEffective(hall, [{ row }])).get(row.id)!;
      await recordChange(context, {
        entity: "bar",
        entityId: row.id,
        action: `measured ${facts.label}`,
        before: before && { value: before.effective, source: before.source },
        after: {
          value: effective.get(kind)!,
          source: "measured",
          readings: readings.map(({ value, unit }) => `${value} ${unit}`),
          measurementId: kept!.id,
        },
      });
      return { ok: true, effective: effective.get(kind)! };
    };
    return idempotencyKey === undefined ? work() : idempotent(context, idempotencyKey, "bar.measure", work);
  });
}

function readingProblems(kind: QuantityKind, readings: readonly TypedQuantity[]): Problem[] {
  const facts = QUANTITY_KINDS.includes(kind) ? QUANTITIES[kind] : null;
  if (!facts) return [{ path: "kind", message: "Choose what was measured." }];
  const problems: Problem[] = [];
  const most = facts.spots.length;
  if (readings.length < 1 || readings.length > most)
    problems.push({ path: "readings", message: `One to ${most === 3 ? "three" : most} readings.` });
  if (new Set(readings.map(({ unit }) => unit)).size > 1)
    problems.push({ path: "readings", message: "All readings in one unit." });
  readings.forEach((reading, i) => {
    const value = computingUnit(reading.unit) === facts.unit ? convertTyped(reading) : NaN;
    if (!(value >= facts.range[0] && value <= facts.range[1]))
      problems.push({
        path: `readings.${i}`,
        message: `${reading.value} ${reading.unit} cannot be the ${facts.label} of a bar.`,
      });
  });
  return problems;
}
