"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { DoorField, PassphraseField } from "./SecretFields";

const PASSPHRASE_ABOUT = "At least 12 characters: four or five words that only you would put together.";

/** Makes an account and joins. */
export function JoinForm({ token, personName, action }: { token: string; personName: string; action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3">
      <input type="hidden" name="token" value={token} />
      <DoorField
        state={state}
        name="signInName"
        label="Name to sign in with"
        defaultValue={personName}
        autoComplete="username"
      />
      <DoorField
        state={state}
        name="email"
        label="E-mail, if you like"
        about="For a new passphrase when you forget yours."
        type="email"
        autoComplete="email"
      />
      <PassphraseField state={state} isNew />
      <p className="text-quiet text-xs">{PASSPHRASE_ABOUT}</p>
      <button className="btn btn-primary justify-self-start" disabled={isPending}>
        Join
      </button>
      <FormMessage state={state} />
    </form>
  );
}

/** Joins with the account that is signed in. */
export function JoinWithOwn({ token, signInName, action }: { token: string; signInName: string; action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3">
      <input type="hidden" name="token" value={token} />
      <p>You are signed in as {signInName}.</p>
      <button className="btn btn-primary justify-self-start" disabled={isPending}>
        Join with this account
      </button>
      <FormMessage state={state} />
    </form>
  );
}

/** Chooses a new passphrase. */
export function ResetForm({ token, action }: { token: string; action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3">
      <input type="hidden" name="token" value={token} />
      <PassphraseField state={state} label="New passphrase" isNew />
      <p className="text-quiet text-xs">{PASSPHRASE_ABOUT}</p>
      <button className="btn btn-primary justify-self-start" disabled={isPending}>
        Save
      </button>
      <FormMessage state={state} />
    </form>
  );
}
