"use server";

import { revalidatePath } from "next/cache";
import { LIFT_FIELDS } from "@/core/matching/liftFields";
import { MEETING_QUANTITIES } from "@/core/matching/meetingSpec";
import { removeMeetingSpec, saveLift, saveMeetingSpec } from "@/server/lifts";
import { requestContext } from "@/server/access";
import { type FormState, refusedBy } from "@/ui/kit/formState";
import { formTexts } from "@/ui/kit/formTexts";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");
const done = (message: string): FormState => {
  revalidatePath("/", "layout");
  return { status: "done", message, problems: [], typed: {} };
};

/** Enters or changes a lift. */
export async function liftAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = formTexts(form, LIFT_FIELDS);
  const result = await saveLift(await requestContext(), {
    id: textOf(form, "id") || null,
    version: Number(form.get("version")),
    texts: typed,
  });
  if (!result.ok) return refusedBy(result, typed);
  return done(`${result.key} saved.`);
}

/** Enters, changes or takes away what a federation asks of the bar for some lifts. */
export async function meetingAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const id = textOf(form, "id") || null;
  if (id && form.get("remove")) {
    const gone = await removeMeetingSpec(context, id);
    return gone.ok
      ? done(`${gone.rules}: deleted.`)
      : { status: "refused", message: gone.message, problems: gone.problems, typed: {} };
  }
  const ends = Object.keys(MEETING_QUANTITIES).flatMap((kind) => [`least.${kind}`, `most.${kind}`]);
  const typed = Object.fromEntries(
    ["rules", "source", "marks", ...ends].map((name) => [name, textOf(form, name)]),
  ) as Record<string, string>;
  const lifts = form.getAll("lifts").map(String);
  const result = await saveMeetingSpec(context, {
    id,
    version: Number(form.get("version")),
    rules: typed.rules!,
    source: typed.source!,
    marks: typed.marks!,
    lifts,
    texts: typed,
  });
  if (!result.ok)
    return {
      status: "refused",
      message: result.message,
      problems: result.problems,
      typed: { ...typed, lifts: lifts.join(" ") },
    };
  return done(`${result.rules} saved.`);
}
