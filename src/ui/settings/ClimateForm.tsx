"use client";

import { useState } from "react";
import type { ClimateClass } from "@/core/care/climateClass";
import type { Air } from "@/core/care/corrosion";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  /** A climate, or the gym's own figures. */
  climate: ClimateClass | Air;
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

const CLIMATES: readonly (readonly [ClimateClass, string])[] = [
  ["dry", "Dry: heated or desert air"],
  ["temperate", "Temperate"],
  ["humid", "Humid, away from the sea"],
  ["salt-humid", "Humid, with salt from the sea"],
];

const FIGURES = [
  ["temperatureC", "Temperature", "°C"],
  ["relativeHumidityPct", "Humidity", "%"],
  ["so2Deposition", "Sulphur dioxide", "mg/m² a day"],
  ["chlorideDeposition", "Salt (chloride)", "mg/m² a day"],
] as const;

/** The air that care goes by where no sensor measures it. */
export function ClimateForm({ climate, version, mayEdit, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const [chosen, setChosen] = useState<string>(typeof climate === "string" ? climate : "own");
  const own = typeof climate === "string" ? null : climate;
  const problemOf = (path: string) => form.problems.find((problem) => problem.path === path)?.message;
  return (
    <form action={send} key={`${version}${form.status}`} className="grid gap-2 text-sm">
      <input type="hidden" name="version" value={form.version ?? version} />
      <fieldset className="grid gap-1" disabled={!mayEdit}>
        <legend className="sr-only">Climate</legend>
        {[...CLIMATES, ["own", "Our own figures"] as const].map(([key, words]) => (
          <label key={key} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name="climate"
              value={key}
              className="radio radio-sm"
              checked={chosen === key}
              onChange={() => setChosen(key)}
            />
            {words}
          </label>
        ))}
        {chosen === "own" && (
          <div className="grid gap-2 sm:grid-cols-2">
            {FIGURES.map(([key, label, unit]) => (
              <label key={key} className="grid gap-1">
                {label}, {unit}
                <input
                  name={key}
                  inputMode="decimal"
                  defaultValue={form.typed[key] ?? own?.[key] ?? ""}
                  aria-invalid={problemOf(key) !== undefined}
                  className="input w-full"
                />
                {problemOf(key) && <span className="text-error">{problemOf(key)}</span>}
              </label>
            ))}
          </div>
        )}
      </fieldset>
      {mayEdit ? (
        <div className="flex flex-wrap items-center gap-3">
          <button className="btn btn-neutral" disabled={isPending}>
            Save
          </button>
          <FormMessage state={form} />
        </div>
      ) : (
        <p className="text-quiet">The manager chooses the climate.</p>
      )}
    </form>
  );
}
