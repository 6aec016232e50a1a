"use client";

import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { Say } from "../kit/shown";

/** Copies a setting to somebody built alike. */
export function CopyForm({
  id,
  lifters,
  action,
}: {
  id: string;
  lifters: readonly { key: string; name: string; apartMm: number | null }[];
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="flex flex-wrap items-center gap-2 text-sm">
      <input type="hidden" name="id" value={id} />
      <select name="lifter" aria-label="Copy to" className="select select-sm w-52">
        {lifters.map(({ key, name, apartMm }) => (
          <option key={key} value={key}>
            {name}
            {apartMm === null ? "" : <Say text={`, build differs by ${Math.round(apartMm)} mm`} />}
          </option>
        ))}
      </select>
      <button className="btn btn-sm btn-outline" disabled={isPending}>
        Copy
      </button>
      <FormMessage state={form} />
      <FormProblems form={form} />
    </form>
  );
}
