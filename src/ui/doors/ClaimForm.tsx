"use client";

import { CLIMATE_CLASSES, CLIMATE_WORDS } from "@/core/care/climateClass";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { DoorField, PassphraseField } from "./SecretFields";

interface Props {
  token: string;
  facts: Partial<Record<"name" | "timeZone" | "massUnit" | "climate" | "currency" | "owner", string>>;
  zones: string[];
  action: FormAction;
}

/** The first owner names the gym and makes the first account. */
export function ClaimForm({ token, facts, zones, action }: Props) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3">
      <input type="hidden" name="token" value={token} />
      <DoorField
        state={state}
        name="name"
        label="Gym"
        defaultValue={facts.name}
        autoComplete="organization"
        autoFocus
      />
      <div className="grid gap-3 sm:grid-cols-2">
        <Field state={state} name="timeZone" label="Time zone">
          {(attributes) => (
            <>
              <input
                {...attributes}
                className="input w-full"
                list="zones"
                defaultValue={state.typed.timeZone ?? facts.timeZone}
              />
              <datalist id="zones">
                {zones.map((one) => (
                  <option key={one} value={one} />
                ))}
              </datalist>
            </>
          )}
        </Field>
        <Field state={state} name="climate" label="Climate">
          {(attributes) => (
            <select
              {...attributes}
              className="select w-full"
              defaultValue={state.typed.climate ?? facts.climate ?? "temperate"}
            >
              {CLIMATE_CLASSES.map((one) => (
                <option key={one} value={one}>
                  {CLIMATE_WORDS[one]}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field state={state} name="massUnit" label="Units">
          {(attributes) => (
            <select
              {...attributes}
              className="select w-full"
              defaultValue={state.typed.massUnit ?? facts.massUnit ?? "kg"}
            >
              <option value="kg">kg</option>
              <option value="lb">lb</option>
            </select>
          )}
        </Field>
        <DoorField
          state={state}
          name="currency"
          label="Currency"
          defaultValue={facts.currency ?? "EUR"}
          maxLength={3}
        />
      </div>
      <hr className="border-base-300" />
      <DoorField state={state} name="owner" label="Your name" defaultValue={facts.owner} autoComplete="name" />
      <DoorField state={state} name="signInName" label="Name to sign in with" autoComplete="username" />
      <DoorField
        state={state}
        name="email"
        label="E-mail, if you like"
        about="For a new passphrase when you forget yours."
        type="email"
        autoComplete="email"
      />
      <PassphraseField state={state} isNew />
      <p className="text-quiet text-xs">At least 12 characters: four or five words that only you would put together.</p>
      <button className="btn btn-primary justify-self-start" disabled={isPending}>
        Claim
      </button>
      <FormMessage state={state} />
    </form>
  );
}
