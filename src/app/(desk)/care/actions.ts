"use server";

import { revalidatePath } from "next/cache";
import { tickCare, undoCare } from "@/server/care";
import { whoIsAsking } from "@/server/who";
import type { FormState } from "@/ui/kit/formState";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

/** Marks one task on one bar as done. */
export async function tickAction(_before: FormState, form: FormData): Promise<FormState> {
  const at = String(Date.now());
  const tag = textOf(form, "tag");
  const result = await tickCare(await whoIsAsking(), {
    tag,
    task: textOf(form, "task"),
    doneBy: textOf(form, "doneBy"),
    doneOn: textOf(form, "doneOn"),
    note: textOf(form, "note"),
    idempotencyKey: textOf(form, "idempotencyKey"),
  });
  if (!result.ok) return { status: "refused", message: result.message, problems: result.problems, typed: { at } };
  revalidatePath("/", "layout");
  return {
    status: "done",
    message: `${tag} done. Due again on ${result.dueOn}.`,
    problems: [],
    typed: { at, logId: result.logId },
  };
}

/** Takes one tick back. */
export async function undoAction(_before: FormState, form: FormData): Promise<FormState> {
  const at = String(Date.now());
  const result = await undoCare(await whoIsAsking(), textOf(form, "logId"));
  if (!result.ok) return { status: "refused", message: result.message, problems: result.problems, typed: { at } };
  revalidatePath("/", "layout");
  return { status: "done", message: `Taken back. Due on ${result.dueOn} again.`, problems: [], typed: { at } };
}
