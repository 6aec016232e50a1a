"use client";

import { useState } from "react";
import { PURPOSES, PURPOSE_WORDS } from "@/core/matching/lifter";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { type Choice } from "./entryChoice";

/** Puts a lifter's lift into the class; their usual load stands there already. */
export function AddEntryForm({
  classId,
  lifters,
  lifts,
  usual,
  action,
}: {
  classId: string;
  lifters: readonly Choice[];
  lifts: readonly Choice[];
  /** Usual load by "lifter lift". */
  usual: Readonly<Record<string, string>>;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  const [lifter, setLifter] = useState(lifters[0]?.key ?? "");
  const [lift, setLift] = useState(lifts[0]?.key ?? "");
  const load = usual[`${lifter} ${lift}`] ?? "";
  return (
    <form action={send} className="flex flex-wrap items-end gap-3 text-sm">
      <input type="hidden" name="classId" value={classId} />
      <Pick label="lifter" value={lifter} of={lifters} onPick={setLifter} />
      <Pick label="lift" value={lift} of={lifts} onPick={setLift} />
      <label className="grid gap-1">
        load
        <input
          name="load"
          key={`${lifter}${lift}`}
          defaultValue={load}
          placeholder="from the log"
          className="input input-sm w-24"
        />
      </label>
      <label className="grid gap-1">
        a set for
        <select name="purpose" className="select select-sm w-44">
          {PURPOSES.map((key) => (
            <option key={key} value={key}>
              {PURPOSE_WORDS[key]}
            </option>
          ))}
        </select>
      </label>
      <button className="btn btn-sm btn-neutral" disabled={isPending}>
        Add
      </button>
      <FormMessage state={form} />
      <FormProblems form={form} />
    </form>
  );
}

function Pick({
  label,
  value,
  of,
  onPick,
}: {
  label: string;
  value: string;
  of: readonly Choice[];
  onPick: (key: string) => void;
}) {
  return (
    <label className="grid gap-1">
      {label}
      <select
        name={label}
        value={value}
        onChange={({ target }) => onPick(target.value)}
        className="select select-sm w-48"
      >
        {of.map(({ key, name }) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Works the evening out. */
export function AssignForm({ classId, isAgain, action }: { classId: string; isAgain: boolean; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="flex flex-wrap items-center gap-3">
      <input type="hidden" name="classId" value={classId} />
      <button className={`btn btn-sm ${isAgain ? "btn-outline" : "btn-neutral"}`} disabled={isPending}>
        {isPending ? "Working it out …" : isAgain ? "Assign again" : "Assign stations and bars"}
      </button>
      <FormMessage state={form} />
    </form>
  );
}

/** The class again after something of it broke, in one touch. */
export function ReassignForm({ classId, action }: { classId: string; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="flex flex-wrap items-center gap-3">
      <input type="hidden" name="classId" value={classId} />
      <button className="btn btn-error" disabled={isPending}>
        {isPending ? "Reassigning …" : "Reassign"}
      </button>
      <FormMessage state={form} />
    </form>
  );
}
