"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import {
  addEntry,
  assignTonight,
  type ClassMove,
  lockEntry,
  moveInClass,
  reassignTonight,
  saveBrushDuty,
  removeEntry,
  saveClass,
  weighMove,
} from "@/server/classes";
import type { Outcome } from "@/server/kit";
import { requestContext } from "@/server/access";
import { type FormState, refusedBy } from "@/ui/kit/formState";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

function stateOf(result: Outcome<object>, message: string, typed: Record<string, string> = {}): FormState {
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message, problems: [], typed: {} };
}

/** Enters or changes a class and opens it. */
export async function classAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = Object.fromEntries([...form.entries()].map(([name, value]) => [name, String(value)]));
  const capacities = Object.fromEntries(
    Object.entries(typed).flatMap(([name, value]) =>
      name.startsWith("capacity.") ? [[name.slice("capacity.".length), value]] : [],
    ),
  );
  const result = await saveClass(await requestContext(), {
    id: textOf(form, "id") || null,
    version: Number(form.get("version")),
    name: textOf(form, "name"),
    heldOn: textOf(form, "heldOn"),
    startsAt: textOf(form, "startsAt"),
    blocks: textOf(form, "blocks"),
    blockMinutes: textOf(form, "blockMinutes"),
    capacities,
  });
  if (!result.ok) return stateOf(result, "", typed);
  revalidatePath("/", "layout");
  redirect(`/classes/${result.id}`);
}

/** Puts a lifter's lift in. */
export async function addEntryAction(_before: FormState, form: FormData): Promise<FormState> {
  const entry = {
    classId: textOf(form, "classId"),
    lifter: textOf(form, "lifter"),
    lift: textOf(form, "lift"),
    load: textOf(form, "load"),
    purpose: textOf(form, "purpose"),
  };
  return stateOf(await addEntry(await requestContext(), entry), "Added.");
}

/** Fixes or frees a choice, or takes the entry out. */
export async function lockAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const [classId, entryId] = [textOf(form, "classId"), textOf(form, "entryId")];
  if (form.get("remove")) return stateOf(await removeEntry(context, classId, entryId), "Removed.");
  const pin = (before: "" | "was.") => ({
    block: textOf(form, `${before}block`) ? Number(form.get(`${before}block`)) : null,
    station: textOf(form, `${before}station`) || null,
    tag: textOf(form, `${before}tag`) || null,
  });
  const result = await lockEntry(context, classId, entryId, pin(""), pin("was."));
  return stateOf(result, "");
}

/** Works the class out and keeps the plan. */
export async function assignAction(_before: FormState, form: FormData): Promise<FormState> {
  return stateOf(await assignTonight(await requestContext(), textOf(form, "classId")), "");
}

/** Works a class out again of which something broke, changing as little as possible. */
export async function reassignAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await reassignTonight(await requestContext(), textOf(form, "classId"));
  if (!result.ok) return stateOf(result, "");
  const { plan, moved } = result;
  const nowhere = plan.entries.filter(({ block }) => block === null).length;
  return stateOf(
    result,
    [
      "Reassigned.",
      moved === 0 ? "Nobody else moved." : `${moved} other ${moved === 1 ? "lift" : "lifts"} moved.`,
      ...(nowhere > 0 ? [`${nowhere} unassigned.`] : []),
    ].join(" "),
  );
}

/** What a person or a bar put elsewhere on the board costs; or puts it there, when `isMove` is set. */
export async function moveAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const classId = textOf(form, "classId");
  const where = { block: Number(form.get("block")), station: textOf(form, "station") };
  const move: ClassMove = form.get("tag")
    ? { kind: "bar", tag: textOf(form, "tag"), ...where }
    : { kind: "person", entryId: textOf(form, "entryId"), ...where };
  const isMove = form.get("isMove") === "1";
  const result = isMove ? await moveInClass(context, classId, move) : await weighMove(context, classId, move);
  if (!result.ok) return refusedBy(result);
  if (isMove) revalidatePath("/", "layout");
  return {
    status: "done",
    message: isMove ? "Moved." : "",
    problems: [],
    typed: { cost: JSON.stringify(result.cost), isMove: isMove ? "1" : "" },
  };
}

/** Names who brushes the knurl between heavy attempts. */
export async function brushAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = { brushBy: textOf(form, "brushBy") };
  const result = await saveBrushDuty(await requestContext(), {
    ...{ id: textOf(form, "id"), name: typed.brushBy, version: Number(form.get("version")) },
  });
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  return { status: "done", message: "Saved.", problems: [], typed: {} };
}
