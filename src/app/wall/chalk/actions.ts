"use server";

import { revalidatePath } from "next/cache";
import { noteSeen } from "@/server/care/rounds";
import { requestContext } from "@/server/access";
import { type FormState, refusedBy } from "@/ui/kit/formState";

/** Notes what was seen on a bar in passing: the button says "chalk K04" or "clean K04". */
export async function seenAction(_before: FormState, form: FormData): Promise<FormState> {
  const [, seen, tag] = /^(chalk|clean) (.*)$/s.exec(String(form.get("seen") ?? "")) ?? [];
  const result = await noteSeen(await requestContext(), tag ? [tag] : [], seen === "chalk" ? "chalk" : "clean", {
    isSure: form.get("isSure") === "yes",
  });
  if (!result.ok) return refusedBy(result);
  revalidatePath("/", "layout");
  const tags = result.noted.join(", ");
  return {
    status: "done",
    message:
      seen === "chalk"
        ? `Thank you: chalk on ${tags} is noted. Brush it if you have a minute; chalk belongs on hands.`
        : `Thank you: ${tags} is clean.`,
    problems: [],
    typed: {},
  };
}
