"use client";

import { useState } from "react";
import { CheckedForm } from "../kit/CheckedForm";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { type BarChoice, isBesideField, SetFields } from "./SetFields";

/** Logs sets as people write them. */
export function AddSetsForm({
  lifter,
  start,
  bars,
  lifts,
  today,
  action,
}: {
  lifter: string;
  start: Readonly<Record<string, string>>;
  bars: readonly BarChoice[];
  lifts: readonly { key: string; name: string }[];
  today: string;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <CheckedForm
      kind="sets"
      key={form.status === "done" ? form.message : "typing"}
      {...{ form, send, isPending }}
      className="flex flex-wrap items-end gap-3 text-sm"
    >
      <input type="hidden" name="lifter" value={lifter} />
      <SetFields form={form} start={start} bars={bars} lifts={lifts} today={today} />
      <div className="flex basis-full flex-wrap items-center gap-3">
        <button className="btn btn-sm btn-neutral" disabled={isPending}>
          Add sets
        </button>
        <FormMessage state={form} />
      </div>
      <FormProblems form={form} isBeside={isBesideField} />
    </CheckedForm>
  );
}

/** Changes one set. */
export function EditSetForm({
  id,
  version,
  lifter,
  start,
  bars,
  lifts,
  today,
  action,
}: {
  id: string;
  version: number;
  lifter: string;
  start: Readonly<Record<string, string>>;
  bars: readonly BarChoice[];
  lifts: readonly { key: string; name: string }[];
  today: string;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <CheckedForm kind="sets" {...{ form, send, isPending }} className="flex flex-wrap items-end gap-3 py-2 text-sm">
      <input type="hidden" name="id" value={id} />
      <input type="hidden" name="version" value={form.version ?? version} />
      <input type="hidden" name="lifter" value={lifter} />
      <SetFields form={form} start={start} bars={bars} lifts={lifts} today={today} isOne />
      <div className="flex basis-full flex-wrap items-center gap-3">
        <button className="btn btn-sm btn-neutral" disabled={isPending}>
          Save
        </button>
        <FormMessage state={form} />
      </div>
      <FormProblems form={form} isBeside={isBesideField} />
    </CheckedForm>
  );
}

/** One touch: deletes a set, or undoes the latest change. */
export function OneTouchForm({
  fields,
  word,
  label,
  action,
}: {
  fields: Readonly<Record<string, string>>;
  word: string;
  label?: string;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="no-print inline-flex items-center gap-2">
      {Object.entries(fields).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <FormMessage state={form} />
      <button className="btn btn-sm btn-outline" aria-label={label} disabled={isPending}>
        {word}
      </button>
    </form>
  );
}

const lines = (text: string) => text.replaceAll("\r\n", "\n");

/** A file or pasted rows: looked at first, then imported as a whole or not at all. */
export function ImportSetsForm({ lifter, action }: { lifter: string; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  const [text, setText] = useState("");
  // What was sent has the line ends of forms.
  const isChecked = form.status === "done" && lines(form.typed.checked ?? "") === lines(text) && text !== "";
  const read = async (file: File | undefined) => {
    if (file) setText(await file.text());
  };
  return (
    <form action={send} className="grid gap-3 text-sm">
      <input type="hidden" name="lifter" value={lifter} />
      <p className="text-quiet">
        A first row with date, lift, bar, load; and unit, repetitions, reserve, made, setting, variant, hands helped,
        note where there are any. Sets that are in the log already are left out.
      </p>
      <label className="grid gap-1">
        File
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          className="file-input file-input-sm w-full max-w-96"
          onChange={({ target }) => {
            void read(target.files?.[0]);
            target.value = "";
          }}
        />
      </label>
      <label className="grid gap-1">
        Or paste rows here
        <textarea
          name="text"
          rows={4}
          spellCheck={false}
          value={text}
          onChange={({ target }) => setText(target.value)}
          placeholder={"date,lift,bar,load,repetitions,reserve\n2026-03-02,back-squat-low,K04,140 kg,5,2"}
          className="textarea w-full font-mono text-xs"
        />
      </label>
      {form.problems.some(({ path }) => path === "isSure") && (
        <label className="text-error flex min-h-11 items-center gap-2 font-semibold">
          <input type="checkbox" name="isSure" className="checkbox checkbox-sm" />
          It is right
        </label>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <button
          name="step"
          value="check"
          className={`btn btn-sm ${isChecked ? "btn-outline" : "btn-neutral"}`}
          disabled={isPending || text === ""}
        >
          Check
        </button>
        {isChecked && form.typed.sets !== "0" && (
          <button name="step" value="import" className="btn btn-sm btn-neutral" disabled={isPending}>
            Import {form.typed.sets} {form.typed.sets === "1" ? "set" : "sets"}
          </button>
        )}
        <FormMessage state={form} />
      </div>
      <FormProblems form={form} isBeside={isBesideField} />
    </form>
  );
}
