import "server-only";
import { and, asc, eq } from "drizzle-orm";
import { readField } from "@/core/bars/fieldText";
import { groupBy } from "@/core/collections/groupBy";
import { type Pairing, pairPlates } from "@/core/equipment/pairPlates";
import type { Problem } from "@/core/problem";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { type TypedQuantity, convertTyped } from "@/core/units/typedQuantity";
import { trimNumeric } from "@/data/barRecordRows";
import { plateWeights, plates } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";

export const massText = ({ massValue, massUnit }: { massValue: string; massUnit: string }) =>
  `${trimNumeric(massValue)} ${massUnit}`;

/** Puts one plate on the scale: kept under what is written on it, over what was there before. */
export async function weighPlate(
  context: Context,
  { plateId, mark, mass }: { plateId: string; mark: string; mass: string },
): Promise<Outcome<{ mark: string }>> {
  if (!may(context, "bar.measure")) return forbidden("weigh plates");
  const read = readWeight(mark, mass);
  if (!read.ok) return failed("invalid", "Not saved.", read.problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const plate = await hall.first(plates, { where: eq(plates.id, plateId), forUpdate: true });
    if (!plate) return notFound("such plate");
    await writeWeight(context, plateId, read.mark, read.mass);
    return { ok: true, mark: read.mark };
  });
}

export function readWeight(
  mark: string,
  mass: string,
): { ok: true; mark: string; mass: TypedQuantity } | { ok: false; problems: Problem[] } {
  const read = readField({ kind: "mass", group: "identity", label: "mass", isRequired: true }, mass);
  const said = mark.trim();
  const problems = [
    ...(said === "" || said.length > 20
      ? [{ path: "mark", message: "Write what tells it from the others, up to 20 characters." }]
      : []),
    ...(read.ok ? [] : [{ path: "mass", message: `Mass: ${read.message}.` }]),
  ];
  return problems.length > 0 || !read.ok
    ? { ok: false, problems }
    : { ok: true, mark: said, mass: read.value as TypedQuantity };
}

export async function writeWeight(context: Context, plateId: string, mark: string, mass: TypedQuantity): Promise<void> {
  const { hall } = context;
  const where = and(eq(plateWeights.plateId, plateId), eq(plateWeights.mark, mark));
  const before = await hall.first(plateWeights, { where });
  const columns = {
    massValue: mass.value,
    massUnit: mass.unit,
    massUnits: massUnitsFromKg(convertTyped(mass)),
    weighedBy: context.actor.personId,
    weighedAt: context.clock.now(),
  };
  if (before) await hall.update(plateWeights, where, columns);
  else await hall.insert(plateWeights, { plateId, mark, ...columns });
  await recordChange(context, {
    entity: "plate",
    entityId: plateId,
    action: `weighed ${mark}`,
    before: before && { mass: massText(before) },
    after: { mass: `${mass.value} ${mass.unit}` },
  });
}

/** By plate: its single weights, the nearest paired. */
export async function platePairings(context: Context): Promise<Map<string, Pairing>> {
  const rows = await context.hall.rows(plateWeights, { orderBy: [asc(plateWeights.mark)] });
  return new Map([...groupBy(rows, ({ plateId }) => plateId)].map(([id, own]) => [id, pairPlates(own)]));
}
