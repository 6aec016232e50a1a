"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { LIFTER_FIELDS } from "@/core/matching/lifterFields";
import { isHallDay } from "@/core/units/hallDay";
import { confirmLifter, eraseLifter, noteBarUse, saveLifter } from "@/server/lifters";
import type { Outcome } from "@/server/kit";
import { requestContext } from "@/server/access";
import { type FormState, refusedBy } from "@/ui/kit/formState";
import { formTexts } from "@/ui/kit/formTexts";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

function stateOf(result: Outcome<object>, message: string, typed: Record<string, string> = {}): FormState {
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message, problems: [], typed: {} };
}

/** Enters or changes a lifter; a new one opens at once, as does one with another short name. */
export async function saveLifterAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = formTexts(form, LIFTER_FIELDS);
  const id = textOf(form, "id") || null;
  const result = await saveLifter(await requestContext(), { id, version: Number(form.get("version")), texts: typed });
  if (!result.ok) return stateOf(result, "", typed);
  revalidatePath("/", "layout");
  redirect(`/lifters/${result.key}`);
}

/** Keeps what a coach confirms. */
export async function confirmAction(_before: FormState, form: FormData): Promise<FormState> {
  const confirmed = form.getAll("confirmed").map(String);
  return stateOf(await confirmLifter(await requestContext(), textOf(form, "lifter"), confirmed), "Kept.");
}

/** Notes the use of a bar. */
export async function noteUseAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = { tag: textOf(form, "tag"), usedOn: textOf(form, "usedOn"), setting: textOf(form, "setting") };
  if (!isHallDay(typed.usedOn))
    return { status: "refused", message: "Give the day as YYYY-MM-DD.", problems: [], typed };
  const result = await noteBarUse(context, { lifter: textOf(form, "lifter"), ...typed });
  return stateOf(result, `${typed.tag} noted.`, typed);
}

/** Erases a person. */
export async function eraseAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  if (!form.get("sure")) return { status: "refused", message: "Tick the box first.", problems: [], typed: {} };
  const result = await eraseLifter(context, textOf(form, "lifter"));
  if (!result.ok) return stateOf(result, "");
  revalidatePath("/", "layout");
  redirect("/lifters");
}
