"use server";

import { redirect } from "next/navigation";
import { doorstep } from "@/server/access";
import { claimGym } from "@/server/accounts";
import type { FormState } from "@/ui/kit/formState";
import { refusedAtDoor, textsOf } from "../../doorActions";

/** Makes the gym somebody's, and lets them in. */
export async function claimAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const text = (name: string) => typed[name] ?? "";
  const result = await claimGym(await doorstep(), text("token"), {
    name: text("name"),
    timeZone: text("timeZone").trim(),
    massUnit: text("massUnit"),
    climate: text("climate"),
    currency: text("currency").trim().toUpperCase(),
    owner: text("owner"),
    signInName: text("signInName"),
    email: text("email"),
    passphrase: text("passphrase"),
  });
  if (!result.ok) return refusedAtDoor(result, typed);
  redirect("/");
}
