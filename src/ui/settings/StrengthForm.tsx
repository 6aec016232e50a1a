"use client";

import { SINGLE_RULE_NAMES, SINGLE_RULES } from "@/core/strength/singles";
import { STRENGTH_NUMBERS } from "@/core/strength/strengthRuleFields";
import { PRIOR_KEYS, PRIOR_NAMES } from "@/core/strength/strengthRules";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  texts: Readonly<Record<string, string>>;
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

/** How strength is estimated: the formula for a single, what new bars are thought to be worth, how fast things change. */
export function StrengthForm({ texts, version, mayEdit, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const value = (name: string) => form.typed[name] ?? texts[name] ?? "";
  const number = (name: string, label: string, isLabelHidden = false) => (
    <label className={isLabelHidden ? "" : "flex min-h-11 items-center justify-between gap-3"}>
      <span className={isLabelHidden ? "sr-only" : ""}>{label}</span>
      <input
        name={name}
        inputMode="decimal"
        defaultValue={value(name)}
        disabled={!mayEdit}
        className="input input-sm w-20 text-right"
      />
    </label>
  );
  return (
    <form action={send} key={`${version}${form.status}`} className="grid gap-3 text-sm">
      <input type="hidden" name="version" value={form.version ?? version} />
      <label className="flex flex-wrap items-center gap-3">
        Single from repetitions by
        <select name="formula" defaultValue={value("formula")} disabled={!mayEdit} className="select select-sm w-64">
          {SINGLE_RULES.map((key) => (
            <option key={key} value={key}>
              {SINGLE_RULE_NAMES[key]}
            </option>
          ))}
        </select>
      </label>
      <div className="grid gap-x-8 md:grid-cols-2">
        <table className="self-start">
          <caption className="text-left font-bold">What a bar is worth before anybody lifted it</caption>
          <thead className="text-quiet text-left text-xs">
            <tr>
              <th className="font-normal">bar</th>
              <th className="font-normal">of the straight one</th>
              <th className="font-normal">spread</th>
            </tr>
          </thead>
          <tbody>
            {PRIOR_KEYS.filter((key) => key !== "straight").map((key) => (
              <tr key={key}>
                <th scope="row" className="pr-3 text-left font-normal">
                  {PRIOR_NAMES[key]}
                </th>
                <td>{number(`${key}.median`, `${PRIOR_NAMES[key]}, of the straight bar`, true)}</td>
                <td>{number(`${key}.sd`, `${PRIOR_NAMES[key]}, spread`, true)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <div>
          {Object.entries(STRENGTH_NUMBERS).map(([key, [label]]) => (
            <div key={key}>{number(key, label)}</div>
          ))}
        </div>
      </div>
      {mayEdit && (
        <div className="flex items-center gap-3">
          <button className="btn btn-neutral" disabled={isPending}>
            Save
          </button>
          <FormMessage state={form} />
        </div>
      )}
      {form.problems.length > 0 && (
        <ul role="alert" className="text-error list-disc pl-5">
          {form.problems.map(({ path, message }) => (
            <li key={path + message}>{message}</li>
          ))}
        </ul>
      )}
    </form>
  );
}
