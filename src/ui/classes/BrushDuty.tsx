"use client";

import { useId } from "react";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  classId: string;
  version: number;
  brushBy: string | null;
  /** Who may be picked; anybody else is typed. */
  names: readonly string[];
  /** Many people or heavy attempts: then a brush is worth giving somebody. */
  isBusy: boolean;
  action: FormAction;
}

/** Who brushes the knurl between heavy attempts. */
export function BrushDuty({ classId, version, brushBy, names, isBusy, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const list = useId();
  const typed = form.status === "refused" ? form.typed.brushBy : undefined;
  return (
    <form
      action={send}
      className="no-print mt-2 flex flex-wrap items-center gap-2 text-sm"
      key={`${version} ${form.status}`}
    >
      <input type="hidden" name="id" value={classId} />
      <input type="hidden" name="version" value={form.version ?? version} />
      <label className="flex flex-wrap items-center gap-2">
        <span className="font-semibold">Brush duty</span>
        <input
          name="brushBy"
          list={list}
          maxLength={60}
          autoComplete="off"
          defaultValue={typed ?? brushBy ?? ""}
          placeholder="nobody yet"
          className="input input-sm w-44"
        />
      </label>
      <datalist id={list}>
        {names.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <button type="submit" disabled={isPending} className="btn btn-sm btn-outline">
        Save
      </button>
      {!brushBy && isBusy && (
        <span className="text-quiet">A busy evening: someone brushes the knurl between heavy attempts.</span>
      )}
      <FormMessage state={form} />
      <FormProblems form={form} />
    </form>
  );
}
