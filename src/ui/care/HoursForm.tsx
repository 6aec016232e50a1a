"use client";

import { CheckedForm } from "../kit/CheckedForm";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import type { CrewMember } from "./PlanForms";

/** When one of the crew is in. */
export function HoursForm({ person, action }: { person: CrewMember; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <CheckedForm
      kind="hours"
      key={`${person.text}${form.status}`}
      {...{ form, send, isPending }}
      className="grid content-start gap-1"
    >
      <input type="hidden" name="person" value={person.id} />
      <input type="hidden" name="was" value={form.typed.was ?? person.text} />
      <Field state={form} name="hours" label={person.name}>
        {(attributes) => (
          <textarea
            {...attributes}
            rows={3}
            defaultValue={form.typed.hours ?? person.text}
            className="textarea w-full"
            spellCheck={false}
          />
        )}
      </Field>
      <button type="submit" disabled={isPending} className="btn btn-sm btn-outline justify-self-start">
        Save<span className="sr-only"> the hours of {person.name}</span>
      </button>
      <FormMessage state={form} />
    </CheckedForm>
  );
}
