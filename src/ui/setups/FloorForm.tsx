"use client";

import type { FloorSize } from "@/core/setups/floorSpace";
import { CheckedForm } from "../kit/CheckedForm";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  floor: FloorSize | null;
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

/** How large the floor is, paced out. */
export function FloorForm({ floor, version, mayEdit, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const metres = (mm: number | undefined) => (mm === undefined ? "" : `${mm / 1000} m`);
  const field = (name: "widthMm" | "depthMm", label: string) => (
    <Field state={form} name={name} label={label}>
      {(attributes) => (
        <input
          {...attributes}
          className="input w-32"
          placeholder="12 m"
          disabled={!mayEdit}
          defaultValue={form.status === "refused" ? form.typed[name] : metres(floor?.[name])}
        />
      )}
    </Field>
  );
  return (
    <CheckedForm
      kind="floor"
      key={`${version} ${form.status}`}
      {...{ form, send, isPending }}
      className="flex flex-wrap items-end gap-4"
    >
      <input type="hidden" name="version" value={form.version ?? version} />
      {field("widthMm", "Width of the floor")}
      {field("depthMm", "Depth")}
      {mayEdit && (
        <button className="btn btn-neutral" disabled={isPending}>
          Save
        </button>
      )}
      <FormMessage state={form} />
    </CheckedForm>
  );
}
