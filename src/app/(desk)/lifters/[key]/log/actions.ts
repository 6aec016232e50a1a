"use server";

import { revalidatePath } from "next/cache";
import { requestContext } from "@/server/access";
import type { Outcome } from "@/server/kit";
import { addSets, deleteSets, editSet, importSets, lifterByKey, type SetsForm, undoLog } from "@/server/logbook";
import { type FormState, refusedBy } from "@/ui/kit/formState";

const FIELDS = ["lifter", "lift", "tag", "on", "lines", "setting", "variant", "note"] as const;

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

function setsOf(form: FormData): { sets: SetsForm; typed: Record<string, string> } {
  const texts = Object.fromEntries(FIELDS.map((name) => [name, textOf(form, name)])) as Record<
    (typeof FIELDS)[number],
    string
  >;
  const handsHelped = form.get("handsHelped") === "on";
  return {
    sets: { ...texts, handsHelped, isSure: form.get("isSure") === "on" },
    typed: { ...texts, handsHelped: handsHelped ? "on" : "" },
  };
}

function stateOf(result: Outcome<object>, message: string, typed: Record<string, string> = {}): FormState {
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message, problems: [], typed: {} };
}

const NOBODY: FormState = { status: "refused", message: "There is no such lifter.", problems: [], typed: {} };

/** Adds sets that somebody typed. */
export async function addSetsAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const { sets, typed } = setsOf(form);
  const result = await addSets(context, sets);
  const count = result.ok ? result.added : 0;
  return stateOf(result, `${count} ${count === 1 ? "set" : "sets"} added.`, typed);
}

/** Changes one set. */
export async function editSetAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const { sets, typed } = setsOf(form);
  return stateOf(await editSet(context, textOf(form, "id"), Number(form.get("version")), sets), "Saved.", typed);
}

/** Deletes one set. */
export async function deleteSetAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const lifter = await lifterByKey(context, textOf(form, "lifter"));
  return lifter ? stateOf(await deleteSets(context, lifter.id, [textOf(form, "id")]), "Deleted.") : NOBODY;
}

/** Undoes the latest change of a log. */
export async function undoLogAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const lifter = await lifterByKey(context, textOf(form, "lifter"));
  return lifter ? stateOf(await undoLog(context, lifter.id, textOf(form, "changeId")), "Undone.") : NOBODY;
}

/** Looks at a file of sets, or imports it. */
export async function importSetsAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const text = textOf(form, "text");
  const isDry = form.get("step") !== "import";
  const result = await importSets(context, {
    ...{ lifter: textOf(form, "lifter"), text, isDry, isSure: form.get("isSure") === "on" },
  });
  if (!result.ok) return refusedBy(result, { checked: text });
  const { sets, known, lifts, from, to, surprises } = result.import;
  if (!isDry) revalidatePath("/", "layout");
  const left = known > 0 ? ` ${known} ${known === 1 ? "is" : "are"} in the log already.` : "";
  return {
    status: "done",
    message: isDry
      ? `${sets} new ${sets === 1 ? "set" : "sets"} of ${lifts.length} ${lifts.length === 1 ? "lift" : "lifts"}, ${from} to ${to}.${left}`
      : `${sets} ${sets === 1 ? "set" : "sets"} imported.${left}`,
    problems: isDry ? surprises.map((message) => ({ path: "isSure", message })) : [],
    typed: isDry ? { checked: text, sets: String(sets) } : {},
  };
}
