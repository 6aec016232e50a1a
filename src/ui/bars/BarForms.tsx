"use client";

import { useActionState } from "react";
import type { BarState } from "@/core/bars/bar";
import { QUANTITIES, type QuantityKind } from "@/core/bars/quantities";
import { Field, FormMessage } from "../kit/FormParts";
import { FRESH, type FormAction } from "../kit/formState";

const STATE_WORDS: [BarState, string][] = [
  ["in-service", "in service"],
  ["watch", "under watch"],
  ["quarantined", "quarantined"],
  ["retired", "retired"],
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
  const [form, send, isPending] = useActionState(action, FRESH);
  return (
    <form action={send} className="grid gap-3">
      <input type="hidden" name="tag" value={tag} />
      <input type="hidden" name="version" value={version} />
      <Field state={form} name="state" label="New state">
        {(attributes) => (
          <select
            {...attributes}
            key={form.typed.state ?? state}
            defaultValue={form.typed.state ?? (state === "in-service" ? "quarantined" : "in-service")}
            className="select min-h-11 w-full"
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
            className="input min-h-11 w-full"
            placeholder="bent, cracked, straightened …"
          />
        )}
      </Field>
      <div className="flex items-center gap-3">
        <button className="btn btn-neutral min-h-11" disabled={isPending}>
          Change state
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}

/** Keeps up to three readings, typed with or without a unit. */
export function MeasureForm({
  tag,
  kinds,
  action,
}: {
  tag: string;
  kinds: readonly QuantityKind[];
  action: FormAction;
}) {
  const [form, send, isPending] = useActionState(action, FRESH);
  return (
    <form action={send} className="grid gap-3">
      <input type="hidden" name="tag" value={tag} />
      <Field state={form} name="kind" label="What">
        {(attributes) => (
          <select
            {...attributes}
            key={form.typed.kind ?? ""}
            defaultValue={form.typed.kind ?? kinds[0]}
            className="select min-h-11 w-full"
          >
            {kinds.map((kind) => (
              <option key={kind} value={kind}>
                {QUANTITIES[kind].label}, {QUANTITIES[kind].unit}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Field state={form} name="readings" label="One to three readings">
        {(attributes) => (
          <input
            {...attributes}
            key={`${form.status}${form.typed.readings ?? ""}`}
            defaultValue={form.typed.readings ?? ""}
            className="input min-h-11 w-full"
            placeholder="20.1; 20.12; 20.1   or   45 lb"
          />
        )}
      </Field>
      <Field state={form} name="instrument" label="Read with">
        {(attributes) => (
          <select
            {...attributes}
            key={form.typed.instrument ?? ""}
            defaultValue={form.typed.instrument ?? "scale"}
            className="select min-h-11 w-full"
          >
            {["scale", "caliper", "tape", "dial gauge", "stopwatch", "label"].map((instrument) => (
              <option key={instrument}>{instrument}</option>
            ))}
          </select>
        )}
      </Field>
      <div className="flex items-center gap-3">
        <button className="btn btn-neutral min-h-11" disabled={isPending}>
          Keep
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}
