import "server-only";
import { type FieldValue, fieldTexts } from "@/core/bars/fieldText";
import { EQUIPMENT_FIELDS, type EquipmentKind } from "@/core/equipment/equipmentFields";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { type TypedQuantity, type Unit, convertTyped } from "@/core/units/typedQuantity";
import { trimNumeric } from "@/data/barRecordRows";
import { clamps, plates, stations } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { type FieldKind, type Outcome, type Values, forbidden, saveRow } from "@/server/kit";
import type { ClampRow, PlateRow, StationRow } from "./equipment";

export const EQUIPMENT_TABLES = { plate: plates, clamp: clamps, station: stations };

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

export type AnyRow = PlateRow | ClampRow | StationRow;

const kindOf = (kind: EquipmentKind): FieldKind<AnyRow> => ({
  entity: kind,
  table: EQUIPMENT_TABLES[kind],
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

export const EQUIPMENT_KINDS = { plate: kindOf("plate"), clamp: kindOf("clamp"), station: kindOf("station") };

/** Enters or changes a plate, clamp or station; see `saveRow`. */
export async function saveEquipment(
  context: Context,
  kind: EquipmentKind,
  form: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ key: string; version: number }>> {
  return may(context, "equipment.edit")
    ? saveRow(context, EQUIPMENT_KINDS[kind], form)
    : forbidden("change plates, clamps and stations");
}
