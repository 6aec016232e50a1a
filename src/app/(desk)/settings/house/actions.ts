"use server";

import { revalidatePath } from "next/cache";
import { RULE_NUMBER_KEYS } from "@/core/matching/houseRules";
import { POLICY_KEYS } from "@/core/matching/policies";
import { previewRules, saveMatchingRules } from "@/server/matching";
import { saveSteadiness, saveStrengthRules } from "@/server/rules";
import { requestContext } from "@/server/access";
import { type FormState, refusedBy } from "@/ui/kit/formState";
import type { Preview } from "@/ui/settings/HouseForm";

const textsOf = (form: FormData) =>
  Object.fromEntries([...RULE_NUMBER_KEYS, ...POLICY_KEYS].map((key) => [key, String(form.get(key) ?? "")]));

/** Which verdicts the form would flip; nothing is kept. */
export async function previewAction(form: FormData): Promise<Preview> {
  const result = await previewRules(await requestContext(), textsOf(form));
  return result.ok
    ? result
    : { ok: false, message: [result.message, ...result.problems.map(({ message }) => message)].join(" ") };
}

/** Keeps the house's rules. */
export async function houseAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await saveMatchingRules(await requestContext(), typed, Number(form.get("version")));
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}

/** Saves how strength is estimated. */
export async function strengthAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = Object.fromEntries([...form.entries()].map(([key, value]) => [key, String(value).slice(0, 40)]));
  const result = await saveStrengthRules(context, typed, Number(typed.version));
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}

/** Saves how steady kinds of bars feel here. */
export async function steadinessAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const order = form.getAll("kind").map(String);
  const result = await saveSteadiness(context, order, Number(form.get("version")));
  if (!result.ok) return refusedBy(result, {});
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}
