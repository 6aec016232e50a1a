"use client";

import { DoorField } from "../doors/SecretFields";
import { CheckedForm } from "../kit/CheckedForm";
import { FieldProblem } from "../kit/FieldProblem";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { DeviceList, type DeviceRow } from "./DeviceForms";
import { OneTimeText } from "./OneTimeText";

const SCOPES = [
  ["read", "look and compute"],
  ["write", "import files"],
  ["health", "read what hurts whom"],
] as const;

/** Tokens of programs: those that work, and a new one. */
export function TokenForms({
  rows,
  makeAction,
  revokeAction,
}: {
  rows: DeviceRow[];
  makeAction: FormAction;
  revokeAction: FormAction;
}) {
  const [state, send, isPending] = useFormAction(makeAction);
  return (
    <div className="grid gap-3">
      <DeviceList rows={rows} action={revokeAction} />
      {state.status === "done" && (
        <OneTimeText
          title={`Token of ${state.typed.label ?? ""}`}
          text={state.typed.token ?? ""}
          about="Shown once. The program sends it as: Authorization: Bearer TOKEN."
        />
      )}
      <CheckedForm
        kind="token"
        form={state}
        {...{ send, isPending }}
        className="grid gap-3"
        key={state.typed.token ?? "open"}
      >
        <DoorField
          state={state}
          name="label"
          label="Program"
          placeholder="Stock spreadsheet"
          maxLength={60}
          autoComplete="off"
        />
        <fieldset className="grid gap-1">
          <legend className="mb-1 text-sm font-semibold">May</legend>
          {SCOPES.map(([key, words]) => (
            <label key={key} className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox"
                name="scopes"
                value={key}
                defaultChecked={(state.typed.scopes ?? "read").split(" ").includes(key)}
              />
              {words}
            </label>
          ))}
          <FieldProblem state={state} name="scopes" />
        </fieldset>
        <DoorField state={state} name="days" label="Valid for, days" defaultValue="90" inputMode="numeric" />
        <button className="btn btn-neutral justify-self-start" disabled={isPending}>
          Make token
        </button>
      </CheckedForm>
      {state.status !== "done" && <FormMessage state={state} />}
    </div>
  );
}
