"use server";

import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import { becomePerson } from "@/server/who";

const YEAR_SECONDS = 31_536_000;

/** Becomes another person of the demo. */
export async function becomeAction(form: FormData): Promise<void> {
  await becomePerson(String(form.get("personId") ?? ""));
  redirect("/settings");
}

/** Chooses light, dark, or whatever the device says. */
export async function themeAction(form: FormData): Promise<void> {
  const theme = String(form.get("theme") ?? "");
  const jar = await cookies();
  if (theme === "paper" || theme === "night") jar.set("theme", theme, { maxAge: YEAR_SECONDS, sameSite: "lax" });
  else jar.delete("theme");
  redirect("/settings");
}
