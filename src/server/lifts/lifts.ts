import "server-only";
import { asc } from "drizzle-orm";
import { cache } from "react";
import { fieldTexts } from "@/core/bars/fieldText";
import { LIFT_FIELDS } from "@/core/matching/liftFields";
import type { Lift } from "@/core/matching/lifts";
import { lifts } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { type FieldKind, type Outcome, forbidden, saveRow } from "@/server/kit";

export type LiftRow = typeof lifts.$inferSelect;

/** A lift as the computation sees it. The check constraints and the edge hold the words to the ones the core knows. */
export function liftOf(row: LiftRow): Lift {
  const { key, name, supportHalfSpacingMm, isCentreScraped, prerequisite, usualKg } = row;
  return {
    key,
    name,
    like: row.like as Lift["like"],
    speed: row.speed,
    start: row.start,
    ending: row.ending,
    contact: row.contact,
    supportHalfSpacingMm,
    isCentreScraped,
    prerequisite,
    usualKg,
  };
}

/** Every lift of the hall, in the order people list them; read once a request. */
export const allLifts = cache(async (context: Context): Promise<LiftRow[]> =>
  context.hall.rows(lifts, { orderBy: [asc(lifts.listOrder), asc(lifts.key)] }),
);

export const LIFT_KIND: FieldKind<LiftRow> = {
  entity: "lift",
  table: lifts,
  defs: LIFT_FIELDS,
  columnsOf: (values) => values,
  textsOf: liftTexts,
  check: (values) => {
    values.isCentreScraped = values.isCentreScraped === true;
    return /^[a-z0-9-]+$/.test(String(values.key))
      ? []
      : [{ path: "key", message: "short name: small letters, digits and hyphens, as pause-squat" }];
  },
};

/** A lift as texts by field. */
export function liftTexts(row: LiftRow): Record<string, string> {
  return fieldTexts(LIFT_FIELDS, row);
}

/** A new lift stands after those that are there. */
export const newLiftKind = (rows: readonly LiftRow[]): FieldKind<LiftRow> => {
  let listOrder = Math.max(0, ...rows.map((one) => one.listOrder));
  return { ...LIFT_KIND, columnsOf: (values) => ({ ...values, listOrder: (listOrder += 1) }) };
};

/** Enters or changes a lift. The short name of a usual lift is part of the public interface and stays. */
export async function saveLift(
  context: Context,
  form: { id: string | null; version: number; texts: Record<string, string> },
): Promise<Outcome<{ key: string; version: number }>> {
  if (!may(context, "lift.edit")) return forbidden("change lifts");
  const rows = await allLifts(context);
  const row = rows.find(({ id }) => id === form.id);
  // Programs and meeting rules name lifts by their short names: they never change.
  const texts = row ? { ...form.texts, key: row.key } : form.texts;
  return saveRow(context, row ? LIFT_KIND : newLiftKind(rows), { ...form, texts });
}
