"use client";

import { MEETING_QUANTITIES, type MeetingQuantity } from "@/core/matching/meetingSpec";
import { useChecked } from "../kit/checkedField";
import { CheckedForm } from "../kit/CheckedForm";
import { FieldProblem } from "../kit/FieldProblem";
import { Field, FormMessage } from "../kit/FormParts";
import { Options } from "../kit/Options";
import type { FormAction, FormState } from "../kit/formState";
import { Say, UnitInput, UnitName } from "../kit/shown";
import { useFormAction } from "../kit/useFormAction";
import type { MeetingItem } from "./meetingItem";

const KINDS = Object.keys(MEETING_QUANTITIES) as MeetingQuantity[];
const ENDS = ["least", "most"] as const;
const MARKS = [
  ["", "nothing asked"],
  ["powerlifting", "810 mm apart"],
  ["weightlifting", "910 mm apart"],
] as const;
const INPUT = "input input-sm";

interface Props {
  item: MeetingItem | null;
  lifts: readonly { key: string; name: string }[];
  action: FormAction;
}

/** What rules ask of the bar for some lifts: entered, changed or deleted. */
export function MeetingForm({ item, lifts, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const typed = form.status === "refused" ? form.typed : null;
  const chosen = typed ? (typed.lifts ?? "").split(" ") : (item?.lifts ?? []);
  const value = (name: string, known: string | undefined) => typed?.[name] ?? known ?? "";
  const text = (name: string, label: string, known: string | undefined) => (
    <Field state={form} name={name} label={label}>
      {(attributes) => <input {...attributes} defaultValue={value(name, known)} className={`${INPUT} w-full`} />}
    </Field>
  );
  return (
    <CheckedForm
      kind="meeting"
      key={`${form.status}${form.problems.length}`}
      {...{ form, send, isPending }}
      className="grid gap-3 text-sm"
    >
      <input type="hidden" name="id" value={item?.id ?? ""} />
      <input type="hidden" name="version" value={form.version ?? item?.version ?? 0} />
      <div className="grid gap-3 sm:grid-cols-3">
        {text("rules", "name of the rules", item?.rules)}
        {text("source", "where it is written", item?.spec.source)}
        <Field state={form} name="marks" label="ring marks">
          {(attributes) => (
            <select
              {...attributes}
              defaultValue={value("marks", item?.spec.marks ?? "")}
              className="select select-sm w-full"
            >
              <Options of={MARKS} />
            </select>
          )}
        </Field>
      </div>
      <fieldset>
        <legend className="mb-1 font-semibold">for the lifts</legend>
        <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3 lg:grid-cols-5">
          {lifts.map(({ key, name }) => (
            <label key={key} className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                name="lifts"
                value={key}
                defaultChecked={chosen.includes(key)}
                className="checkbox checkbox-sm"
              />
              {name}
            </label>
          ))}
        </div>
        <FieldProblem state={form} name="lifts" />
      </fieldset>
      <fieldset>
        <legend className="mb-1 font-semibold">the bar, minimum to maximum; blank where the rules say nothing</legend>
        <div className="grid gap-2 sm:grid-cols-2 lg:grid-cols-4">
          {KINDS.map((kind) => (
            <div key={kind}>
              <div className="flex items-center justify-between gap-2">
                <span>{MEETING_QUANTITIES[kind].label}</span>
                <span className="flex items-center gap-1">
                  {ENDS.map((end) => (
                    <End
                      key={end}
                      {...{ kind, end, form }}
                      text={value(`${end}.${kind}`, item?.spec.ranges[kind]?.[end]?.toString())}
                    />
                  ))}
                  <span className="unit w-6">
                    <UnitName of={MEETING_QUANTITIES[kind].unit} />
                  </span>
                </span>
              </div>
              {ENDS.map((end) => (
                <FieldProblem key={end} state={form} name={`${end}.${kind}`} />
              ))}
            </div>
          ))}
        </div>
      </fieldset>
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-sm btn-neutral" disabled={isPending}>
          {item ? "Save" : "Add rules"}
        </button>
        {item && (
          <button name="remove" value="1" className="btn btn-sm btn-outline" disabled={isPending}>
            Delete
          </button>
        )}
        <FormMessage state={form} />
      </div>
      <p className="text-quiet text-xs">
        <Say text="A figure without a tolerance: enter the same number twice, or what measuring allows on either side, such as 0.1 mm of a diameter." />
      </p>
    </CheckedForm>
  );
}

/** One end of what is asked, in the reader's unit. */
function End({
  kind,
  end,
  form,
  text,
}: {
  kind: MeetingQuantity;
  end: "least" | "most";
  form: FormState;
  text: string;
}) {
  const { label, unit } = MEETING_QUANTITIES[kind];
  const name = `${end}.${kind}`;
  const { registered, problem } = useChecked(name);
  const attributes = {
    ...registered,
    name,
    "aria-label": `${label}, ${end}`,
    "aria-invalid": problem !== null || form.problems.some(({ path }) => path === name),
    className: `${INPUT} w-20 px-1 text-right`,
  };
  // What cannot be read stays as it was typed.
  return text !== "" && !Number.isFinite(Number(text)) ? (
    <input {...attributes} data-unit={unit} defaultValue={text} />
  ) : (
    <UnitInput {...attributes} unit={unit} value={text === "" ? null : Number(text)} />
  );
}
