import "server-only";
import { and, asc, eq } from "drizzle-orm";
import { EQUIPMENT_FIELDS, type EquipmentKind } from "@/core/equipment/equipmentFields";
import { fieldTexts, readField, type FieldValue } from "@/core/bars/fieldText";
import { pairPlates, type Pairing } from "@/core/equipment/pairPlates";
import { differingTexts } from "@/core/bars/barRecord";
import { groupBy } from "@/core/collections/groupBy";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { convertTyped, type TypedQuantity, type Unit } from "@/core/units/typedQuantity";
import { trimNumeric } from "@/data/barRecordRows";
import { database } from "@/data/client";
import { inTransaction, type HallDb } from "@/data/hallDb";
import { clamps, plates, plateWeights, stations } from "@/data/schema";
import type { ClampRow, PlateRow, StationRow } from "./equipment";
import { readRow, saveRow, writeRow, type FieldKind, type Values } from "./fieldRows";
import { recordChange } from "./history";
import type { ImportReport, PreparedPart } from "./barImport";
import { failed, forbidden, notFound, type Outcome, type Problem } from "./outcome";
import { may } from "./permissions";
import { hallDb, type Who } from "./who";

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
  who: Who,
  kind: EquipmentKind,
  form: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ key: string; version: number }>> {
  return may(who, "equipment.edit") ? saveRow(who, KINDS[kind], form) : forbidden("change plates, clamps and stations");
}

/** A plate, clamp or station as files carry it; of plates also what was weighed one by one. */
export interface FileEquipment {
  texts: Record<string, string>;
  weights?: { mark: string; mass: string }[];
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

/**
 * Reads plates, clamps or stations of a file against the hall's: a short name that is there is changed, others are
 * new, and what the file does not name stays.
 */
export async function prepareEquipment(
  hall: HallDb,
  who: Who,
  kind: EquipmentKind,
  incoming: readonly FileEquipment[],
): Promise<PreparedPart> {
  const table = TABLES[kind];
  const [rows, weighed] = [await hall.rows(table), kind === "plate" ? await hall.rows(plateWeights) : []];
  const problems: Problem[] = [];
  const report: ImportReport = { added: 0, changed: 0, unchanged: 0, changes: [] };
  const writes: (() => Promise<void>)[] = [];
  const seen = new Set<string>();
  incoming.forEach(({ texts, weights = [] }, i) => {
    const line = i + 1;
    const row = rows.find(({ key }) => key === texts.key?.trim()) ?? null;
    const before = row ? equipmentTexts(kind, row as PlateRow) : {};
    const read = readRow(KINDS[kind], { ...before, ...texts });
    const say = ({ path, message }: Problem) => problems.push({ path: `${kind} ${line}, ${path}`, message });
    if (!read.ok) return read.problems.forEach(say);
    const key = String(read.values.key);
    if (seen.has(key)) say({ path: "key", message: `short name: ${key} stands here twice` });
    seen.add(key);
    const own = weighed.filter(({ plateId }) => plateId === row?.id);
    const fresh = weights.flatMap(({ mark, mass }) => {
      const typed = readWeight(mark, mass);
      if (!typed.ok) return (typed.problems.forEach(say), []);
      const known = own.find((one) => one.mark === typed.mark);
      return known && massText(known) === `${typed.mass.value} ${typed.mass.unit}` ? [] : [typed];
    });
    const differing = differingTexts(before, fieldTexts(EQUIPMENT_FIELDS[kind], read.values)).after;
    const words = [...Object.keys(differing), ...fresh.map(({ mark }) => `weight of ${mark}`)];
    if (row && words.length === 0) return void (report.unchanged += 1);
    report[row ? "changed" : "added"] += 1;
    report.changes.push({ line, tag: key, what: row ? words.join(", ") : `new ${kind}` });
    writes.push(async () => {
      const { id } = await writeRow(hall, who, KINDS[kind], { row, values: read.values, reason: "from a file" });
      for (const { mark, mass } of fresh) await writeWeight(hall, who, id, mark, mass);
    });
  });
  return {
    problems,
    report,
    write: async () => {
      for (const one of writes) await one();
    },
  };
}

/** Puts one plate on the scale: kept under what is written on it, over what was there before. */
export async function weighPlate(
  who: Who,
  { plateId, mark, mass }: { plateId: string; mark: string; mass: string },
): Promise<Outcome<{ mark: string }>> {
  if (!may(who, "bar.measure")) return forbidden("weigh plates");
  const read = readWeight(mark, mass);
  if (!read.ok) return failed("invalid", "Nothing was kept.", read.problems);
  return inTransaction(database(), who.hallId, async (hall) => {
    const plate = await hall.first(plates, { where: eq(plates.id, plateId), forUpdate: true });
    if (!plate) return notFound("such plate");
    await writeWeight(hall, who, plateId, read.mark, read.mass);
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

async function writeWeight(hall: HallDb, who: Who, plateId: string, mark: string, mass: TypedQuantity): Promise<void> {
  const where = and(eq(plateWeights.plateId, plateId), eq(plateWeights.mark, mark));
  const before = await hall.first(plateWeights, { where });
  const columns = {
    massValue: mass.value,
    massUnit: mass.unit,
    massUnits: massUnitsFromKg(convertTyped(mass)),
    weighedBy: who.personId,
    weighedAt: new Date(),
  };
  if (before) await hall.update(plateWeights, where, columns);
  else await hall.insert(plateWeights, { plateId, mark, ...columns });
  await recordChange(hall, who, {
    entity: "plate",
    entityId: plateId,
    action: `weighed ${mark}`,
    before: before && { mass: massText(before) },
    after: { mass: `${mass.value} ${mass.unit}` },
  });
}

/** By plate: its single weights, the nearest paired. */
export async function platePairings(who: Who): Promise<Map<string, Pairing>> {
  const rows = await hallDb(who).rows(plateWeights, { orderBy: [asc(plateWeights.mark)] });
  return new Map([...groupBy(rows, ({ plateId }) => plateId)].map(([id, own]) => [id, pairPlates(own)]));
}
