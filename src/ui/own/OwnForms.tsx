"use client";

import { LIMIT_WORDS, LIMITS } from "@/core/matching/lifter";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface ComfortProps {
  version: number;
  limits: readonly string[];
  comfortNote: string;
  action: FormAction;
}

/** One's own words about what is not comfortable: to correct, or to withdraw. */
export function ComfortForm({ version, limits, comfortNote, action }: ComfortProps) {
  const [state, send, isPending] = useFormAction(action);
  const hasAny = limits.length > 0 || comfortNote !== "";
  return (
    <form action={send} className="grid gap-3" key={`${version} ${state.status}`}>
      <input type="hidden" name="version" value={state.version ?? version} />
      <p className="text-quiet text-sm">Match goes by it, and shows it to nobody but your coaches.</p>
      <fieldset className="grid gap-1">
        <legend className="mb-1 text-sm font-semibold">Tick what holds</legend>
        {LIMITS.map((limit) => (
          <label key={limit} className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              name="limits"
              value={limit}
              defaultChecked={limits.includes(limit)}
              className="checkbox"
            />
            {LIMIT_WORDS[limit]}
          </label>
        ))}
      </fieldset>
      <Field state={state} name="comfortNote" label="In your words">
        {(attributes) => (
          <textarea
            {...attributes}
            rows={3}
            maxLength={300}
            className="textarea w-full"
            defaultValue={state.typed.comfortNote ?? comfortNote}
          />
        )}
      </Field>
      <div className="flex flex-wrap gap-2">
        <button className="btn btn-neutral" disabled={isPending}>
          Save
        </button>
        {hasAny && (
          <button name="withdraw" value="yes" className="btn btn-outline" disabled={isPending}>
            Withdraw all of it
          </button>
        )}
      </div>
      <FormMessage state={state} />
    </form>
  );
}

/** Erases whoever is signed in. */
export function EraseMeForm({ action }: { action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-2">
      <p className="text-sm">
        Your name, sizes, words, settings and sets go, also from the history; you are signed out. Backups that were made
        before are removed in their time. This cannot be undone.
      </p>
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" name="sure" value="yes" className="checkbox" />
        Erase everything about me
      </label>
      <button className="btn btn-error justify-self-start" disabled={isPending}>
        Erase
      </button>
      <FormMessage state={state} />
    </form>
  );
}
