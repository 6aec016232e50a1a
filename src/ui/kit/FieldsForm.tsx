"use client";

import { useId } from "react";
import type { FieldDef } from "@/core/bars/barFields";
import { FormField } from "../bars/FormField";
import { CheckedForm } from "./CheckedForm";
import { FormMessage } from "./FormParts";
import type { FormAction } from "./formState";
import { useFormAction } from "./useFormAction";

interface Props {
  /** What is entered, for its check: "plate", "lifter". */
  kind: string;
  defs: Record<string, FieldDef>;
  /** Null for a new one. */
  id: string | null;
  version: number;
  texts: Record<string, string>;
  action: FormAction;
  /** Fields that are not asked again once given. */
  fixed?: readonly string[];
  more?: Record<string, string>;
}

/** Enters or changes whatever is described by fields; what was typed stays when the server refuses. */
export function FieldsForm({ kind, defs, id, version, texts, action, fixed = [], more = {} }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const known = form.status === "refused" ? form.typed : texts;
  const unique = useId();
  const asked = Object.entries(defs).filter(([key]) => id === null || !fixed.includes(key));
  const elsewhere = form.problems.filter(({ path }) => !asked.some(([key]) => key === path));
  return (
    <CheckedForm
      key={`${form.status}${form.problems.length}`}
      {...{ kind, form, send, isPending }}
      className="grid gap-3"
    >
      <input type="hidden" name="id" value={id ?? ""} />
      <input type="hidden" name="version" value={form.version ?? version} />
      {Object.entries(more).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <div className="grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-4">
        {asked.map(([key, def]) => (
          <FormField
            key={key}
            id={`${unique}${key}`}
            name={key}
            def={def}
            text={known[key] ?? ""}
            problems={form.problems.filter(({ path }) => path === key).map(({ message }) => message)}
          />
        ))}
      </div>
      {elsewhere.map(({ message }) => (
        <p key={message} className="text-error text-sm">
          {message}
        </p>
      ))}
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-sm btn-neutral" disabled={isPending}>
          {id === null ? "Add" : "Save"}
        </button>
        <FormMessage state={form} />
      </div>
    </CheckedForm>
  );
}
