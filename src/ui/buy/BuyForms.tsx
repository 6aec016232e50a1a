"use client";

import { DayField } from "../kit/DayField";
import { useState, type ReactNode } from "react";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction, FormState } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface OneFormProps {
  fields: Readonly<Record<string, string | number>>;
  word: string;
  action: FormAction;
  isMain?: boolean;
  children?: ReactNode | ((form: FormState) => ReactNode);
}

/** A form of a few fields and one button. */
export function OneForm({ fields, word, action, isMain = false, children }: OneFormProps) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form
      action={send}
      key={`${form.status}${form.problems.length}`}
      className="flex flex-wrap items-end gap-3 text-sm"
    >
      {Object.entries(fields).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {typeof children === "function" ? children(form) : children}
      <button className={`btn btn-sm ${isMain ? "btn-neutral" : "btn-outline"}`} disabled={isPending}>
        {word}
      </button>
      <FormMessage state={form} />
      <FormProblems form={form} />
    </form>
  );
}

/** A labelled field of such a form. */
export function TextField({
  name,
  label,
  start = "",
  isWide = false,
  type = "text",
  max,
}: {
  name: string;
  label: string;
  start?: string;
  isWide?: boolean;
  type?: "text" | "date";
  max?: string;
}) {
  return (
    <label className={`grid gap-1 ${isWide ? "min-w-64 grow" : ""}`}>
      {label}
      {type === "date" ? (
        <DayField name={name} start={start} {...(max ? { max } : {})} className="input input-sm w-40" />
      ) : (
        <input name={name} defaultValue={start} className={`input input-sm ${isWide ? "w-full" : "w-40"}`} />
      )}
    </label>
  );
}

/** A seller's list, pasted or from a file: looked at first, then imported as a whole or not at all. */
export function ImportOffersForm({ action }: { action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  const [text, setText] = useState("");
  const checked = form.status === "done" && form.typed.checked === text && text !== "" ? form.typed : null;
  return (
    <form action={send} className="grid gap-2 text-sm">
      <input type="hidden" name="step" value={checked ? "import" : "check"} />
      <label className="grid gap-1">
        The first row names the columns: name, family, price, freight, seller, batch, stated figures as for any bar
        <textarea
          name="text"
          rows={5}
          value={text}
          onChange={({ target }) => setText(target.value)}
          spellCheck={false}
          className="textarea w-full font-mono text-xs"
          placeholder={
            "name;family;price;freight;seller;shaft diameter;mass\nStiff bar;power bar;£395;£38;Harbour Iron;29 mm;20 kg"
          }
        />
      </label>
      <div className="flex flex-wrap items-center gap-3">
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          aria-label="Offers from a file"
          className="file-input file-input-sm"
          onChange={async ({ target }) => setText((await target.files?.[0]?.text()) ?? "")}
        />
        <button className="btn btn-sm btn-neutral" disabled={isPending || text.trim() === ""}>
          {checked ? `Import ${checked.added}` : "Check"}
        </button>
        <FormMessage state={form} />
      </div>
      <FormProblems form={form} />
    </form>
  );
}
