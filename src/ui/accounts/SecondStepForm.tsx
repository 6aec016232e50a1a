"use client";

import { DoorField } from "../doors/SecretFields";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  isOn: boolean;
  /** How many are left. */
  spareCodes: number;
  /** A new secret and its code to scan; null before the passphrase was confirmed. */
  fresh: { secret: string; picture: string } | null;
  onAction: FormAction;
  offAction: FormAction;
}

/** Turns the second step on, by a first code of the app, or off. */
export function SecondStepForm({ isOn, spareCodes, fresh, onAction, offAction }: Props) {
  const [on, sendOn, isTurning] = useFormAction(onAction);
  const [off, sendOff, isEnding] = useFormAction(offAction);
  if (on.status === "done" && isOn)
    return (
      <div role="status" className="grid gap-2">
        <p>
          The second step is on. Keep these spare codes on paper: each works once, for the day the telephone is lost.
        </p>
        <ul className="grid grid-cols-2 gap-1 font-mono tabular-nums">
          {(on.typed.spareCodes ?? "").split(" ").map((code) => (
            <li key={code}>{code}</li>
          ))}
        </ul>
      </div>
    );
  if (isOn)
    return (
      <form action={sendOff} className="grid gap-2">
        <p>On. {spareCodes} spare codes are left.</p>
        <button className="btn btn-outline justify-self-start" disabled={isEnding}>
          Turn off
        </button>
        <FormMessage state={off} />
      </form>
    );
  if (!fresh) return <p>Off. Confirm your passphrase above to turn it on.</p>;
  return (
    <form action={sendOn} className="grid gap-3">
      <input type="hidden" name="secret" value={fresh.secret} />
      <p>Scan this with the app, then type the code that it shows.</p>
      {/* eslint-disable-next-line @next/next/no-img-element -- a picture made here, of this secret */}
      <img
        src={fresh.picture}
        alt="Code to scan with an authenticator app"
        width={176}
        height={176}
        className="bg-white p-2"
      />
      <details>
        <summary className="link min-h-11 py-2 text-sm">No camera?</summary>
        <code className="break-all">{fresh.secret}</code>
      </details>
      <DoorField state={on} name="code" label="Code" inputMode="numeric" autoComplete="one-time-code" maxLength={7} />
      <button className="btn btn-neutral justify-self-start" disabled={isTurning}>
        Turn on
      </button>
      <FormMessage state={on} />
    </form>
  );
}
