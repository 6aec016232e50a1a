import "server-only";
import { asc } from "drizzle-orm";
import { groupBy } from "@/core/collections/groupBy";
import type { EquipmentKind } from "@/core/equipment/equipmentFields";
import type { FileEquipment } from "@/core/hallFileParts";
import { plateWeights } from "@/data/schema";
import type { Context } from "@/server/access";
import {
  type AnyRow,
  type ClampRow,
  EQUIPMENT_KINDS,
  EQUIPMENT_TABLES,
  type PlateRow,
  equipmentTexts,
  massText,
  readWeight,
  writeWeight,
} from "@/server/equipment";
import { diffRows } from "../listPart";
import type { Difference, FilePart } from "../part";

export const platesPart = partOf("plates", "plate");
export const clampsPart = partOf("clamps", "clamp");
export const stationsPart = partOf("stations", "station");

function partOf<K extends "plates" | "clamps" | "stations">(key: K, kind: EquipmentKind): FilePart<K> {
  return {
    key,
    read: (context) => read(context, kind),
    diff: (context, incoming) => diff(context, kind, incoming),
  };
}

/** Everything of one kind, by short name; of plates also what was weighed one by one. */
async function read({ hall }: Context, kind: EquipmentKind): Promise<FileEquipment[]> {
  const table = EQUIPMENT_TABLES[kind];
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

async function diff(context: Context, kind: EquipmentKind, incoming: readonly FileEquipment[]): Promise<Difference> {
  const { hall } = context;
  const rows = (await hall.rows(EQUIPMENT_TABLES[kind])) as AnyRow[];
  if (kind !== "plate") return diffRows(context, EQUIPMENT_KINDS[kind], { rows, incoming });
  const weighed = groupBy(await hall.rows(plateWeights), ({ plateId }) => plateId);
  return diffRows(context, EQUIPMENT_KINDS[kind], {
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
