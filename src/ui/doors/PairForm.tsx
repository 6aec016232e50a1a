"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { DoorField } from "./SecretFields";

/** Six digits, typed on the tablet. */
export function PairForm({ action }: { action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3">
      <DoorField
        state={state}
        name="code"
        label="Code"
        inputMode="numeric"
        autoComplete="off"
        maxLength={7}
        placeholder="six digits"
        autoFocus
      />
      <button className="btn btn-primary justify-self-start" disabled={isPending}>
        Pair
      </button>
      <FormMessage state={state} />
    </form>
  );
}
