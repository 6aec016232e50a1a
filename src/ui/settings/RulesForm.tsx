"use client";

import type { QuantityKind } from "@/core/bars/quantities";
import type { Tolerances } from "@/core/bars/tolerances";
import { MEASURING_NUMBERS } from "@/core/house/measuring";
import type { FormAction } from "../kit/formState";
import { SavedForm } from "../kit/SavedForm";
import { RuleNumber } from "./RuleNumber";

interface Props {
  tolerances: Tolerances;
  noticeableMm: number;
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

const KEYS = Object.keys(MEASURING_NUMBERS);

/** The house's rules for measuring and comparing: tolerances, and what counts as a noticeable difference. */
export function RulesForm({ tolerances, noticeableMm, version, mayEdit, action }: Props) {
  return (
    <SavedForm
      kind="measuring"
      fields={KEYS}
      readOnly="The manager changes house rules."
      {...{ version, mayEdit, action }}
    >
      {(form) => (
        <div className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
          {KEYS.map((key) => (
            <RuleNumber
              key={key}
              name={key}
              rule={MEASURING_NUMBERS[key]!}
              value={key === "noticeableMm" ? noticeableMm : (tolerances[key as QuantityKind] ?? 0)}
              form={form}
              isDisabled={!mayEdit}
            />
          ))}
        </div>
      )}
    </SavedForm>
  );
}
