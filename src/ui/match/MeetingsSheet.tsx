"use client";

import { useId } from "react";
import { MEETING_QUANTITIES, rangeWords, type MeetingQuantity, type MeetingSpec } from "@/core/matching/meetingSpec";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { Say } from "../kit/shown";

export interface MeetingItem {
  /** Null for rules that come with the program. */
  id: string | null;
  version: number;
  rules: string;
  lifts: readonly string[];
  spec: MeetingSpec;
}

interface Props {
  items: readonly MeetingItem[];
  lifts: readonly { key: string; name: string }[];
  mayEdit: boolean;
  action: FormAction;
}

const KINDS = Object.keys(MEETING_QUANTITIES) as MeetingQuantity[];

/** What meetings ask of the bar, lift by lift. */
export function MeetingsSheet({ items, lifts, mayEdit, action }: Props) {
  const names = [...new Set(items.map(({ rules }) => rules))];
  const nameOf = (key: string) => lifts.find((lift) => lift.key === key)?.name ?? key;
  return (
    <div className="grid gap-3">
      {names.map((rules) => {
        const own = items.filter((item) => item.rules === rules);
        const { name, source } = own[0]!.spec;
        return (
          <section key={rules} className="sheet px-4 py-3" aria-label={name}>
            <h2 className="font-bold">{name}</h2>
            <p className="text-quiet mb-2 text-xs">
              {source}
              {own[0]!.id === null && `. Lifters’ competitions name it “${rules}”.`}
            </p>
            <ul className="divide-base-300 divide-y">
              {own.map((item) => (
                <li key={item.id ?? rules} className="py-2 text-sm">
                  <p>
                    <strong>{item.lifts.map(nameOf).join(", ")}:</strong> <Say text={specWords(item.spec)} />
                  </p>
                  {item.id !== null && mayEdit && (
                    <details>
                      <summary className="link min-h-9 cursor-pointer py-2 text-xs">Change</summary>
                      <MeetingForm key={item.version} item={item} lifts={lifts} action={action} />
                    </details>
                  )}
                </li>
              ))}
            </ul>
          </section>
        );
      })}
      {mayEdit && (
        <section className="sheet px-4 py-3" aria-label="Add rules">
          <h2 className="font-bold">Add rules</h2>
          <p className="text-quiet mb-2 text-xs">
            Some federations use one bar for all lifts, some a squat, a bench and a deadlift bar of their own: enter the
            same name once for each bar. The federation’s own text comes first.
          </p>
          <MeetingForm key={items.length} item={null} lifts={lifts} action={action} />
        </section>
      )}
    </div>
  );
}

function specWords({ ranges, marks }: MeetingSpec): string {
  const words = KINDS.flatMap((kind) => {
    const range = ranges[kind];
    if (!range) return [];
    const { label, unit, decimals } = MEETING_QUANTITIES[kind];
    const { least = -Infinity, most = Infinity } = range;
    return [`${label} ${rangeWords({ least, most }, Math.max(decimals, 3))} ${unit}`];
  });
  return [...words, ...(marks ? [`rings ${marks === "powerlifting" ? 810 : 910} mm apart`] : [])].join("; ");
}

function MeetingForm({ item, lifts, action }: { item: MeetingItem | null; lifts: Props["lifts"]; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  const id = useId();
  const typed = form.status === "refused" ? form.typed : null;
  const chosen = typed ? (typed.lifts ?? "").split(" ") : (item?.lifts ?? []);
  const value = (name: string, known: string | undefined) => typed?.[name] ?? known ?? "";
  const input = "input input-sm";
  return (
    <form action={send} key={`${form.status}${form.problems.length}`} className="grid gap-3 text-sm">
      <input type="hidden" name="id" value={item?.id ?? ""} />
      <input type="hidden" name="version" value={form.version ?? item?.version ?? 0} />
      <FormProblems form={form} />
      <div className="grid gap-3 sm:grid-cols-3">
        <label className="grid gap-1">
          <span className="font-semibold">name of the rules</span>
          <input name="rules" defaultValue={value("rules", item?.rules)} className={`${input} w-full`} />
        </label>
        <label className="grid gap-1">
          <span className="font-semibold">where it is written</span>
          <input name="source" defaultValue={value("source", item?.spec.source)} className={`${input} w-full`} />
        </label>
        <label className="grid gap-1">
          <span className="font-semibold">ring marks</span>
          <select
            name="marks"
            defaultValue={value("marks", item?.spec.marks ?? "")}
            className="select select-sm w-full"
          >
            <option value="">nothing asked</option>
            <option value="powerlifting">810 mm apart</option>
            <option value="weightlifting">910 mm apart</option>
          </select>
        </label>
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
      </fieldset>
      <fieldset>
        <legend className="mb-1 font-semibold">the bar, from least to most; empty where the rules are silent</legend>
        <div className="grid gap-2 sm:grid-cols-2 lg:grid-cols-4">
          {KINDS.map((kind) => (
            <div key={kind} className="flex items-center justify-between gap-2">
              <span id={`${id}${kind}`}>{MEETING_QUANTITIES[kind].label}</span>
              <span className="flex items-center gap-1">
                {(["least", "most"] as const).map((end) => (
                  <input
                    key={end}
                    name={`${end}.${kind}`}
                    aria-label={`${MEETING_QUANTITIES[kind].label}, ${end}`}
                    inputMode="decimal"
                    defaultValue={value(`${end}.${kind}`, item?.spec.ranges[kind]?.[end]?.toString())}
                    className={`${input} w-18 px-1 text-right`}
                  />
                ))}
                <span className="unit w-6">{MEETING_QUANTITIES[kind].unit}</span>
              </span>
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
    </form>
  );
}
