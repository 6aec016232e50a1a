"use client";

import { useState } from "react";
import { Field } from "../kit/FormParts";
import type { FormState } from "../kit/formState";

interface Props {
  state: FormState;
  name?: string;
  label?: string;
  /** Whether one is chosen or the kept one is typed; password managers go by it. */
  isNew?: boolean;
}

/** A passphrase, hidden until it is shown on purpose: words are typed better when they are seen. */
export function PassphraseField({ state, name = "passphrase", label = "Passphrase", isNew = false }: Props) {
  const [isShown, setShown] = useState(false);
  return (
    <Field state={state} name={name} label={label}>
      {(attributes) => (
        <div className="join w-full">
          <input
            {...attributes}
            type={isShown ? "text" : "password"}
            autoComplete={isNew ? "new-password" : "current-password"}
            className="input join-item w-full"
            maxLength={200}
            autoCapitalize="none"
            spellCheck={false}
          />
          <button type="button" className="btn join-item" aria-pressed={isShown} onClick={() => setShown(!isShown)}>
            {isShown ? "Hide" : "Show"}
          </button>
        </div>
      )}
    </Field>
  );
}

/** A plain text field of a door's form that keeps what was typed. */
export function DoorField({
  state,
  name,
  label,
  about,
  ...more
}: {
  state: FormState;
  name: string;
  label: string;
  about?: string;
} & React.InputHTMLAttributes<HTMLInputElement>) {
  return (
    <div>
      <Field state={state} name={name} label={label}>
        {(attributes) => (
          <input
            {...more}
            {...attributes}
            className="input w-full"
            defaultValue={state.typed[name] ?? more.defaultValue}
          />
        )}
      </Field>
      {about && <p className="text-quiet mt-1 text-xs">{about}</p>}
    </div>
  );
}
