"use server";

import { revalidatePath } from "next/cache";
import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import { saveClimate } from "@/server/care/planning";
import { saveKeepingRules, saveMeasuringRules } from "@/server/rules";
import { backUpNow, noteDrill } from "@/server/upkeep";
import { doorstep, requestContext } from "@/server/access";
import { gymOf, gymText, saveGym, saveOwnUnits } from "@/server/accounts";
import { type FormState, refusedBy } from "@/ui/kit/formState";

const YEAR_SECONDS = 31_536_000;

/** Saves the house's rules for measuring and comparing. */
export async function rulesAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = Object.fromEntries([...form.entries()].map(([key, value]) => [key, String(value)]));
  const result = await saveMeasuringRules(await requestContext(), typed, Number(typed.version));
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}

/** Chooses the air that care goes by where nothing is measured. */
export async function climateAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = Object.fromEntries([...form.entries()].map(([key, value]) => [key, String(value)]));
  const result = await saveClimate(await requestContext(), typed, Number(typed.version));
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved. Every due day follows.", problems: [], typed: {} };
}

/** Chooses light, dark, or whatever the device says. */
export async function themeAction(form: FormData): Promise<void> {
  const theme = String(form.get("theme") ?? "");
  const jar = await cookies();
  if (theme === "paper" || theme === "night") jar.set("theme", theme, { maxAge: YEAR_SECONDS, sameSite: "lax" });
  else jar.delete("theme");
  redirect("/settings");
}

/** Makes a backup now. */
export async function backUpAction(): Promise<FormState> {
  const result = await backUpNow(await requestContext());
  if (!result.ok) return refusedBy(result);
  revalidatePath("/", "layout");
  return { status: "done", message: "Backed up.", problems: [], typed: {} };
}

/** Notes that a restore was tried. */
export async function drillAction(): Promise<FormState> {
  const result = await noteDrill(await requestContext());
  if (!result.ok) return refusedBy(result);
  revalidatePath("/", "layout");
  return { status: "done", message: "Noted.", problems: [], typed: {} };
}

/** Saves how long what is kept. */
export async function keepingAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = Object.fromEntries([...form.entries()].map(([key, value]) => [key, String(value)]));
  const result = await saveKeepingRules(context, typed, Number(typed.version));
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}

/** Changes what the gym is called and how it counts. */
export async function gymAction(_before: FormState, form: FormData): Promise<FormState> {
  const [context, step] = [await requestContext(), await doorstep()];
  const typed = Object.fromEntries([...form.entries()].map(([key, value]) => [key, String(value)]));
  const { name = "", timeZone = "", massUnit = "", lengthUnit = "", locale = "", currency = "", was = "" } = typed;
  const result = await saveGym(
    context,
    step,
    { name, timeZone: timeZone.trim(), massUnit, lengthUnit, locale, currency },
    was,
  );
  if (!result.ok)
    // What stands now was shown: the next press goes by it.
    return refusedBy(result, { ...typed, ...(result.code === "stale" ? { now: gymText(gymOf(context)) } : {}) });
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}

/** Chooses in which units the person reads and types. */
export async function unitsAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = { massUnit: String(form.get("massUnit") ?? ""), lengthUnit: String(form.get("lengthUnit") ?? "") };
  const result = await saveOwnUnits(context, typed);
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}
