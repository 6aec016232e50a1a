"use server";

import { redirect } from "next/navigation";
import { doorstep } from "@/server/access";
import { pairDevice } from "@/server/accounts";
import type { FormState } from "@/ui/kit/formState";
import { refusedAtDoor, textsOf } from "../doorActions";

/** Pairs this tablet with a code, and opens its screen. */
export async function pairTabletAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = textsOf(form);
  const result = await pairDevice(await doorstep(), typed.code ?? "");
  if (!result.ok) return refusedAtDoor(result, typed);
  redirect(result.home);
}
