"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { DoorField } from "./SecretFields";

interface Props {
  halls: { hallName: string; people: { id: string; name: string; role: string }[] }[];
  /** Whom one is already. */
  current?: string;
  asksCode: boolean;
  to: string;
  action: FormAction;
}

/** The people of a demonstration, to be one of. */
export function PickPerson({ halls, current, asksCode, to, action }: Props) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-3">
      <input type="hidden" name="to" value={to} />
      {asksCode && (
        <DoorField
          state={state}
          name="code"
          label="Code"
          about="The demonstration printed it when it started."
          autoComplete="off"
        />
      )}
      {halls.map(({ hallName, people }) => (
        <div key={hallName}>
          <h2 className="mb-1 text-sm font-semibold">{hallName}</h2>
          <ul className="flex flex-wrap gap-2">
            {people.map(({ id, name, role }) => (
              <li key={id}>
                <button
                  name="personId"
                  value={id}
                  disabled={isPending}
                  className={`btn ${id === current ? "btn-primary" : "btn-outline"}`}
                  aria-pressed={current === undefined ? undefined : id === current}
                >
                  {name} <span className="font-normal opacity-80">{role}</span>
                </button>
              </li>
            ))}
          </ul>
        </div>
      ))}
      <FormMessage state={state} />
    </form>
  );
}
