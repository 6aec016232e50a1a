"use client";

import { startRegistration } from "@simplewebauthn/browser";
import { useState } from "react";
import { FormMessage } from "../kit/FormParts";
import { FRESH, type FormAction, type FormState } from "../kit/formState";
import { DeviceList, type DeviceRow } from "./DeviceForms";

interface Props {
  /** False where browsers make none: neither https nor localhost. */
  isPossible: boolean;
  rows: DeviceRow[];
  optionsAction: () => Promise<{
    options: Parameters<typeof startRegistration>[0]["optionsJSON"] | null;
    challenge: string;
    message: string;
  }>;
  addAction: (response: unknown, challenge: string, name: string) => Promise<FormState>;
  removeAction: FormAction;
}

/** One's own passkeys, and a new one. */
export function PasskeyForms({ isPossible, rows, optionsAction, addAction, removeAction }: Props) {
  const [state, setState] = useState<FormState>(FRESH);
  const [name, setName] = useState("");

  async function add() {
    const { options, challenge, message } = await optionsAction();
    if (!options) return setState({ ...FRESH, status: "refused", message });
    try {
      setState(await addAction(await startRegistration({ optionsJSON: options }), challenge, name));
    } catch (error) {
      const words =
        error instanceof Error && error.name === "InvalidStateError"
          ? "This device has a passkey of yours already."
          : "No passkey was made.";
      setState({ ...FRESH, status: "refused", message: words });
    }
  }

  return (
    <div className="grid gap-2">
      {rows.length > 0 && <DeviceList rows={rows} action={removeAction} verb="Remove" />}
      {isPossible ? (
        <div className="flex flex-wrap items-end gap-2">
          <label className="grid gap-1 text-sm font-semibold">
            Name
            <input
              className="input"
              value={name}
              maxLength={60}
              placeholder="My telephone"
              onChange={({ target }) => setName(target.value)}
            />
          </label>
          <button type="button" className="btn btn-neutral" onClick={() => void add()}>
            Add passkey
          </button>
        </div>
      ) : (
        <p className="text-quiet text-sm">Passkeys need https; see docs/running.md for a certificate of your own.</p>
      )}
      <FormMessage state={state} />
    </div>
  );
}
