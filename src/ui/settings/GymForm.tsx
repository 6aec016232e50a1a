"use client";

import { timeText } from "@/core/units/dates";
import { LOCALES } from "@/core/units/locales";
import { DoorField } from "../doors/SecretFields";
import { CheckedForm } from "../kit/CheckedForm";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  gym: { name: string; timeZone: string; massUnit: string; lengthUnit: string; locale: string; currency: string };
  /** What was read, to be named when it is saved. */
  was: string;
  mayEdit: boolean;
  action: FormAction;
}

/** What the gym is called and how it counts. */
export function GymForm({ gym, was, mayEdit, action }: Props) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <CheckedForm kind="gym" key={`${was}${state.status}`} form={state} {...{ send, isPending }} className="grid gap-3">
      <input type="hidden" name="was" value={state.typed.now ?? was} />
      <fieldset disabled={!mayEdit} className="grid gap-3 sm:grid-cols-2">
        <legend className="sr-only">The gym</legend>
        <DoorField state={state} name="name" label="Name" defaultValue={gym.name} />
        <DoorField state={state} name="timeZone" label="Time zone" defaultValue={gym.timeZone} />
        <Field state={state} name="massUnit" label="Masses">
          {(attributes) => (
            <select {...attributes} className="select w-full" defaultValue={state.typed.massUnit ?? gym.massUnit}>
              <option value="kg">kg</option>
              <option value="lb">lb</option>
            </select>
          )}
        </Field>
        <Field state={state} name="lengthUnit" label="Lengths">
          {(attributes) => (
            <select {...attributes} className="select w-full" defaultValue={state.typed.lengthUnit ?? gym.lengthUnit}>
              <option value="mm">mm</option>
              <option value="in">inches</option>
            </select>
          )}
        </Field>
        <Field state={state} name="locale" label="Times as in">
          {(attributes) => (
            <select {...attributes} className="select w-full" defaultValue={state.typed.locale ?? gym.locale}>
              {Object.entries(LOCALES).map(([key, name]) => (
                <option key={key} value={key}>
                  {name}, {timeText("18:30", key)}
                </option>
              ))}
            </select>
          )}
        </Field>
        <DoorField state={state} name="currency" label="Currency" defaultValue={gym.currency} maxLength={3} />
      </fieldset>
      {mayEdit && (
        <button className="btn btn-neutral justify-self-start" disabled={isPending}>
          Save
        </button>
      )}
      <FormMessage state={state} />
    </CheckedForm>
  );
}
