"use client";

import { QUANTITIES, QUANTITY_KINDS } from "@/core/bars/quantities";
import { STARTING_TOLERANCES, type Tolerances } from "@/core/bars/tolerances";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { RuleNumber } from "./RuleNumber";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  tolerances: Tolerances;
  noticeableMm: number;
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

/** The house's rules for measuring and comparing: tolerances, and what counts as a noticeable difference. */
export function RulesForm({ tolerances, noticeableMm, version, mayEdit, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const rows = [
    { path: "noticeableMm", label: "noticeable difference in slack", unit: "mm", value: noticeableMm },
    ...QUANTITY_KINDS.flatMap((kind) =>
      STARTING_TOLERANCES[kind] === null
        ? []
        : [{ path: kind, label: QUANTITIES[kind].label, unit: QUANTITIES[kind].unit, value: tolerances[kind] ?? 0 }],
    ),
  ];
  return (
    <form action={send} key={`${version}${form.status}`} className="grid gap-3">
      <input type="hidden" name="version" value={form.version ?? version} />
      <div className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
        {rows.map(({ path, ...row }) => (
          <RuleNumber key={path} name={path} {...row} form={form} isDisabled={!mayEdit} />
        ))}
      </div>
      {mayEdit ? (
        <div className="flex items-center gap-3">
          <button className="btn btn-neutral" disabled={isPending}>
            Save
          </button>
          <FormMessage state={form} />
        </div>
      ) : (
        <p className="text-quiet text-sm">The manager changes house rules.</p>
      )}
    </form>
  );
}
