"use server";

import { revalidatePath } from "next/cache";
import { requestContext } from "@/server/access";
import { checkStation } from "@/server/equipment";
import { type FormState, refusedBy } from "@/ui/kit/formState";

/** Records a look at a part of a station. */
export async function stationAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const text = (name: string) => String(form.get(name) ?? "");
  const typed = { station: text("station"), part: text("part"), found: text("found"), note: text("note") };
  const result = await checkStation(context, { key: text("key"), ...typed });
  if (!result.ok) return refusedBy(result, typed);
  revalidatePath("/", "layout");
  const message = result.outOfUse ? `Saved. Out of use: ${result.outOfUse}.` : "Saved.";
  return { status: "done", message, problems: [], typed: {} };
}
