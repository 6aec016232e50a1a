"use server";

import { doorstep } from "@/server/access";
import { askForReset } from "@/server/accounts";
import { FRESH, type FormState } from "@/ui/kit/formState";
import { refusedAtDoor, textsOf } from "../doorActions";

/** Asks for a link by mail; says the same whether there is such an account or not. */
export async function forgotAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await askForReset(await doorstep(), typed.name ?? "");
  if (!result.ok) return refusedAtDoor(result, typed);
  return {
    ...FRESH,
    status: "done",
    message: "If there is such an account with an e-mail address, a link is on its way. It works for a day.",
  };
}
