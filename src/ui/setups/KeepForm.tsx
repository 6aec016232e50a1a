"use client";

import { useState } from "react";
import type { Setting } from "@/core/setups/setupOptions";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { useFormAction } from "../kit/useFormAction";

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
      <FormProblems form={form} />
      {form.status === "done" && card && (
        <Link href={`/setups/card/${card}`} className="btn btn-sm btn-outline">
          Open the card
        </Link>
      )}
    </form>
  );
}
