"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { DoorField } from "./SecretFields";

/** Asks for a link to a new passphrase. */
export function ForgotForm({ action }: { action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3">
      <DoorField state={state} name="name" label="Name or e-mail" autoComplete="username" autoCapitalize="none" />
      <button className="btn btn-primary justify-self-start" disabled={isPending}>
        Send link
      </button>
      <FormMessage state={state} />
    </form>
  );
}
