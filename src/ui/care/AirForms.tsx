"use client";

import { trimmed } from "@/core/units/format";
import type { SensorRow } from "@/server/care/air";
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

/** What falls from the air at a place, and how far its steel lags behind. */
export function SensorForm({ sensor, action }: { sensor: SensorRow; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  const fields = [
    ["chloride", "salt, mg/m² a day", sensor.chloride],
    ["so2", "sulphur dioxide, mg/m² a day", sensor.so2],
    ["lagHours", "steel lags by, hours", sensor.lagHours],
  ] as const;
  return (
    <form action={send} className="grid content-start gap-2">
      <input type="hidden" name="key" value={sensor.key} />
      <input type="hidden" name="version" value={form.version ?? sensor.version} />
      <div className="grid gap-2 sm:grid-cols-3">
        {fields.map(([name, label, value]) => (
          <Field key={name} state={form} name={name} label={label}>
            {(attributes) => (
              <input
                {...attributes}
                inputMode="decimal"
                defaultValue={form.typed[name] ?? trimmed(value, 2)}
                className="input w-full"
              />
            )}
          </Field>
        ))}
      </div>
      <div className="flex items-center gap-3">
        <button type="submit" disabled={isPending} className="btn btn-sm btn-outline">
          Change
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}
