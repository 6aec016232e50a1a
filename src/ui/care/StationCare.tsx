"use client";

import { useState } from "react";
import { STATION_FOUNDS } from "@/core/care/stationChecks";
import { dayText } from "@/core/units/dates";
import type { CheckedStation } from "@/server/equipment";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import { freshKey } from "../kit/freshKey";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  stations: readonly CheckedStation[];
  today: string;
  mayCheck: boolean;
  mayReturn: boolean;
  action: FormAction;
}

/** What holds racks and benches together: each part with its last look, when it is due, and what was found today. */
export function StationCare({ stations, today, mayCheck, mayReturn, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  if (stations.length === 0)
    return <p className="sheet p-6">No racks or benches yet. Add them under Settings, Plates and stations.</p>;
  return (
    <div className="grid gap-3">
      <FormMessage state={form} />
      <FormProblems form={form} />
      <div className="grid items-start gap-3 lg:grid-cols-2">
        {stations.map(({ key, name, outOfUse, parts }) => (
          <section
            key={key}
            aria-label={name}
            className={`sheet px-4 py-2 ${outOfUse ? "border-l-error border-l-4" : ""}`}
          >
            <h2 className="font-bold">{name}</h2>
            {outOfUse && (
              <p className="text-error font-semibold">
                Out of use: {outOfUse}. Nobody lifts here.
                {!mayReturn && " A coach or the manager checks it before anyone lifts there."}
              </p>
            )}
            <ul className="divide-base-300 divide-y text-sm">
              {parts.map((part) => (
                <li key={part.part} className="grid gap-1 py-2">
                  <p className="flex flex-wrap items-baseline gap-x-2">
                    <strong>{part.name}</strong>
                    <span className={part.dueOn <= today ? "text-accent font-bold" : "text-quiet"}>
                      {part.doneOn === null
                        ? "never checked"
                        : part.dueOn <= today
                          ? `due ${dayText(part.dueOn, today)}`
                          : `next ${dayText(part.dueOn, today)}`}
                    </span>
                    {part.doneOn && (
                      <span className="text-quiet">
                        {part.found}, {dayText(part.doneOn, today)}
                        {part.note && `: ${part.note}`}
                      </span>
                    )}
                  </p>
                  <p className="text-quiet text-xs">{part.how}</p>
                  {mayCheck && (
                    <PartForm
                      key={`${form.status} ${part.doneOn} ${part.found}`}
                      station={key}
                      part={part.part}
                      label={`${part.name} of ${name}`}
                      isPending={isPending}
                      send={send}
                    />
                  )}
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
      <p className="text-quiet text-xs">
        The maker’s own intervals and torques come first. A crack, a loose bolt or a bent pin: nobody lifts there until
        it is fixed.
      </p>
    </div>
  );
}

interface PartProps {
  station: string;
  part: string;
  label: string;
  isPending: boolean;
  send: (form: FormData) => void;
}

function PartForm({ station, part, label, isPending, send }: PartProps) {
  const [key, setKey] = useState(freshKey);
  return (
    <form
      action={(form) => {
        send(form);
        // Another look is another one, also where it finds the same.
        setKey(freshKey());
      }}
      className="flex flex-wrap items-center gap-2"
    >
      <input type="hidden" name="key" value={key} />
      <input type="hidden" name="station" value={station} />
      <input type="hidden" name="part" value={part} />
      <select name="found" aria-label={`Found: ${label}`} defaultValue="sound" className="select select-sm w-32">
        {STATION_FOUNDS.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </select>
      <input
        name="note"
        maxLength={300}
        aria-label={`Note: ${label}`}
        placeholder="note"
        className="input input-sm w-44"
      />
      <button type="submit" disabled={isPending} className="btn btn-sm btn-outline">
        Save<span className="sr-only"> {label}</span>
      </button>
    </form>
  );
}
