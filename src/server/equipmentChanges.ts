import "server-only";
import type { FileEquipment } from "@/core/hallFileParts";
import { and, asc, eq } from "drizzle-orm";
import { EQUIPMENT_FIELDS, type EquipmentKind } from "@/core/equipment/equipmentFields";
import { fieldTexts, readField, type FieldValue } from "@/core/bars/fieldText";
import { pairPlates, type Pairing } from "@/core/equipment/pairPlates";
import { groupBy } from "@/core/collections/groupBy";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { convertTyped, type TypedQuantity, type Unit } from "@/core/units/typedQuantity";
import { trimNumeric } from "@/data/barRecordRows";
import type { HallDb } from "@/data/hallDb";
import { clamps, plates, plateWeights, stations } from "@/data/schema";
import type { ClampRow, PlateRow, StationRow } from "./equipment";
import { prepareRows } from "./fieldFiles";
import { saveRow, type FieldKind, type Values } from "./fieldRows";
import { recordChange } from "./history";
import type { PreparedPart } from "./barImport";
import { failed, forbidden, notFound, type Outcome, type Problem } from "./outcome";
import { may } from "./access/permissions";
import { inTransaction, type Context } from "./access/context";

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

type AnyRow = PlateRow | ClampRow | StationRow;

const kindOf = (kind: EquipmentKind): FieldKind<AnyRow> => ({
  entity: kind,
  table: TABLES[kind],
  defs: EQUIPMENT_FIELDS[kind],
  columnsOf: (values) => columnsOf(kind, values),
  textsOf: (row) => equipmentTexts(kind, row),
  check: (values) => {
    // What nobody says may be dropped is not dropped.
    if (kind === "plate") values.isDropRated = values.isDropRated === true;
    const holes = values.jCupHoles as readonly string[] | null | undefined;
    return holes?.some((hole) => !/^\d{1,3}$/.test(hole))
      ? [{ path: "jCupHoles", message: "they sit in holes: whole numbers, one a line" }]
      : [];
  },
});

const KINDS = { plate: kindOf("plate"), clamp: kindOf("clamp"), station: kindOf("station") };

/** Enters or changes a plate, clamp or station; see `saveRow`. */
export async function saveEquipment(
  context: Context,
  kind: EquipmentKind,
  form: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ key: string; version: number }>> {
  return may(context, "equipment.edit")
    ? saveRow(context, KINDS[kind], form)
    : forbidden("change plates, clamps and stations");
}

/** Everything of one kind, as files carry it, by short name. */
export async function exportEquipment(hall: HallDb, kind: EquipmentKind): Promise<FileEquipment[]> {
  const table = TABLES[kind];
  const rows = await hall.rows(table, { orderBy: [asc(table.key)] });
  if (kind !== "plate") return rows.map((row) => ({ texts: equipmentTexts(kind, row as ClampRow) }));
  const weights = groupBy(
    await hall.rows(plateWeights, { orderBy: [asc(plateWeights.mark)] }),
    ({ plateId }) => plateId,
  );
  return rows.map((row) => ({
    texts: equipmentTexts(kind, row as PlateRow),
    weights: (weights.get(row.id) ?? []).map((one) => ({ mark: one.mark, mass: massText(one) })),
  }));
}

const massText = ({ massValue, massUnit }: { massValue: string; massUnit: string }) =>
  `${trimNumeric(massValue)} ${massUnit}`;

/** Reads plates, clamps or stations of a file against the hall's; see `prepareRows`. */
export async function prepareEquipment(
  context: Context,
  kind: EquipmentKind,
  incoming: readonly FileEquipment[],
): Promise<PreparedPart> {
  const { hall } = context;
  const rows = (await hall.rows(TABLES[kind])) as AnyRow[];
  if (kind !== "plate") return prepareRows(context, KINDS[kind], { rows, incoming });
  const weighed = groupBy(await hall.rows(plateWeights), ({ plateId }) => plateId);
  return prepareRows(context, KINDS[kind], {
    rows,
    incoming,
    more: ({ weights = [] }: FileEquipment, row) => {
      const own = weighed.get(row?.id ?? "") ?? [];
      const read = weights.map(({ mark, mass }) => readWeight(mark, mass));
      const fresh = read.flatMap((typed) => {
        if (!typed.ok) return [];
        const known = own.find((one) => one.mark === typed.mark);
        return known && massText(known) === `${typed.mass.value} ${typed.mass.unit}` ? [] : [typed];
      });
      return {
        problems: read.flatMap((typed) => (typed.ok ? [] : typed.problems)),
        words: fresh.map(({ mark }) => `weight of ${mark}`),
        write: async (id) => {
          for (const { mark, mass } of fresh) await writeWeight(context, id, mark, mass);
        },
      };
    },
  });
}

/** Puts one plate on the scale: kept under what is written on it, over what was there before. */
export async function weighPlate(
  context: Context,
  { plateId, mark, mass }: { plateId: string; mark: string; mass: string },
): Promise<Outcome<{ mark: string }>> {
  if (!may(context, "bar.measure")) return forbidden("weigh plates");
  const read = readWeight(mark, mass);
  if (!read.ok) return failed("invalid", "Nothing was kept.", read.problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const plate = await hall.first(plates, { where: eq(plates.id, plateId), forUpdate: true });
    if (!plate) return notFound("such plate");
    await writeWeight(context, plateId, read.mark, read.mass);
    return { ok: true, mark: read.mark };
  });
}

function readWeight(
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

async function writeWeight(context: Context, plateId: string, mark: string, mass: TypedQuantity): Promise<void> {
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
