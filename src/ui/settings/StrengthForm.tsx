"use client";

import { SINGLE_RULE_NAMES, SINGLE_RULES } from "@/core/strength/singles";
import { STRENGTH_NUMBERS } from "@/core/strength/strengthRuleFields";
import { PRIOR_KEYS, PRIOR_NAMES } from "@/core/strength/strengthRules";
import { Field } from "../kit/FormParts";
import type { FormAction, FormState } from "../kit/formState";
import { SavedForm } from "../kit/SavedForm";
import { RuleNumber } from "./RuleNumber";

interface Props {
  texts: Readonly<Record<string, string>>;
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

const NUMBERS = Object.entries(STRENGTH_NUMBERS).map(([key, [label]]) => {
  const [words = label, unit = ""] = label.split(", ");
  return { key, rule: { label: words, unit } };
});
const PRIORS = PRIOR_KEYS.filter((key) => key !== "straight");
const FIELDS = [
  "formula",
  ...NUMBERS.map(({ key }) => key),
  ...PRIORS.flatMap((key) => [`${key}.median`, `${key}.sd`]),
];

/** How strength is estimated: the formula for a single, what new bars are thought to be worth, how fast things change. */
export function StrengthForm({ texts, version, mayEdit, action }: Props) {
  return (
    <SavedForm kind="strength" fields={FIELDS} className="grid gap-3 text-sm" {...{ version, mayEdit, action }}>
      {(form) => (
        <>
          <Field state={form} name="formula" label="Single from repetitions by">
            {(attributes) => (
              <select
                {...attributes}
                defaultValue={form.typed.formula ?? texts.formula}
                disabled={!mayEdit}
                className="select select-sm w-64"
              >
                {SINGLE_RULES.map((key) => (
                  <option key={key} value={key}>
                    {SINGLE_RULE_NAMES[key]}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <div className="grid gap-x-8 gap-y-3 md:grid-cols-2">
            <Priors {...{ form, texts, mayEdit }} />
            <div className="grid content-start gap-1">
              {NUMBERS.map(({ key, rule }) => (
                <RuleNumber
                  key={key}
                  name={key}
                  rule={rule}
                  value={texts[key] ?? ""}
                  form={form}
                  isDisabled={!mayEdit}
                />
              ))}
            </div>
          </div>
        </>
      )}
    </SavedForm>
  );
}

function Priors({ form, texts, mayEdit }: Pick<Props, "texts" | "mayEdit"> & { form: FormState }) {
  const cell = (name: string, label: string) => (
    <td className="align-top">
      <Field state={form} name={name} label={<span className="sr-only">{label}</span>}>
        {(attributes) => (
          <input
            {...attributes}
            inputMode="decimal"
            defaultValue={form.typed[name] ?? texts[name] ?? ""}
            disabled={!mayEdit}
            className="input input-sm w-20 text-right"
          />
        )}
      </Field>
    </td>
  );
  return (
    <table className="self-start">
      <caption className="text-left font-bold">What a bar is worth before anyone lifted it</caption>
      <thead className="text-quiet text-left text-xs">
        <tr>
          <th className="font-normal">bar</th>
          <th className="font-normal">of the straight one</th>
          <th className="font-normal">spread</th>
        </tr>
      </thead>
      <tbody>
        {PRIORS.map((key) => (
          <tr key={key}>
            <th scope="row" className="pr-3 text-left font-normal">
              {PRIOR_NAMES[key]}
            </th>
            {cell(`${key}.median`, `${PRIOR_NAMES[key]}, of the straight bar`)}
            {cell(`${key}.sd`, `${PRIOR_NAMES[key]}, spread`)}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
