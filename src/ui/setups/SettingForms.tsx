"use client";

import { useState } from "react";
import type { Setting, SetupOption } from "@/core/setups/setupOptions";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { useFormAction } from "../kit/useFormAction";
import { Say } from "../kit/shown";

/** Keeps the setting on the screen for the lifter; the J-cup hole as it was used or as the rule says. */
export function KeepForm({
  tag,
  lifter,
  lifterName,
  lift,
  setting,
  stations,
  at,
  totalKg,
  plateMm,
  action,
}: {
  tag: string;
  lifter: string;
  lifterName: string;
  lift: string;
  setting: Setting;
  stations: readonly { key: string; name: string; hole: number | null }[];
  at: string;
  totalKg: number;
  plateMm: number;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  const [station, setStation] = useState(at);
  const hole = stations.find(({ key }) => key === station)?.hole ?? null;
  const card = form.typed.id;
  return (
    <form action={send} className="flex flex-wrap items-end gap-2 text-sm">
      <input type="hidden" name="tag" value={tag} />
      <input type="hidden" name="lifter" value={lifter} />
      <input type="hidden" name="lift" value={lift} />
      <input type="hidden" name="setting" value={JSON.stringify(setting)} />
      <input type="hidden" name="totalKg" value={totalKg} />
      <input type="hidden" name="plateMm" value={plateMm} />
      {stations.length > 0 && (
        <>
          <label className="grid gap-1">
            rack or bench
            <select
              name="station"
              value={station}
              onChange={({ target }) => setStation(target.value)}
              className="select select-sm w-40"
            >
              <option value="">none</option>
              {stations.map(({ key, name }) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <label className="grid gap-1">
            J-cup hole
            <input
              key={`${station}${hole}`}
              name="jCupHole"
              inputMode="numeric"
              defaultValue={hole ?? ""}
              className="input input-sm w-20"
            />
          </label>
        </>
      )}
      <label className="grid min-w-40 grow gap-1">
        note
        <input name="note" maxLength={200} className="input input-sm w-full" />
      </label>
      <button className="btn btn-sm btn-neutral" disabled={isPending}>
        Save for {lifterName}
      </button>
      <FormMessage state={form} />
      {form.problems.map(({ path, message }) => (
        <p key={path + message} className="text-error basis-full text-sm">
          {message}
        </p>
      ))}
      {form.status === "done" && card && (
        <Link href={`/setups/card/${card}`} className="btn btn-sm btn-outline">
          Open the card
        </Link>
      )}
    </form>
  );
}

/**
 * How the bar is set now, side by side: left and right are asked apart because they must agree. It opens with what was
 * recorded, never with what somebody looks at; where nothing was recorded, with nothing chosen.
 */
export function StandForm({
  tag,
  options,
  present,
  hasSides,
  action,
}: {
  tag: string;
  options: readonly SetupOption[];
  /** As recorded; null where nobody did. */
  present: Setting | null;
  /** Whether left and right can be set apart. */
  hasSides: boolean;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  const asked = options.filter(({ isLength, choices }) => !isLength && choices.length > 1);
  const fixed = options.filter(({ isLength, choices }) => !isLength && choices.length === 1);
  const sides = hasSides ? (["left", "right"] as const) : (["left"] as const);
  return (
    <form action={send} key={form.status + form.message} className="grid gap-2 text-sm">
      {fixed.map(({ key, choices }) =>
        (["left", "right"] as const).map((side) => (
          <input key={side + key} type="hidden" name={`${side}.${key}`} value={choices[0]!.key} />
        )),
      )}
      <input type="hidden" name="tag" value={tag} />
      <table className="w-full max-w-md">
        {hasSides && (
          <thead className="text-quiet text-left text-xs">
            <tr>
              <th />
              <th className="font-normal">left</th>
              <th className="font-normal">right</th>
            </tr>
          </thead>
        )}
        <tbody>
          {asked.map(({ key, label, choices }) => (
            <tr key={key}>
              <th scope="row" className="text-quiet pr-3 text-left font-normal">
                {label}
              </th>
              {sides.map((side) => (
                <td key={side} className="py-0.5 pr-2">
                  <select
                    name={`${side}.${key}`}
                    aria-label={hasSides ? `${side}: ${label}` : label}
                    defaultValue={form.typed[`${side}.${key}`] ?? present?.[key] ?? ""}
                    required
                    className="select select-sm w-full min-w-20"
                  >
                    {present?.[key] === undefined && <option value="">choose</option>}
                    {choices.map((choice) => (
                      <option key={choice.key} value={choice.key}>
                        {choice.words}
                      </option>
                    ))}
                  </select>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap items-center gap-2">
        <button name="as" value="present" className="btn btn-sm btn-neutral" disabled={isPending}>
          It is set like this
        </button>
        <button name="as" value="stored" className="btn btn-sm btn-outline" disabled={isPending}>
          Store it like this
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}

/** Copies a setting to somebody built alike. */
export function CopyForm({
  id,
  lifters,
  action,
}: {
  id: string;
  lifters: readonly { key: string; name: string; apartMm: number | null }[];
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="flex flex-wrap items-center gap-2 text-sm">
      <input type="hidden" name="id" value={id} />
      <select name="lifter" aria-label="Copy to" className="select select-sm w-52">
        {lifters.map(({ key, name, apartMm }) => (
          <option key={key} value={key}>
            {name}
            {apartMm === null ? "" : <Say text={`, built ${Math.round(apartMm)} mm apart`} />}
          </option>
        ))}
      </select>
      <button className="btn btn-sm btn-outline" disabled={isPending}>
        Copy
      </button>
      <FormMessage state={form} />
      {form.problems.map(({ message }) => (
        <p key={message} className="text-error text-sm">
          {message}
        </p>
      ))}
    </form>
  );
}
