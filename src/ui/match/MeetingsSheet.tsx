"use client";

import { MEETING_QUANTITIES, rangeWords, type MeetingQuantity, type MeetingSpec } from "@/core/matching/meetingSpec";
import type { FormAction } from "../kit/formState";
import { Say } from "../kit/shown";
import { MeetingForm } from "./MeetingForm";
import type { MeetingItem } from "./meetingItem";

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
              {own[0]!.id === null && `. Its short name, for a lifter’s competitions: ${rules}.`}
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
