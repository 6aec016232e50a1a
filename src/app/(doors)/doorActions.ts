import "server-only";
import { redirect } from "next/navigation";
import type { Failed } from "@/server/kit";
import { type FormState, refusedBy } from "@/ui/kit/formState";

/* What the actions of doors share. */

/** What was typed, but never a secret: those are typed anew. */
const SECRETS = ["passphrase", "again", "code", "pin", "secret"];

/** The texts of a form, each once. */
export const textsOf = (form: FormData): Record<string, string> =>
  Object.fromEntries(
    [...form.entries()].flatMap(([key, value]) => (typeof value === "string" ? [[key, value.slice(0, 2000)]] : [])),
  );

/** A refusal that hands back what was typed, without its secrets. */
export function refusedAtDoor(failed: Failed, typed: Record<string, string>): FormState {
  return refusedBy(failed, Object.fromEntries(Object.entries(typed).filter(([key]) => !SECRETS.includes(key))));
}

/** Goes on to a page of ours and nowhere else; an empty address stays. */
export function goOn(to: string | undefined): void {
  if (!to) return;
  const isOurs = /^\/(?![/\\])[^\s\\]*$/.test(to) && !/^\/(sign-in|forgot|join|claim|pair)(\/|\?|$)/.test(to);
  redirect(isOurs ? to : "/");
}
