"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { doorstep, requestContext } from "@/server/access";
import { eraseOwn, saveOwnComfort, saveOwnNote } from "@/server/own";
import type { FormState } from "@/ui/kit/formState";
import { refusedAtDoor, textsOf } from "../../(doors)/doorActions";

/** Corrects or withdraws one's own words. */
export async function comfortAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = textsOf(form);
  const isWithdrawn = typed.withdraw === "yes";
  const result = await saveOwnComfort(context, {
    version: Number(typed.version),
    limits: isWithdrawn ? [] : form.getAll("limits").map(String),
    comfortNote: isWithdrawn ? "" : (typed.comfortNote ?? ""),
  });
  if (!result.ok) return refusedAtDoor(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: isWithdrawn ? "Withdrawn." : "Saved.", problems: [], typed: {} };
}

/** Erases whoever asks. */
export async function eraseMeAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  if (form.get("sure") !== "yes") return { status: "refused", message: "Tick the box first.", problems: [], typed: {} };
  const result = await eraseOwn(context, await doorstep());
  if (!result.ok) return refusedAtDoor(result, {});
  revalidatePath("/", "layout");
  redirect("/sign-in");
}

/** Says how a bar feels to whoever asks. */
export async function ownNoteAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = textsOf(form);
  const result = await saveOwnNote(context, { tag: typed.tag ?? "", texts: typed, version: Number(typed.version) });
  if (!result.ok) return refusedAtDoor(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}
