"use client";

import { useState } from "react";
import type { ClimateClass } from "@/core/care/climateClass";
import type { Air } from "@/core/care/corrosion";
import { AIR_KEYS, AIR_NUMBERS } from "@/core/care/readClimate";
import { FieldProblem } from "../kit/FieldProblem";
import type { FormAction } from "../kit/formState";
import { SavedForm } from "../kit/SavedForm";
import { RuleNumber } from "./RuleNumber";

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

const FIELDS = ["climate", ...AIR_KEYS];

/** The air that care goes by where no sensor measures it. */
export function ClimateForm({ climate, version, mayEdit, action }: Props) {
  const [chosen, setChosen] = useState<string>(typeof climate === "string" ? climate : "own");
  const own = typeof climate === "string" ? null : climate;
  return (
    <SavedForm
      kind="climate"
      fields={chosen === "own" ? FIELDS : ["climate"]}
      className="grid gap-2 text-sm"
      readOnly="The manager chooses the climate."
      {...{ version, mayEdit, action }}
    >
      {(form) => (
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
          <FieldProblem state={form} name="climate" />
          {chosen === "own" && (
            <div className="grid gap-2">
              {AIR_KEYS.map((key) => (
                <RuleNumber
                  key={key}
                  name={key}
                  rule={AIR_NUMBERS[key]}
                  value={own?.[key] ?? ""}
                  form={form}
                  isDisabled={!mayEdit}
                />
              ))}
            </div>
          )}
        </fieldset>
      )}
    </SavedForm>
  );
}
