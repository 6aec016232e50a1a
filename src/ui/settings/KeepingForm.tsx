"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { RuleNumber } from "./RuleNumber";

interface Props {
  accountLogDays: number;
  retiredLifterMonths: number | null;
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

/** How long the house keeps what it need not keep for ever. */
export function KeepingForm({ accountLogDays, retiredLifterMonths, version, mayEdit, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} key={`${version}${form.status}`} className="grid gap-3">
      <input type="hidden" name="version" value={form.version ?? version} />
      <RuleNumber
        name="accountLogDays"
        label="who signed in and what was exported"
        unit="days"
        value={accountLogDays}
        form={form}
        isDisabled={!mayEdit}
      />
      <RuleNumber
        name="retiredLifterMonths"
        label="lifters after they left; blank: until someone erases them"
        unit="months"
        value={retiredLifterMonths ?? ""}
        form={form}
        isDisabled={!mayEdit}
      />
      {mayEdit && (
        <div className="flex items-center gap-3">
          <button className="btn btn-neutral" disabled={isPending}>
            Save
          </button>
          <FormMessage state={form} />
        </div>
      )}
    </form>
  );
}
