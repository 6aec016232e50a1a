"use server";

import { revalidatePath } from "next/cache";
import { requestContext } from "@/server/access";
import { deleteSideView } from "@/server/sideview";
import { type FormState, refusedBy } from "@/ui/kit/formState";

/** Deletes a saved still, picture and marks. */
export async function deleteStillAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await deleteSideView(await requestContext(), String(form.get("id") ?? ""));
  if (!result.ok) return refusedBy(result, {});
  revalidatePath("/match/balance/still");
  return { status: "done", message: "Deleted.", problems: [], typed: {} };
}
