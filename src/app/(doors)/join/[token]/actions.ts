"use server";

import { redirect } from "next/navigation";
import { doorstep, requestContext } from "@/server/access";
import { joinWithNewAccount, joinWithOwnAccount, resetPassphrase } from "@/server/accounts";
import type { FormState } from "@/ui/kit/formState";
import { refusedAtDoor, textsOf } from "../../doorActions";

/** Accepts an invitation with a new account. */
export async function joinAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const { token = "", signInName = "", email = "", passphrase = "" } = typed;
  const result = await joinWithNewAccount(await doorstep(), token, { signInName, email, passphrase });
  if (!result.ok) return refusedAtDoor(result, typed);
  redirect("/");
}

/** Accepts an invitation with the account that is signed in. */
export async function joinOwnAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await joinWithOwnAccount(await requestContext(), await doorstep(), typed.token ?? "");
  if (!result.ok) return refusedAtDoor(result, typed);
  redirect("/");
}

/** Chooses a new passphrase. */
export async function resetAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await resetPassphrase(await doorstep(), typed.token ?? "", typed.passphrase ?? "");
  if (!result.ok) return refusedAtDoor(result, typed);
  redirect("/");
}
