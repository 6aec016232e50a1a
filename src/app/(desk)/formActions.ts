"use server";

import type { Problem } from "@/core/problem";
import { requestContext } from "@/server/access";
import { checkForm } from "@/server/kit";

/** More fields than any form has, or longer ones, are not looked at. */
const MAX_FIELDS = 200;
const MAX_LENGTH = 10_000;

/** What saving a form would say of its texts; nothing is kept. */
export async function checkFormAction(kind: string, texts: Record<string, string>): Promise<Problem[]> {
  const { actor } = await requestContext();
  const said = Object.entries(texts ?? {});
  if (said.length > MAX_FIELDS || said.some(([, text]) => typeof text !== "string" || text.length > MAX_LENGTH))
    return [{ path: "", message: "This is too long to be checked." }];
  return checkForm(String(kind), Object.fromEntries(said), actor);
}
