"use client";

import { useId, type ComponentProps, type ReactNode } from "react";
import { capacityKey } from "@/core/classes/readClass";
import { CheckedForm } from "../kit/CheckedForm";
import { useChecked } from "../kit/checkedField";
import { DayField } from "../kit/DayField";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction, FormState } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  id: string | null;
  version: number;
  /** name, heldOn, startsAt, blockMinutes, blocks, and capacity.KEY by station. */
  texts: Record<string, string>;
  stations: readonly { key: string; name: string }[];
  action: FormAction;
}

/** When a class is and where: blocks, and how many share each station. */
export function ClassForm({ id, version, texts, stations, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const known = form.status === "refused" ? form.typed : texts;
  const of = (name: string) => ({ name, text: known[name] ?? "", form });
  return (
    <CheckedForm
      key={`${form.status}${form.problems.length}`}
      kind="class"
      {...{ form, send, isPending }}
      className="grid gap-3"
    >
      <input type="hidden" name="id" value={id ?? ""} />
      <input type="hidden" name="version" value={form.version ?? version} />
      <FormProblems form={form} />
      <div className="grid grid-cols-2 items-start gap-3 sm:grid-cols-6">
        <Asked {...of("name")} label="name" className="col-span-2" />
        <DayAsked {...of("heldOn")} label="day" />
        <Asked {...of("startsAt")} label="starts at" type="time" />
        <Asked {...of("blocks")} label="blocks" inputMode="numeric" />
        <Asked {...of("blockMinutes")} label="minutes each" inputMode="numeric" />
      </div>
      <fieldset>
        <legend className="mb-1 text-sm font-semibold">how many share each station and its bar; empty: not used</legend>
        <div className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-3 lg:grid-cols-5">
          {stations.map(({ key, name }) => (
            <Asked key={key} {...of(capacityKey(key))} label={name} inputMode="numeric" isBeside />
          ))}
        </div>
      </fieldset>
      <div className="flex items-center gap-3">
        <button className="btn btn-sm btn-neutral" disabled={isPending}>
          {id === null ? "Add class" : "Save"}
        </button>
        <FormMessage state={form} />
      </div>
    </CheckedForm>
  );
}

interface AskedProps {
  name: string;
  label: string;
  text: string;
  form: FormState;
  className?: string;
}

/** What is wrong with a field: what the check says now, or whether the last answer refused it. */
function useProblem(name: string, form: FormState) {
  const { registered, problem } = useChecked(name);
  const id = useId();
  const isWrong = problem !== null || form.problems.some(({ path }) => path === name);
  return {
    registered,
    attributes: { "aria-invalid": isWrong, ...(problem === null ? {} : { "aria-describedby": id }) },
    said: problem !== null && (
      <span id={id} className="text-error text-sm">
        {problem}
      </span>
    ),
  };
}

function Asked({
  name,
  label,
  text,
  form,
  className = "",
  isBeside = false,
  ...input
}: AskedProps & { isBeside?: boolean } & Pick<ComponentProps<"input">, "type" | "inputMode">) {
  const { registered, attributes, said } = useProblem(name, form);
  const field = (
    <input
      {...registered}
      {...{ name, ...input, ...attributes }}
      defaultValue={text}
      className={`input input-sm ${isBeside ? "w-14 text-right" : "w-full"}`}
    />
  );
  return <Labelled {...{ label, className, isBeside, said }}>{field}</Labelled>;
}

function DayAsked({ name, label, text, form, className = "" }: AskedProps) {
  const { attributes, said } = useProblem(name, form);
  return (
    <Labelled {...{ label, className, said }}>
      <DayField name={name} start={text} {...attributes} className="input input-sm w-full" />
    </Labelled>
  );
}

function Labelled({
  label,
  className,
  isBeside = false,
  said,
  children,
}: {
  label: string;
  className: string;
  isBeside?: boolean;
  said: ReactNode;
  children: ReactNode;
}) {
  return (
    <div className={className}>
      <label className={isBeside ? "flex items-center justify-between gap-2 text-sm" : "grid gap-1 text-sm"}>
        <span className={isBeside ? "" : "font-semibold"}>{label}</span>
        {children}
      </label>
      {said}
    </div>
  );
}
