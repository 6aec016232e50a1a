"use client";

import { LIMIT_KEYS, LIMIT_NUMBERS } from "@/core/care/readCareRules";
import { CARE_RULES, type CareRule } from "@/core/care/needMeter";
import { staffHoursText } from "@/core/care/staffHours";
import { trimmed } from "@/core/units/format";
import { FieldProblem } from "../kit/FieldProblem";
import { Field } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { SavedForm } from "../kit/SavedForm";
import { RuleNumber } from "../settings/RuleNumber";
import type { MeterSheetProps } from "./meterSheetProps";

export const RULE_WORDS: Record<CareRule, [name: string, sentence: string]> = {
  calendar: ["by the calendar", "A fixed interval for the climate: easy to predict, but a dry spell changes nothing."],
  meter: [
    "by the need meter",
    "Need grows with air, finish, use and chalk: rounds follow the weather, and each says why.",
  ],
  condition: [
    "on condition only",
    "Nothing is due until a finding or a spot check calls for it: only works where people look.",
  ],
};

const FIELDS = ["rule", ...LIMIT_KEYS, "quiet", "hour"];

export function Rules({
  rules,
  mayRule,
  action,
}: {
  rules: MeterSheetProps["rules"];
  mayRule: boolean;
  action: FormAction;
}) {
  return (
    <details className="sheet px-4">
      <summary className="min-h-11 cursor-pointer py-3 text-sm">
        Care is due <strong>{RULE_WORDS[rules.rule][0]}</strong>. {RULE_WORDS[rules.rule][1]}
      </summary>
      {mayRule ? (
        <SavedForm
          kind="care-rules"
          version={rules.version}
          fields={FIELDS}
          action={action}
          className="grid gap-3 pb-4"
        >
          {(form) => (
            <>
              <fieldset className="grid gap-1">
                <legend className="text-sm font-semibold">When is care due?</legend>
                {CARE_RULES.map((rule) => (
                  <label key={rule} className="flex min-h-11 items-center gap-2 text-sm">
                    <input
                      type="radio"
                      name="rule"
                      value={rule}
                      defaultChecked={rule === rules.rule}
                      className="radio radio-sm"
                    />
                    <span>
                      <strong>{RULE_WORDS[rule][0]}</strong>: {RULE_WORDS[rule][1]}
                    </span>
                  </label>
                ))}
                <FieldProblem state={form} name="rule" />
              </fieldset>
              <div className="grid max-w-3xl gap-x-8 gap-y-2 sm:grid-cols-2">
                {LIMIT_KEYS.map((key) => (
                  <RuleNumber
                    key={key}
                    name={key}
                    rule={LIMIT_NUMBERS[key]}
                    value={trimmed(rules.limits[key], 2)}
                    form={form}
                    isDisabled={false}
                  />
                ))}
              </div>
              <div className="grid max-w-3xl gap-3 sm:grid-cols-2">
                <Field state={form} name="quiet" label="quiet hours, no rounds">
                  {(attributes) => (
                    <textarea
                      {...attributes}
                      rows={2}
                      placeholder="Sat 09:00-12:00"
                      defaultValue={form.typed.quiet ?? rules.quiet.map(staffHoursText).join("\n")}
                      className="textarea w-full"
                    />
                  )}
                </Field>
                <Field state={form} name="hour" label="an hour of care costs">
                  {(attributes) => (
                    <input
                      {...attributes}
                      inputMode="decimal"
                      defaultValue={
                        form.typed.hour ?? (rules.hourMinor === null ? "" : trimmed(rules.hourMinor / 100, 2))
                      }
                      className="input w-full"
                    />
                  )}
                </Field>
              </div>
            </>
          )}
        </SavedForm>
      ) : (
        <p className="text-quiet pb-3 text-sm">The manager chooses the rule.</p>
      )}
    </details>
  );
}
