"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import QRCode from "qrcode";
import { LIFTER_FIELDS } from "@/core/matching/lifterFields";
import { isHallDay } from "@/core/units/hallDay";
import { invite } from "@/server/accounts";
import { confirmLifter, eraseLifter, linkPerson, listLifters, noteBarUse, saveLifter } from "@/server/lifters";
import type { Outcome } from "@/server/kit";
import { doorstep, requestContext } from "@/server/access";
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
  return stateOf(await confirmLifter(await requestContext(), textOf(form, "lifter"), confirmed), "Saved.");
}

/** Notes the use of a bar. */
export async function noteUseAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const typed = { tag: textOf(form, "tag"), usedOn: textOf(form, "usedOn"), setting: textOf(form, "setting") };
  if (!isHallDay(typed.usedOn)) return { status: "refused", message: "Choose a day.", problems: [], typed };
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

/** Links a person who signs in with a lifter, or takes that back. */
export async function linkPersonAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const person = textOf(form, "personId") || null;
  return stateOf(await linkPerson(context, textOf(form, "lifter"), person), person ? "Linked." : "Unlinked.");
}

/** Invites a lifter to sign in: a person with their name and role, linked at once. */
export async function inviteLifterAction(_before: FormState, form: FormData): Promise<FormState> {
  const [context, step] = [await requestContext(), await doorstep()];
  const key = textOf(form, "lifter");
  const row = (await listLifters(context)).find((one) => one.key === key);
  if (!row) return { status: "refused", message: "There is no such lifter.", problems: [], typed: {} };
  const invited = await invite(context, step, { name: row.name, role: "lifter", email: textOf(form, "email") });
  if (!invited.ok) return stateOf(invited, "");
  const linked = await linkPerson(context, key, invited.personId);
  if (!linked.ok) return stateOf(linked, "");
  revalidatePath("/", "layout");
  const { address } = invited;
  const picture = await QRCode.toDataURL(address, { errorCorrectionLevel: "M", margin: 1, width: 352 });
  return {
    status: "done",
    message: "Shown once. It works once, for seven days.",
    problems: [],
    typed: { address, picture },
  };
}
