"use client";

import { startAuthentication } from "@simplewebauthn/browser";
import { useState } from "react";
import { FormMessage } from "../kit/FormParts";
import { FRESH, type FormAction, type FormState } from "../kit/formState";
import Link from "../kit/Link";
import { useFormAction } from "../kit/useFormAction";
import { DoorField, PassphraseField } from "./SecretFields";

export interface PasskeyDoor {
  /** What the browser is asked; null where there is none to be had. */
  ask: () => Promise<{ options: Parameters<typeof startAuthentication>[0]["optionsJSON"]; challenge: string } | null>;
  answer: (response: unknown, challenge: string, to: string) => Promise<FormState>;
}

interface Props {
  action: FormAction;
  /** Where to go afterwards; empty to stay where one is. */
  to: string;
  /** Null where the browser makes no passkeys: neither https nor localhost. */
  passkey: PasskeyDoor | null;
  hasMail: boolean;
}

/** By name or mail address and passphrase, or by a passkey. */
export function SignInForm({ action, to, passkey, hasMail }: Props) {
  const [state, send, isPending] = useFormAction(action);
  const [viaKey, setViaKey] = useState<FormState>(FRESH);
  const asksCode = state.typed.needsCode === "yes";

  async function signInByKey() {
    if (!passkey) return;
    const asked = await passkey.ask();
    if (!asked) return setViaKey({ ...FRESH, status: "refused", message: "Passkeys do not work at this address." });
    try {
      const response = await startAuthentication({ optionsJSON: asked.options });
      setViaKey(await passkey.answer(response, asked.challenge, to));
    } catch (error) {
      if (error instanceof Error && error.name === "NotAllowedError")
        setViaKey({ ...FRESH, status: "refused", message: "No passkey was used." });
      else throw error;
    }
  }

  return (
    <form action={send} className="grid gap-3">
      <input type="hidden" name="to" value={to} />
      <DoorField
        state={state}
        name="name"
        label="Name or e-mail"
        autoComplete={passkey ? "username webauthn" : "username"}
        autoCapitalize="none"
        autoFocus
      />
      <PassphraseField state={state} />
      {asksCode && (
        <DoorField
          state={state}
          name="code"
          label="Code"
          about="Six digits from your authenticator app, or one of your spare codes."
          autoComplete="one-time-code"
          inputMode="text"
        />
      )}
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-primary" disabled={isPending}>
          Sign in
        </button>
        {passkey && (
          <button type="button" className="btn btn-outline" onClick={() => void signInByKey()}>
            Use a passkey
          </button>
        )}
      </div>
      <FormMessage state={state} />
      <FormMessage state={viaKey} />
      <p className="text-quiet text-sm">
        {hasMail ? (
          <Link href="/forgot" className="link">
            Forgot your passphrase?
          </Link>
        ) : (
          "Forgot your passphrase? The owner of your gym makes you a link for a new one."
        )}
      </p>
      <p className="text-quiet text-sm">
        A tablet for the gym floor?{" "}
        <Link href="/pair" className="link">
          Pair it with a code
        </Link>
      </p>
    </form>
  );
}
