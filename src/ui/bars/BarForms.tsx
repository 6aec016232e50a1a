"use client";

import type { BarState } from "@/core/bars/bar";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

const STATE_WORDS: [BarState, string][] = [
  ["in-service", "in service"],
  ["watch", "under watch"],
  ["quarantined", "quarantined"],
  ["retired", "retired"],
  ["on-order", "on order"],
];

/** Changes the state with a reason. A page that grew stale is refused, and what was typed stays. */
export function StateForm({
  tag,
  state,
  version,
  action,
}: {
  tag: string;
  state: BarState;
  version: number;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3">
      <input type="hidden" name="tag" value={tag} />
      <input type="hidden" name="version" value={form.version ?? version} />
      <Field state={form} name="state" label="New state">
        {(attributes) => (
          <select
            {...attributes}
            key={form.typed.state ?? state}
            defaultValue={form.typed.state ?? (state === "in-service" ? "quarantined" : "in-service")}
            className="select w-full"
          >
            {STATE_WORDS.filter(([key]) => key !== state).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Field state={form} name="reason" label="Why">
        {(attributes) => (
          <input
            {...attributes}
            key={`${form.status}${form.typed.reason ?? ""}`}
            defaultValue={form.typed.reason ?? ""}
            className="input w-full"
            placeholder="bent, cracked, straightened …"
          />
        )}
      </Field>
      <div className="flex items-center gap-3">
        <button className="btn btn-neutral" disabled={isPending}>
          Change state
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}
