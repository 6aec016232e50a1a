"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { requestContext } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { deleteRotation, pinWeeks, saveRotation, sendToClasses } from "@/server/rotation";
import { type FormState, refusedBy } from "@/ui/kit/formState";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");
const refused = (message: string): FormState => ({ status: "refused", message, problems: [], typed: {} });
const done = (message: string): FormState => ({ status: "done", message, problems: [], typed: {} });

/** Adds a rotation, or changes what is wished of one, and opens it planned. */
export async function saveRotationAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const texts = Object.fromEntries(
    [...form.entries()].flatMap(([key, value]) => (typeof value === "string" ? [[key, value.slice(0, 400)]] : [])),
  );
  const lifterIds = form.getAll("lifterIds").map(String);
  const { id = "", version = "0", startsOn = "" } = texts;
  const result = await saveRotation(context, {
    ...{ id: id || null, version: Number(version), startsOn, texts, lifterIds },
  });
  if (!result.ok) return refusedBy(result, { ...texts, lifterIds: lifterIds.join(" ") });
  revalidatePath("/", "layout");
  redirect(`/classes/rotations/${result.id}`);
}

interface SentChange {
  lifterId: string;
  session: number;
  week: number;
  tag: string | null;
}

const isChange = (one: unknown): one is SentChange => {
  const { lifterId, session, week, tag } = (one ?? {}) as Record<string, unknown>;
  return (
    typeof lifterId === "string" &&
    Number.isInteger(session) &&
    Number.isInteger(week) &&
    (tag === null || typeof tag === "string")
  );
};

/** Pins weeks or frees them, and plans around them. */
export async function pinAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  let changes: unknown;
  try {
    changes = JSON.parse(textOf(form, "changes"));
  } catch {
    changes = null;
  }
  if (!Array.isArray(changes) || changes.length > 20 || !changes.every(isChange)) return refused("Nothing to change.");
  const ids = new Map((await barsOnTheWall(context)).map(({ id, bar }) => [bar.tag, id]));
  const unknown = changes.find(({ tag }) => tag !== null && !ids.has(tag));
  if (unknown) return refused(`There is no bar ${unknown.tag} on the wall.`);
  const result = await pinWeeks(
    context,
    textOf(form, "id"),
    Number(form.get("version")),
    changes.map(({ tag, ...where }) => ({ ...where, barId: tag === null ? null : ids.get(tag)! })),
  );
  if (!result.ok) return refusedBy(result);
  revalidatePath("/", "layout");
  const isFreed = changes.every(({ tag }) => tag === null);
  return done(isFreed ? "Unpinned; planned again." : "Pinned; the rest is planned around it.");
}

/** Puts the plan into the classes of its weeks. */
export async function sendAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await sendToClasses(await requestContext(), textOf(form, "id"));
  if (!result.ok) return refusedBy(result);
  revalidatePath("/", "layout");
  const { classes, added, changed, left } = result.sent;
  const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
  return done(
    `${count(classes, "class", "classes")}: ${count(added, "entry", "entries")} added, ${changed} updated.${left > 0 ? ` ${left} left out: over, or no load known.` : ""}`,
  );
}

/** Deletes a rotation. */
export async function deleteRotationAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await deleteRotation(await requestContext(), textOf(form, "id"));
  if (!result.ok) return refusedBy(result);
  revalidatePath("/", "layout");
  redirect("/classes/rotations");
}
