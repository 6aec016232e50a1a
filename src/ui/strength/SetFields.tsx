"use client";

import { DayField } from "../kit/DayField";
import { Field } from "../kit/FormParts";
import { Options } from "../kit/Options";
import type { FormState } from "../kit/formState";

export interface BarChoice {
  tag: string;
  name: string;
}

interface SetFieldsProps {
  form: FormState;
  start: Readonly<Record<string, string>>;
  bars: readonly BarChoice[];
  lifts: readonly { key: string; name: string }[];
  today: string;
  isOne?: boolean;
}

/** Day, lift, bar and the sets themselves. */
export function SetFields({ form, start, bars, lifts, today, isOne = false }: SetFieldsProps) {
  const value = (name: string) => form.typed[name] ?? start[name] ?? "";
  return (
    <>
      <Field state={form} name="on" label="Day">
        {(attributes) => (
          <DayField {...attributes} max={today} start={value("on") || today} className="input input-sm w-40" />
        )}
      </Field>
      <Field state={form} name="lift" label="Lift">
        {(attributes) => (
          <select {...attributes} defaultValue={value("lift")} className="select select-sm w-44">
            <Options of={lifts.map(({ key, name }) => [key, name])} />
          </select>
        )}
      </Field>
      <Field state={form} name="tag" label="Bar">
        {(attributes) => (
          <select {...attributes} defaultValue={value("tag")} className="select select-sm w-56">
            <Options of={bars.map(({ tag, name }) => [tag, `${tag} ${name}`])} />
          </select>
        )}
      </Field>
      <div className="basis-full">
        <Field state={form} name="lines" label={isOne ? "Set" : "Sets, one line each"}>
          {(attributes) =>
            isOne ? (
              <input {...attributes} defaultValue={value("lines")} className="input input-sm w-full max-w-80" />
            ) : (
              <textarea
                {...attributes}
                rows={3}
                spellCheck={false}
                defaultValue={value("lines")}
                placeholder={"140x5 @2\n315 lb 3,3,2"}
                className="textarea w-full max-w-96"
              />
            )
          }
        </Field>
      </div>
      <details className="basis-full" open={["setting", "variant", "note"].some((name) => value(name) !== "")}>
        <summary className="link min-h-11 cursor-pointer py-3">Set at, variant, note</summary>
        <div className="flex flex-wrap items-end gap-3">
          {(
            [
              ["setting", "Bar set at"],
              ["variant", "Variant (stance, box, pause)"],
              ["note", "Note"],
            ] as const
          ).map(([name, label]) => (
            <Field key={name} state={form} name={name} label={label}>
              {(attributes) => <input {...attributes} defaultValue={value(name)} className="input input-sm w-48" />}
            </Field>
          ))}
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              name="handsHelped"
              defaultChecked={value("handsHelped") === "on"}
              className="checkbox checkbox-sm"
            />
            Hands helped
          </label>
        </div>
      </details>
      {form.problems.some(({ path }) => path === "isSure") && (
        <label className="text-error flex min-h-11 basis-full items-center gap-2 font-semibold">
          <input type="checkbox" name="isSure" className="checkbox checkbox-sm" />
          It is right
        </label>
      )}
    </>
  );
}

/** Fields that say themselves what is wrong with them. */
const SHOWN = ["on", "lift", "tag", "lines", "setting", "variant", "note"];

/** What stands beside its field already. */
export const isBesideField = (path: string) => SHOWN.includes(path);
