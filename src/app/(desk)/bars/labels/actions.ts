"use server";

import { revalidatePath } from "next/cache";
import { requestContext } from "@/server/access";
import { saveLabelRules } from "@/server/rules";
import { FAMILY_KEYS } from "@/core/bars/families";
import { type FormState, refusedBy } from "@/ui/kit/formState";

/** Saves the colours of the families. */
export async function coloursAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = Object.fromEntries([...form.entries()].map(([key, value]) => [key, String(value)]));
  // A colour field is never empty: the tick beside it says whether the family has one.
  const colours = Object.fromEntries(
    FAMILY_KEYS.map((family) => [family, typed[`has-${family}`] ? (typed[family] ?? "") : ""]),
  );
  const result = await saveLabelRules(context, colours, Number(typed.version));
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}
