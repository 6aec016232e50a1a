"use client";

import { PassphraseField } from "../doors/SecretFields";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

/** Asks for the passphrase once more before what matters. */
export function ConfirmForm({ what, action }: { what: string; action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="sheet border-warning mb-3 grid max-w-xl gap-2 border-l-4 p-4" aria-label="Confirm">
      <p>
        <span className="font-semibold">Confirm it is you.</span> {what} For ten minutes you are not asked again.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <PassphraseField state={state} />
        <button className="btn btn-neutral" disabled={isPending}>
          Confirm
        </button>
      </div>
      <FormMessage state={state} />
    </form>
  );
}
