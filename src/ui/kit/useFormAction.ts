"use client";

import { unstable_rethrow as rethrow } from "next/navigation";
import { useActionState } from "react";
import { FRESH, type FormAction, type FormState } from "./formState";

/** What Next throws in the browser where an action found nobody signed in. */
const SIGNED_OUT = "NEXT_HTTP_ERROR_FALLBACK;401";

/**
 * A form and what became of it. When no answer comes (the connection is gone, the database is away) that is an answer
 * too: what was typed stays, and so does the screen.
 */
export function useFormAction(action: FormAction): [FormState, (form: FormData) => void, boolean] {
  return useActionState<FormState, FormData>(async (before, form) => {
    try {
      return await action(before, form);
    } catch (error) {
      const isSignedOut = error instanceof Error && (error as { digest?: string }).digest === SIGNED_OUT;
      // Where the action led elsewhere, that is where it goes.
      if (!isSignedOut) rethrow(error);
      return {
        status: "refused",
        message: isSignedOut
          ? "Not saved: you are signed out. Sign in in another tab, then try again. What you typed is still here."
          : "Not saved: there was no answer. What you typed is still here; try again.",
        problems: [],
        typed: Object.fromEntries(
          [...form.entries()].flatMap(([key, value]) => (typeof value === "string" ? [[key, value]] : [])),
        ),
        ...(before.version === undefined ? {} : { version: before.version }),
      };
    }
  }, FRESH);
}
