"use server";

import { revalidatePath } from "next/cache";
import { EQUIPMENT_FIELDS } from "@/core/equipment/equipmentFields";
import { saveEquipment, weighPlate } from "@/server/equipment";
import { requestContext } from "@/server/access";
import { type FormState, refusedBy } from "@/ui/kit/formState";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

/** Enters or changes a plate, clamp or station. */
export async function saveAction(_before: FormState, form: FormData): Promise<FormState> {
  const kind = (["plate", "clamp", "station"] as const).find((one) => one === form.get("equipment")) ?? "plate";
  const typed = Object.fromEntries(Object.keys(EQUIPMENT_FIELDS[kind]).map((key) => [key, textOf(form, key)]));
  const id = textOf(form, "id") || null;
  const result = await saveEquipment(await requestContext(), kind, {
    id,
    version: Number(form.get("version")),
    texts: typed,
  });
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: `${result.key} saved.`, problems: [], typed: {} };
}

/** Keeps the mass of one plate. */
export async function weighAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = { mark: textOf(form, "mark"), mass: textOf(form, "mass") };
  const result = await weighPlate(await requestContext(), { plateId: textOf(form, "plateId"), ...typed });
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: `${result.mark} saved.`, problems: [], typed: {} };
}
