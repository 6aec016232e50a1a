"use client";

import { DoorField } from "../doors/SecretFields";
import { CheckedForm } from "../kit/CheckedForm";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { OneTimeText } from "./OneTimeText";

const ABOUT_ROLES: Record<string, string> = {
  owner: "everything, also people and the account of it",
  manager: "everything but owners and managers",
  coach: "bars, lifters, classes, setups",
  care: "rounds, ticks, inspections",
  lifter: "own settings, cards and sets",
};

/** Invites somebody as something. */
export function InviteForm({ roles, action }: { roles: readonly string[]; action: FormAction }) {
  const [state, send, isPending] = useFormAction(action);
  return (
    <div className="grid gap-3">
      <CheckedForm
        kind="invitation"
        form={state}
        {...{ send, isPending }}
        className="grid gap-3"
        key={state.status === "done" ? state.typed.address : "open"}
      >
        <DoorField state={state} name="name" label="Name" maxLength={80} autoComplete="off" />
        <Field state={state} name="role" label="Role">
          {(attributes) => (
            <select {...attributes} className="select w-full" defaultValue={state.typed.role ?? "coach"}>
              {roles.map((role) => (
                <option key={role} value={role}>
                  {role}: {ABOUT_ROLES[role]}
                </option>
              ))}
            </select>
          )}
        </Field>
        <DoorField
          state={state}
          name="email"
          label="E-mail, if you like"
          about="The link goes there too, where this gym sends mail."
          type="email"
          autoComplete="off"
        />
        <button className="btn btn-neutral justify-self-start" disabled={isPending}>
          Invite
        </button>
      </CheckedForm>
      {state.status === "done" ? (
        <OneTimeText
          title={`Invitation of ${state.typed.invited ?? ""}`}
          text={state.typed.address ?? ""}
          picture={state.typed.picture}
          about={state.message}
        />
      ) : (
        <FormMessage state={state} />
      )}
    </div>
  );
}
