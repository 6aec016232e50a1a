import "server-only";
import { lifts } from "@/data/schema";
import type { FieldKind } from "@/server/kit";
import { LIFT_KIND, type LiftRow, allLifts, liftTexts, newLiftKind } from "@/server/lifts";
import { diffRows } from "../listPart";
import type { FilePart } from "../part";

/** Lifts in the order people list them; a lift that is there keeps its place in the list. */
export const liftsPart: FilePart<"lifts"> = {
  key: "lifts",
  read: async (context) => (await allLifts(context)).map((row) => ({ texts: liftTexts(row) })),
  diff: async (context, incoming) => {
    const rows = await context.hall.rows(lifts);
    const known = new Set(rows.map(({ key }) => key));
    const fresh = newLiftKind(rows);
    const kind: FieldKind<LiftRow> = {
      ...LIFT_KIND,
      columnsOf: (values) => (known.has(String(values.key)) ? LIFT_KIND : fresh).columnsOf(values),
    };
    return diffRows(context, kind, { rows, incoming });
  },
};
