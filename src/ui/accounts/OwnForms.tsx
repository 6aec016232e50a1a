"use client";

import { DoorField, PassphraseField } from "../doors/SecretFields";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

/** Chooses a new passphrase. */
export function PassphraseForm({ action }: { action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3" key={state.status}>
      <PassphraseField state={state} label="New passphrase" isNew />
      <p className="text-quiet text-xs">At least 12 characters: four or five words that only you would put together.</p>
      <button className="btn btn-neutral justify-self-start" disabled={isPending}>
        Save
      </button>
      <FormMessage state={state} />
    </form>
  );
}

/** Chooses or removes a PIN. */
export function PinForm({ hasPin, action }: { hasPin: boolean; action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3" key={state.status}>
      <DoorField
        state={state}
        name="pin"
        label={hasPin ? "New PIN" : "PIN"}
        about={hasPin ? "You have one. Leave blank to remove it." : "Four to eight digits."}
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={8}
      />
      <button className="btn btn-neutral justify-self-start" disabled={isPending}>
        Save
      </button>
      <FormMessage state={state} />
    </form>
  );
}

/** Where one is signed in; each place is ended by itself, or all others at once. */
export function SessionList({
  rows,
  action,
}: {
  rows: { id: string; isThis: boolean; about: string }[];
  action: FormAction;
}) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-2">
      <ul className="divide-base-300 divide-y">
        {rows.map(({ id, isThis, about }) => (
          <li key={id} className="flex items-center justify-between gap-3 py-2 text-sm">
            <span className="min-w-0 break-words">{about}</span>
            {isThis ? (
              <span className="text-quiet shrink-0">here</span>
            ) : (
              <button name="id" value={id} className="btn btn-outline btn-sm" disabled={isPending}>
                Sign out
              </button>
            )}
          </li>
        ))}
      </ul>
      {rows.length > 1 && (
        <button name="id" value="others" className="btn btn-outline justify-self-start" disabled={isPending}>
          Sign out everywhere else
        </button>
      )}
      <FormMessage state={state} />
    </form>
  );
}

/** Goes to another gym of the same account. */
export function HallSwitch({
  rows,
  current,
  action,
}: {
  rows: { personId: string; hallName: string; role: string }[];
  current: string;
  action: FormAction;
}) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="flex flex-wrap gap-2">
      {rows.map(({ personId, hallName, role }) => (
        <button
          key={personId}
          name="personId"
          value={personId}
          disabled={isPending}
          aria-pressed={personId === current}
          className={`btn ${personId === current ? "btn-primary" : "btn-outline"}`}
        >
          {hallName} <span className="font-normal opacity-80">{role}</span>
        </button>
      ))}
      <FormMessage state={state} />
    </form>
  );
}
