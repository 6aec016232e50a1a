import "server-only";
import { and, asc, eq } from "drizzle-orm";
import { EQUIPMENT_FIELDS, fieldTexts, readFields, type EquipmentKind } from "@/core/equipment/equipmentFields";
import { readField, type FieldValue } from "@/core/bars/fieldText";
import { pairPlates, type Pairing } from "@/core/equipment/pairPlates";
import { differingTexts } from "@/core/bars/barRecord";
import { groupBy } from "@/core/collections/groupBy";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { convertTyped, type TypedQuantity, type Unit } from "@/core/units/typedQuantity";
import { trimNumeric } from "@/data/barRecordRows";
import { database } from "@/data/client";
import { inTransaction } from "@/data/hallDb";
import { clamps, plates, plateWeights, stations } from "@/data/schema";
import type { ClampRow, PlateRow, StationRow } from "./equipment";
import { recordChange } from "./history";
import { failed, forbidden, notFound, type Outcome } from "./outcome";
import { may } from "./permissions";
import { hallDb, type Who } from "./who";

type Values = Record<string, FieldValue | null>;

const TABLES = { plate: plates, clamp: clamps, station: stations };

/** A plate, clamp or station as texts by field. */
export function equipmentTexts(kind: EquipmentKind, row: PlateRow | ClampRow | StationRow): Record<string, string> {
  const typed = (value: string, unit: string): TypedQuantity => ({ value: trimNumeric(value), unit: unit as Unit });
  const more =
    kind === "plate"
      ? { mass: typed((row as PlateRow).massValue, (row as PlateRow).massUnit) }
      : kind === "clamp"
        ? { pairMass: typed((row as ClampRow).pairMassValue, (row as ClampRow).pairMassUnit) }
        : { jCupHoles: (row as StationRow).jCupHoles?.map(String) ?? null };
  return fieldTexts(EQUIPMENT_FIELDS[kind], { ...row, ...more });
}

function columnsOf(kind: EquipmentKind, values: Values) {
  const exact = (mass: FieldValue | null) => massUnitsFromKg(convertTyped(mass as TypedQuantity));
  if (kind === "plate") {
    const { mass, ...rest } = values;
    const { value, unit } = mass as TypedQuantity;
    return { ...rest, massValue: value, massUnit: unit, massUnits: exact(mass!) };
  }
  if (kind === "clamp") {
    const { pairMass, ...rest } = values;
    const { value, unit } = pairMass as TypedQuantity;
    return { ...rest, pairMassValue: value, pairMassUnit: unit, pairMassUnits: exact(pairMass!) };
  }
  const holes = values.jCupHoles as readonly string[] | null;
  return { ...values, jCupHoles: holes && holes.map(Number) };
}

/**
 * Enters or changes a plate, clamp or station. Without an id it is new; else the version names what was read, and a
 * stale one is refused with both texts of every field.
 */
export async function saveEquipment(
  who: Who,
  kind: EquipmentKind,
  { id, version, texts }: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ key: string; version: number }>> {
  if (!may(who, "equipment.edit")) return forbidden("change plates, clamps and stations");
  const read = readFields(EQUIPMENT_FIELDS[kind], texts);
  if (!read.ok) return failed("invalid", "Nothing was changed.", read.problems);
  const values = read.values as Values;
  // What nobody says may be dropped is not dropped.
  if (kind === "plate") values.isDropRated = values.isDropRated === true;
  const holes = values.jCupHoles as readonly string[] | null | undefined;
  if (holes?.some((hole) => !/^\d{1,3}$/.test(hole)))
    return failed("invalid", "Nothing was changed.", [
      { path: "jCupHoles", message: "they sit in holes: whole numbers, one a line" },
    ]);
  const table = TABLES[kind];
  return inTransaction(database(), who.hallId, async (hall) => {
    const key = String(values.key);
    const columns = columnsOf(kind, values);
    const row = id === null ? null : await hall.first(table, { where: eq(table.id, id), forUpdate: true });
    if (id !== null && !row) return notFound(`such ${kind}`);
    const namesake = await hall.first(table, { where: eq(table.key, key) });
    if (namesake && namesake.id !== row?.id)
      return failed("invalid", "Nothing was changed.", [
        { path: "key", message: `short name: ${key} is another ${kind} already` },
      ]);
    const after = fieldTexts(EQUIPMENT_FIELDS[kind], values);
    if (!row) {
      const [made] = await hall.insert(table, columns as never);
      await recordChange(hall, who, { entity: kind, entityId: made!.id, action: "entered", after });
      return { ok: true, key, version: 1 };
    }
    const before = equipmentTexts(kind, row as PlateRow);
    const differing = differingTexts(before, after);
    if (row.version !== version)
      return failed(
        "stale",
        `Somebody changed ${row.key} meanwhile. Nothing was changed; your words are still here.`,
        Object.keys(differing.after).map((field) => ({
          path: field,
          message: `${field}: you wrote “${differing.after[field]}”, it is now “${differing.before[field]}”`,
        })),
      );
    if (Object.keys(differing.after).length === 0) return { ok: true, key, version };
    await hall.update(table, eq(table.id, row.id), { ...columns, version: version + 1 } as never);
    await recordChange(hall, who, { entity: kind, entityId: row.id, action: "edited", ...differing });
    return { ok: true, key, version: version + 1 };
  });
}

/** Puts one plate on the scale: kept under what is written on it, over what was there before. */
export async function weighPlate(
  who: Who,
  { plateId, mark, mass }: { plateId: string; mark: string; mass: string },
): Promise<Outcome<{ mark: string }>> {
  if (!may(who, "bar.measure")) return forbidden("weigh plates");
  const read = readField({ kind: "mass", group: "identity", label: "mass", isRequired: true }, mass);
  const said = mark.trim();
  const problems = [
    ...(said === "" || said.length > 20
      ? [{ path: "mark", message: "Write what tells it from the others, up to 20 characters." }]
      : []),
    ...(read.ok ? [] : [{ path: "mass", message: `Mass: ${read.message}.` }]),
  ];
  if (problems.length > 0 || !read.ok) return failed("invalid", "Nothing was kept.", problems);
  const typed = read.value as TypedQuantity;
  return inTransaction(database(), who.hallId, async (hall) => {
    const plate = await hall.first(plates, { where: eq(plates.id, plateId), forUpdate: true });
    if (!plate) return notFound("such plate");
    const where = and(eq(plateWeights.plateId, plateId), eq(plateWeights.mark, said));
    const before = await hall.first(plateWeights, { where });
    const columns = {
      massValue: typed.value,
      massUnit: typed.unit,
      massUnits: massUnitsFromKg(convertTyped(typed)),
      weighedBy: who.personId,
      weighedAt: new Date(),
    };
    if (before) await hall.update(plateWeights, where, columns);
    else await hall.insert(plateWeights, { plateId, mark: said, ...columns });
    await recordChange(hall, who, {
      entity: "plate",
      entityId: plateId,
      action: `weighed ${said}`,
      before: before && { mass: `${trimNumeric(before.massValue)} ${before.massUnit}` },
      after: { mass: `${typed.value} ${typed.unit}` },
    });
    return { ok: true, mark: said };
  });
}

/** By plate: its single weights, the nearest paired. */
export async function platePairings(who: Who): Promise<Map<string, Pairing>> {
  const rows = await hallDb(who).rows(plateWeights, { orderBy: [asc(plateWeights.mark)] });
  return new Map([...groupBy(rows, ({ plateId }) => plateId)].map(([id, own]) => [id, pairPlates(own)]));
}
