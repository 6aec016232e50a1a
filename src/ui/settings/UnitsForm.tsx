"use client";

import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  /** Empty: as the gym does. */
  own: { massUnit: string; lengthUnit: string };
  gym: { massUnit: string; lengthUnit: string };
  action: FormAction;
}

/** In which units this person reads and types, whatever the gym uses. */
export function UnitsForm({ own, gym, action }: Props) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} key={`${JSON.stringify(own)}${state.status}`} className="grid gap-3">
      <div className="grid gap-3 sm:grid-cols-2">
        <Field state={state} name="massUnit" label="Masses">
          {(attributes) => (
            <select {...attributes} className="select w-full" defaultValue={own.massUnit}>
              <option value="">same as the gym ({gym.massUnit})</option>
              <option value="kg">kg</option>
              <option value="lb">lb</option>
            </select>
          )}
        </Field>
        <Field state={state} name="lengthUnit" label="Lengths">
          {(attributes) => (
            <select {...attributes} className="select w-full" defaultValue={own.lengthUnit}>
              <option value="">same as the gym ({gym.lengthUnit})</option>
              <option value="mm">mm</option>
              <option value="in">inches</option>
            </select>
          )}
        </Field>
      </div>
      <button className="btn btn-neutral justify-self-start" disabled={isPending}>
        Save
      </button>
      <FormMessage state={state} />
    </form>
  );
}
