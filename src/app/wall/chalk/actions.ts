"use server";

import { revalidatePath } from "next/cache";
import { noteChalk } from "@/server/careRules";
import { whoIsAsking } from "@/server/who";
import type { FormState } from "@/ui/kit/formState";

/** Notes that chalk was left on a bar. */
export async function chalkAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await noteChalk(await whoIsAsking(), [String(form.get("tag") ?? "")]);
  if (!result.ok) return { status: "refused", message: result.message, problems: result.problems, typed: {} };
  revalidatePath("/", "layout");
  return {
    status: "done",
    message: `Thank you: chalk on ${result.noted.join(", ")} is noted. Brush it if you have a minute; chalk belongs on hands.`,
    problems: [],
    typed: {},
  };
}
