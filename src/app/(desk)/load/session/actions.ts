"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { beginRun, endRun } from "@/server/loading";
import { requestContext } from "@/server/access";
import type { FormState } from "@/ui/kit/formState";
import { href } from "@/ui/kit/search";
import { askedSession } from "./sessionPage";

const refused = (message: string): FormState => ({ status: "refused", message, problems: [], typed: {} });

/** Starts the session that the page shows, and opens its run sheet. */
export async function beginAction(_before: FormState, form: FormData): Promise<FormState> {
  const search = Object.fromEntries([...form.entries()].map(([key, value]) => [key, String(value)]));
  const context = await requestContext();
  const asked = await askedSession(context, search);
  if (!asked || asked.ask.lifters.length === 0) return refused("Name at least one lifter with a work set.");
  const { item, wish, ask, lifterIds } = asked;
  const known = Object.fromEntries(
    Object.entries(search).filter(([key]) =>
      ["bar", "who", "way", "jump", "count", "work", "order", "only", "clamps", "at", "lift", "reps"].includes(key),
    ),
  );
  const result = await beginRun(context, item, wish, {
    liftKey: ask.lift || null,
    lifterIds,
    planAddress: href("/load/session", known),
  });
  if (!result.ok) return refused(result.message);
  redirect(`/load/session/run/${result.id}`);
}

/** Ends a session: its plates are free for others. */
export async function endAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await endRun(await requestContext(), String(form.get("id") ?? ""));
  if (!result.ok) return refused(result.message);
  revalidatePath("/", "layout");
  return { status: "done", message: "Session ended. Its plates are free.", problems: [], typed: {} };
}
