import "server-only";
import { asc, eq } from "drizzle-orm";
import { cache } from "react";
import { fieldTexts } from "@/core/bars/fieldText";
import { CARE_TASK_FIELDS, opensSleeve } from "@/core/care/careTaskFields";
import type { CareTaskRow } from "@/data/carePlanRows";
import { careTasks } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type FieldKind, type Outcome, failed, forbidden, saveRow } from "@/server/kit";
import { replanCare } from "./planCare";

/** What is done to bars in this hall, in the order people list it. */
export const careTasksOf = cache((context: Context): Promise<CareTaskRow[]> =>
  context.hall.rows(careTasks, { orderBy: [asc(careTasks.listOrder)] }),
);

export const CARE_TASK_KIND: FieldKind<CareTaskRow> = {
  entity: "care task",
  table: careTasks,
  defs: CARE_TASK_FIELDS,
  columnsOf: (values) => values,
  textsOf: careTaskTexts,
  check: (values) => {
    const lines = [...((values.steps as readonly string[] | null) ?? []), String(values.name ?? "")];
    return lines.some(opensSleeve)
      ? [
          {
            path: "steps",
            message:
              "opening a sleeve is skilled work and may void the warranty: Garrison never schedules it. Ask the maker",
          },
        ]
      : [];
  },
};

/** A task as texts by field. */
export function careTaskTexts(row: CareTaskRow): Record<string, string> {
  return fieldTexts(CARE_TASK_FIELDS, row);
}

/** Changes a task; every due day follows. Which tasks there are, and on which bars, follows from the families. */
export async function saveCareTask(
  context: Context,
  form: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ key: string; version: number }>> {
  if (!may(context, "rule.edit")) return forbidden("change care tasks");
  const row = form.id ? await context.hall.first(careTasks, { where: eq(careTasks.id, form.id) }) : null;
  if (!row) return failed("not-found", "There is no such task.");
  return inTransaction(context, async (context) => {
    const result = await saveRow(context, CARE_TASK_KIND, { ...form, texts: { ...form.texts, key: row.key } });
    if (result.ok) await replanCare(context);
    return result;
  });
}
