"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { doorstep, maybeContext } from "@/server/access";
import { passkeyToSignIn, pickPerson, signIn, signInWithPasskey, signOut } from "@/server/accounts";
import { FRESH, type FormState } from "@/ui/kit/formState";
import { goOn, refusedAtDoor, textsOf } from "../doorActions";

/** Signs in by name and passphrase; asks for the second step where there is one. */
export async function signInAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const { name = "", passphrase = "", code = "", to } = typed;
  const result = await signIn(await doorstep(), { name, passphrase, code });
  const kept = { name, to: to ?? "", needsCode: typed.code === undefined ? "" : "yes" };
  if (!result.ok) return refusedAtDoor(result, kept);
  if (result.needsCode)
    return {
      ...FRESH,
      status: "refused",
      message: "Type your passphrase again, and the code.",
      typed: { ...kept, needsCode: "yes" },
    };
  revalidatePath("/", "layout");
  goOn(to);
  return { ...FRESH, status: "done", message: "Signed in." };
}

/** Becomes a person of the demonstration. */
export async function pickAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await pickPerson(await doorstep(), { personId: typed.personId ?? "", code: typed.code ?? "" });
  if (!result.ok) return refusedAtDoor(result, typed);
  revalidatePath("/", "layout");
  goOn(typed.to);
  return { ...FRESH, status: "done", message: "Signed in." };
}

/** Ends this session. */
export async function signOutAction(): Promise<void> {
  const context = await maybeContext();
  if (context) await signOut(context, await doorstep());
  redirect("/sign-in");
}

/** What the browser is asked for a passkey. */
export async function passkeyAsk() {
  const result = await passkeyToSignIn(await doorstep());
  return result.ok ? { options: result.options, challenge: result.challenge } : null;
}

/** The browser's answer. */
export async function passkeyAnswer(response: unknown, challenge: string, to: string): Promise<FormState> {
  const isAnswer = typeof response === "object" && response !== null && typeof challenge === "string";
  const result = isAnswer
    ? await signInWithPasskey(await doorstep(), { response: response as never, challenge })
    : {
        ok: false as const,
        code: "invalid" as const,
        message: "The passkey was not accepted. Try again.",
        problems: [],
      };
  if (!result.ok) return refusedAtDoor(result, {});
  revalidatePath("/", "layout");
  goOn(typeof to === "string" ? to : "/");
  return { ...FRESH, status: "done", message: "Signed in." };
}
