"use client";

import type { FormEventHandler, ReactNode } from "react";
import { CheckedForm } from "./CheckedForm";
import { FormMessage } from "./FormParts";
import { FormProblems } from "./FormProblems";
import type { FormAction, FormState } from "./formState";
import { useFormAction } from "./useFormAction";

interface Props {
  /** What is entered, for its check. */
  kind: string;
  /** As it was read; after a stale edit the next press names the one that stands now. */
  version: number;
  /** Fields that show their own problems; what is wrong elsewhere is listed above the button. */
  fields: readonly string[];
  action: FormAction;
  mayEdit?: boolean;
  /** Who may, where the reader may not: "The manager changes house rules." */
  readOnly?: string;
  /** What the button says. */
  save?: ReactNode;
  buttonClass?: string;
  className?: string;
  onChange?: FormEventHandler<HTMLFormElement>;
  hidden?: Readonly<Record<string, string>>;
  children: (form: FormState) => ReactNode;
}

/** A form over something that stands and is changed: checked while it is typed, saved by one button, never over another's change unseen. */
export function SavedForm({
  kind,
  version,
  fields,
  action,
  mayEdit = true,
  readOnly,
  save = "Save",
  buttonClass = "btn btn-neutral",
  className = "grid gap-3",
  onChange,
  hidden = {},
  children,
}: Props) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <CheckedForm
      key={`${version}${form.status}${form.problems.length}`}
      {...{ kind, form, send, isPending, className, onChange }}
    >
      <input type="hidden" name="version" value={form.version ?? version} />
      {Object.entries(hidden).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {children(form)}
      <FormProblems form={form} isBeside={(path) => fields.includes(path)} />
      {mayEdit ? (
        <div className="flex flex-wrap items-center gap-3">
          <button className={buttonClass} disabled={isPending}>
            {save}
          </button>
          <FormMessage state={form} />
        </div>
      ) : (
        readOnly && <p className="text-quiet text-sm">{readOnly}</p>
      )}
    </CheckedForm>
  );
}
