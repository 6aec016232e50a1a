"use client";

import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

/** Readings of one place from a file. */
export function ImportForm({ sensorKey, action }: { sensorKey: string; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid content-start gap-2">
      <input type="hidden" name="sensor" value={sensorKey} />
      <Field state={form} name="file" label="Readings from a file">
        {(attributes) => <input {...attributes} type="file" accept=".csv,text/csv" className="file-input w-full" />}
      </Field>
      <p className="text-quiet text-xs">
        CSV with the columns at, temperature, humidity, and if known so2 and chloride: 2026-11-25T14:00Z, 9.4, 88. What
        was read at the same moment is replaced.
      </p>
      <div className="flex items-center gap-3">
        <button type="submit" disabled={isPending} className="btn btn-sm btn-neutral">
          Import
        </button>
        <FormMessage state={form} />
      </div>
      {form.problems.length > 0 && (
        <ul className="text-error max-h-40 overflow-y-auto text-sm">
          {form.problems.map(({ path, message }) => (
            <li key={path + message}>
              {path}: {message}
            </li>
          ))}
        </ul>
      )}
    </form>
  );
}
