"use client";

import { DoorField } from "../doors/SecretFields";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { DEVICE_PURPOSES } from "./devicePurposes";

/** Makes the six digits that a tablet types. */
export function PairDeviceForm({ pairAt, action }: { pairAt: string; action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  const { code, until } = state.typed;
  return (
    <div className="grid gap-3">
      {state.status === "done" && code && (
        <div role="status" className="border-primary border-l-4 pl-3">
          <p>
            On the tablet, open <code className="break-all">{pairAt}</code> and type
          </p>
          <p className="my-1 text-4xl font-bold tracking-[0.2em] tabular-nums">{code}</p>
          <p className="text-quiet text-sm">Until {until}, once.</p>
        </div>
      )}
      <form action={send} className="grid gap-3" key={code ?? "open"}>
        <DoorField
          state={state}
          name="name"
          label="Name"
          placeholder="Tablet at rack 1"
          maxLength={60}
          autoComplete="off"
        />
        <Field state={state} name="purpose" label="For">
          {(attributes) => (
            <select {...attributes} className="select w-full" defaultValue={state.typed.purpose ?? "wall"}>
              {Object.entries(DEVICE_PURPOSES).map(([key, words]) => (
                <option key={key} value={key}>
                  {words}
                </option>
              ))}
            </select>
          )}
        </Field>
        <button className="btn btn-neutral justify-self-start" disabled={isPending}>
          Pair a tablet
        </button>
      </form>
      {state.status !== "done" && <FormMessage state={state} />}
    </div>
  );
}

export interface DeviceRow {
  id: string;
  name: string;
  /** What it is for and when it was last seen. */
  about: string;
}

/** What may come in, each revoked in one touch. */
export function DeviceList({
  rows,
  action,
  verb = "Revoke",
}: {
  rows: DeviceRow[];
  action: FormAction;
  verb?: string;
}) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="mb-3">
      <ul className="divide-base-300 divide-y">
        {rows.map(({ id, name, about }) => (
          <li key={id} className="flex items-center justify-between gap-3 py-2">
            <div>
              <p className="font-semibold">{name}</p>
              <p className="text-quiet text-sm">{about}</p>
            </div>
            <button
              name="id"
              value={id}
              disabled={isPending}
              className="btn btn-outline"
              aria-label={`${verb} ${name}`}
            >
              {verb}
            </button>
          </li>
        ))}
      </ul>
      <FormMessage state={state} />
    </form>
  );
}
