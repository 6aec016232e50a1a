"use client";

import { KEEPING_NUMBERS, type KeepingTimes } from "@/core/house/keeping";
import type { FormAction } from "../kit/formState";
import { SavedForm } from "../kit/SavedForm";
import { RuleNumber } from "./RuleNumber";

interface Props extends KeepingTimes {
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

const KEYS = ["accountLogDays", "retiredLifterMonths"] as const;

/** How long the house keeps what it need not keep for ever. */
export function KeepingForm({ version, mayEdit, action, ...times }: Props) {
  return (
    <SavedForm kind="keeping" fields={KEYS} {...{ version, mayEdit, action }}>
      {(form) =>
        KEYS.map((key) => (
          <RuleNumber
            key={key}
            name={key}
            rule={KEEPING_NUMBERS[key]}
            value={times[key] ?? ""}
            form={form}
            isDisabled={!mayEdit}
          />
        ))
      }
    </SavedForm>
  );
}
