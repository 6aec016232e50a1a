import "server-only";
import { asc } from "drizzle-orm";
import { groupBy } from "@/core/collections/groupBy";
import type { EquipmentKind } from "@/core/equipment/equipmentFields";
import type { FileEquipment } from "@/core/hallFileParts";
import type { HallDb } from "@/data/hallDb";
import { plateWeights } from "@/data/schema";
import type { Context } from "@/server/access";
import {
  type AnyRow,
  type ClampRow,
  KINDS,
  type PlateRow,
  TABLES,
  equipmentTexts,
  massText,
  readWeight,
  writeWeight,
} from "@/server/equipment";
import { prepareRows } from "../listPart";
import type { PreparedPart } from "../part";

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
