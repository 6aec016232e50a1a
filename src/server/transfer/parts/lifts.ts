import "server-only";
import type { FileRow } from "@/core/hallFileParts";
import { lifts } from "@/data/schema";
import type { Context } from "@/server/access";
import type { FieldKind } from "@/server/kit";
import { KIND, type LiftRow, after, allLifts, liftTexts } from "@/server/lifts";
import { prepareRows } from "../listPart";
import type { PreparedPart } from "../part";

/** Every lift as files carry it, in the order people list them. */
export const exportLifts = async (context: Context): Promise<FileRow[]> =>
  (await allLifts(context)).map((row) => ({ texts: liftTexts(row) }));

/** Reads lifts of a file against the hall's; a lift that is there keeps its place in the list. */
export async function prepareLifts(context: Context, incoming: readonly FileRow[]): Promise<PreparedPart> {
  const { hall } = context;
  const rows = await hall.rows(lifts);
  const known = new Set(rows.map(({ key }) => key));
  const fresh = after(rows);
  const kind: FieldKind<LiftRow> = {
    ...KIND,
    columnsOf: (values) => (known.has(String(values.key)) ? KIND : fresh).columnsOf(values),
  };
  return prepareRows(context, kind, { rows, incoming });
}
