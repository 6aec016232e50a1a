"use client";

import { Field } from "../kit/FormParts";
import { Options } from "../kit/Options";
import type { FormState } from "../kit/formState";
import { UnitName } from "../kit/shown";
import type { Inspecting } from "./useInspection";

interface Props {
  form: FormState;
  inspecting: Inspecting;
  name: string;
  label: string;
}

type Changed = { onChange?: (event: { target: { value: string } }) => void };

/** One figure of an inspection in the person's unit. */
export function Figure({ form, inspecting: { known, set }, name, label, unit }: Props & { unit: "mm" | "s" }) {
  return (
    <Field
      state={form}
      name={name}
      label={
        <>
          {label},{" "}
          <span className="font-normal">
            <UnitName of={unit} />
          </span>
        </>
      }
    >
      {(attributes) => (
        <input
          {...attributes}
          data-unit={unit === "mm" ? unit : undefined}
          value={known[name] ?? ""}
          onChange={(event) => {
            (attributes as Changed).onChange?.(event);
            set({ [name]: event.target.value });
          }}
          autoComplete="off"
          className="input w-24 text-right"
        />
      )}
    </Field>
  );
}

/** What somebody saw, out of a few; nothing where nobody looked. */
export function Seen({
  form,
  inspecting: { known, set },
  name,
  label,
  of,
}: Props & { of: readonly (readonly [key: string, words: string] | string)[] }) {
  return (
    <Field state={form} name={name} label={label}>
      {(attributes) => (
        <select
          {...attributes}
          value={known[name] ?? ""}
          onChange={(event) => {
            (attributes as Changed).onChange?.(event);
            set({ [name]: event.target.value });
          }}
          className="select w-full"
        >
          <Options of={[["", "not checked"], ...of]} />
        </select>
      )}
    </Field>
  );
}

export const YES_NO = ["no", "yes"] as const;
