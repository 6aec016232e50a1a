"use client";

import { CARE_RULES, type CareRule } from "@/core/care/needMeter";
import { staffHoursText } from "@/core/care/staffHours";
import { trimmed } from "@/core/units/format";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import type { MeterSheetProps } from "./meterSheetProps";

export const RULE_WORDS: Record<CareRule, [name: string, sentence: string]> = {
  calendar: [
    "by the calendar",
    "Every so many days by the class of the climate; anybody can say when, and a dry spell changes nothing.",
  ],
  meter: [
    "by the need meter",
    "Need grows with air, finish, use and chalk; rounds follow the weather, and why is said.",
  ],
  condition: [
    "on condition only",
    "Nothing is due until a finding or a spot check asks for it; it asks for people who look.",
  ],
};

export function Rules({
  rules,
  mayRule,
  action,
}: {
  rules: MeterSheetProps["rules"];
  mayRule: boolean;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  const limits = [
    ["watchTirMm", "watch over, mm runout"],
    ["quarantineTirMm", "quarantine over, mm runout"],
    ["watchEndPlayMm", "watch over, mm end play"],
    ["leastSpinS", "drags under, s of spin"],
  ] as const;
  return (
    <details className="sheet px-4">
      <summary className="min-h-11 cursor-pointer py-3 text-sm">
        Care is due <strong>{RULE_WORDS[rules.rule][0]}</strong>. {RULE_WORDS[rules.rule][1]}
      </summary>
      {mayRule ? (
        <form action={send} className="grid gap-3 pb-4">
          <input type="hidden" name="version" value={form.version ?? rules.version} />
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
          </fieldset>
          <div className="grid gap-3 sm:grid-cols-4">
            {limits.map(([name, label]) => (
              <Field key={name} state={form} name={name} label={label}>
                {(attributes) => (
                  <input
                    {...attributes}
                    inputMode="decimal"
                    defaultValue={form.typed[name] ?? trimmed(rules.limits[name], 2)}
                    className="input w-full"
                  />
                )}
              </Field>
            ))}
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
                  defaultValue={form.typed.hour ?? (rules.hourMinor === null ? "" : trimmed(rules.hourMinor / 100, 2))}
                  className="input w-full"
                />
              )}
            </Field>
          </div>
          <div className="flex items-center gap-3">
            <button type="submit" disabled={isPending} className="btn btn-neutral">
              Go by this
            </button>
            <FormMessage state={form} />
          </div>
        </form>
      ) : (
        <p className="text-quiet pb-3 text-sm">The manager chooses the rule.</p>
      )}
    </details>
  );
}
