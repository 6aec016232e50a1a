"use client";

import { useState } from "react";
import type { Bar } from "@/core/bars/bar";
import type { InspectionLimits } from "@/core/care/inspection";
import { DIAL_READINGS, dialNames, turnName } from "@/core/care/readInspection";
import { simulatedTurns } from "@/core/instruments/simulatedTurns";
import { fixed, trimmed } from "@/core/units/format";
import { fieldNumber } from "@/core/units/shown";
import { bendPlaceWords, DIAL_PLACES, type DialPlace, SHOWN_BEND_MM, standHalfMm } from "@/core/wear/bendPlace";
import type { Problem } from "@/core/problem";
import { useChecked } from "../kit/checkedField";
import type { FormState } from "../kit/formState";
import { Say, UnitName } from "../kit/shown";
import { BendPicture } from "./BendPicture";
import { Seen, YES_NO } from "./InspectionFields";
import type { Inspecting } from "./useInspection";

interface Props {
  bar: Bar;
  limits: InspectionLimits;
  form: FormState;
  inspecting: Inspecting;
  /** Runout that the simulated gauge would find, in mm; null where there is none. */
  simulatedMm: number | null;
}

const angle = (i: number) => `${(360 / DIAL_READINGS) * i}°`;

/** Whether a bar is straight: a dial gauge round one turn, in the middle or at three places. */
export function DialTurns({ bar, limits, form, inspecting, simulatedMm }: Props) {
  const { set, units, facts, runout, bend } = inspecting;
  const [isThree, setThree] = useState(false);
  const places = isThree ? DIAL_PLACES : (["middle"] as const);
  const turn = (tirMm: number) =>
    set({
      simulated: "yes",
      ...Object.fromEntries(
        simulatedTurns(bar, tirMm, places).flatMap(([place, readings]) =>
          readings.map((mm, i) => [dialNames(place)[i]!, fieldNumber(Number(fixed(mm, 2)), "mm", units)]),
        ),
      ),
    });
  return (
    <fieldset className="sheet p-4">
      <legend className="px-1 font-bold">
        Straight: dial gauge round one turn, <UnitName of="mm" />
      </legend>
      {places.map((place) => (
        <div key={place} className="mb-2">
          {isThree && (
            <p className="text-sm font-semibold">
              {place === "middle" ? (
                "Dial in the middle"
              ) : (
                <Say text={`Dial ${trimmed(standHalfMm(bar) / 2, 0)} mm ${place} of the middle`} />
              )}
            </p>
          )}
          <Turn place={place} form={form} inspecting={inspecting} />
        </div>
      ))}
      <label className="flex min-h-11 items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={isThree}
          onChange={({ target }) => setThree(target.checked)}
        />
        three places: says where it is bent
      </label>
      <div className="mt-3 flex flex-wrap items-end gap-4">
        {simulatedMm !== null && (
          <button type="button" className="btn btn-outline" onClick={() => turn(simulatedMm)}>
            Turn the simulated gauge
          </button>
        )}
        <Seen form={form} inspecting={inspecting} name="hops" label="wobbles when rolled" of={YES_NO} />
      </div>
      {runout && <BendPicture dialMm={facts!.dialMm!} runout={runout} limits={limits} />}
      {bend && bend.tirMm >= SHOWN_BEND_MM && (
        <p className="mt-2 text-sm font-semibold" data-testid="bend-place">
          <Say text={bendPlaceWords(bend)} />
        </p>
      )}
    </fieldset>
  );
}

/** One turn of the bar: a field for each angle, and below them how many are still to be read. */
function Turn({ place, form, inspecting }: Pick<Props, "form" | "inspecting"> & { place: DialPlace }) {
  const { known, set, problems } = inspecting;
  const names = dialNames(place);
  const said = (of: readonly Problem[]) => of.find(({ path }) => path === turnName(place))?.message;
  const missing = said(problems);
  const isRefused = said(form.problems) !== undefined;
  return (
    <>
      <div className="grid grid-cols-4 gap-2 sm:grid-cols-8">
        {names.map((name, i) => (
          <Reading
            key={name}
            name={name}
            angle={angle(i)}
            place={place}
            text={known[name] ?? ""}
            onType={(text) => set({ [name]: text })}
          />
        ))}
      </div>
      {missing && (
        <p role="status" className={`mt-1 text-sm ${isRefused ? "text-error" : "text-quiet"}`}>
          {missing}
        </p>
      )}
    </>
  );
}

function Reading({
  name,
  angle,
  place,
  text,
  onType,
}: {
  name: string;
  angle: string;
  place: DialPlace;
  text: string;
  onType: (text: string) => void;
}) {
  const { registered, problem } = useChecked(name);
  const { onChange, ...rest } = registered as { onChange?: (event: unknown) => void };
  return (
    <label className="grid content-start gap-1 text-center text-xs">
      {angle}
      <input
        {...rest}
        name={name}
        data-unit="mm"
        value={text}
        onChange={(event) => {
          onChange?.(event);
          onType(event.target.value);
        }}
        autoComplete="off"
        inputMode="decimal"
        aria-label={`dial${place === "middle" ? "" : ` ${place}`} at ${angle}`}
        aria-invalid={problem !== null}
        className="input w-full px-1 text-center"
      />
      {problem && <span className="text-error text-left">{problem}</span>}
    </label>
  );
}
