"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import type { BarState } from "@/core/bars/bar";
import { FAMILY_KEYS } from "@/core/bars/families";
import { BAR_FIELDS } from "@/core/bars/barFields";
import { ASPECT_KEYS } from "@/core/feel/barNote";
import { USE_PARTS } from "@/core/use/useCards";
import { changeBarState, editBar, enterBars, undoLastChange } from "@/server/bars";
import { requestContext } from "@/server/access";
import { saveNote } from "@/server/feel";
import { saveUseCard } from "@/server/rules";
import { type FormState, refusedBy } from "@/ui/kit/formState";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

/** Changes the state of a bar from its page. */
export async function stateAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = { state: textOf(form, "state"), reason: textOf(form, "reason") };
  const tag = textOf(form, "tag");
  const result = await changeBarState(context, {
    tag,
    state: typed.state as BarState,
    reason: typed.reason,
    version: Number(form.get("version")),
  });
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: `${tag} is now ${result.state.replace("-", " ")}.`, problems: [], typed: {} };
}

/** Takes the last change of a bar back. */
export async function undoAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await undoLastChange(await requestContext(), textOf(form, "tag"), textOf(form, "changeId"));
  if (!result.ok) return refusedBy(result);
  revalidatePath("/", "layout");
  return { status: "done", message: `Undone: ${result.what}.`, problems: [], typed: {} };
}

/** Changes what is kept of a bar; leads back to its page. */
export async function editAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await editBar(await requestContext(), textOf(form, "barId"), Number(form.get("version")), typed);
  if (!result.ok)
    return {
      status: "refused",
      message: result.message,
      problems: result.problems,
      typed,
      ...(result.stale ? { version: result.stale.version } : {}),
    };
  revalidatePath("/", "layout");
  redirect(`/bars/${encodeURIComponent(result.tag)}`);
}

/** Enters one bar, or several of a kind; leads to the first. */
export async function enterAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const tags = (typed.tag ?? "").split(/[\s,;]+/).filter(Boolean);
  const result = await enterBars(await requestContext(), typed, tags);
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  redirect(
    result.tags.length === 1
      ? `/bars/${encodeURIComponent(result.tags[0]!)}`
      : `/bars?q=${encodeURIComponent(typed.name ?? "")}`,
  );
}

/** The texts of a bar's form by field; hidden fields that steer the form are left out. */
function textsOf(form: FormData): Record<string, string> {
  return Object.fromEntries(
    [...form.entries()].flatMap(([key, value]) =>
      typeof value === "string" && (key in BAR_FIELDS || key.startsWith("stated.")) ? [[key, value]] : [],
    ),
  );
}

/** Saves how bars of a family are used, or brings our lines back. */
export async function usageAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const family = FAMILY_KEYS.find((key) => key === textOf(form, "family"));
  const texts = Object.fromEntries(USE_PARTS.map((part) => [part, textOf(form, part)]));
  if (!family) return { status: "refused", message: "Not saved: no such family.", problems: [], typed: texts };
  const result = await saveUseCard(context, family, form.has("reset") ? null : texts, Number(form.get("version")));
  if (!result.ok) return refusedBy(result, texts);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}

/** Notes how a bar feels to a lifter, or to whoever asks. */
export async function noteAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = Object.fromEntries(
    [...ASPECT_KEYS, "stage", "lifter", "wouldUseAgain", "wouldBuyAgain", "words"].map((name) => [
      name,
      textOf(form, name),
    ]),
  );
  const result = await saveNote(context, {
    tag: textOf(form, "tag"),
    lifter: typed.lifter || null,
    texts: typed,
    version: Number(form.get("version")),
  });
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}
