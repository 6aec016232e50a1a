import type { Lift } from "@/core/matching/lifts";
import { AskForm } from "../kit/AskForm";
import type { SetupState } from "./setupState";

interface Props {
  tag: string;
  state: SetupState;
  lifts: readonly Lift[];
  lifters: readonly { key: string; name: string }[];
  stations: readonly { key: string; name: string }[];
  /** Diameters of the hall's plates, for a frame; null for other bars. */
  plates: readonly number[] | null;
  texts: Record<string, string | undefined>;
}

/** For whom, for which lift and load, where: the sentence above every setting. */
export function SetupQuestion({ tag, state, lifts, lifters, stations, plates, texts }: Props) {
  return (
    <AskForm
      action={`/setups/${encodeURIComponent(tag)}`}
      label="For whom and for what"
      className="sheet mb-3 flex flex-wrap items-baseline gap-x-6 gap-y-1 px-4 py-1.5"
    >
      {lifters.length > 0 && (
        <label className="ask">
          for
          <select name="lifter" defaultValue={state.lifter} key={state.lifter}>
            <option value="">anybody</option>
            {lifters.map(({ key, name }) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      {state.lifter === "" && plates === null && (
        <>
          <label className="ask">
            height
            <input
              name="h"
              defaultValue={state.build.heightMm}
              key={`h${state.build.heightMm}`}
              inputMode="numeric"
            />{" "}
            mm
          </label>
          <label className="ask">
            body
            <input name="m" defaultValue={state.build.massKg} key={`m${state.build.massKg}`} inputMode="decimal" /> kg
          </label>
        </>
      )}
      <label className="ask">
        lift
        <select name="lift" defaultValue={state.lift} key={state.lift}>
          {lifts.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="ask">
        with
        <input name="load" defaultValue={state.load} key={`l${state.load}`} inputMode="decimal" />
        {/[a-z]/i.test(state.load) ? "" : "kg"} in all
      </label>
      {plates && (
        <>
          <label className="ask">
            largest plate
            <select name="plate" defaultValue={String(state.plateMm)} key={`p${state.plateMm}`}>
              {[...new Set([...plates, state.plateMm])]
                .sort((a, b) => b - a)
                .map((mm) => (
                  <option key={mm} value={mm}>
                    {mm} mm
                  </option>
                ))}
            </select>
          </label>
          <label className="ask">
            grip wished at
            <input
              name="height"
              defaultValue={texts.height ?? ""}
              key={`w${texts.height ?? ""}`}
              placeholder="+50 or 275"
              size={9}
            />{" "}
            mm
          </label>
          <label className="ask">
            hands apart
            <input
              name="width"
              defaultValue={texts.width ?? ""}
              key={`wi${texts.width ?? ""}`}
              placeholder="any"
              size={4}
              inputMode="numeric"
            />{" "}
            mm
          </label>
          <label className="ask">
            outside of the knees
            <input
              name="knees"
              defaultValue={texts.knees ?? ""}
              key={`k${texts.knees ?? ""}`}
              placeholder="measure"
              size={7}
              inputMode="numeric"
            />{" "}
            mm
          </label>
        </>
      )}
      <label className="ask">
        at
        <select name="at" defaultValue={state.at} key={state.at}>
          <option value="">no station yet</option>
          {stations.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </AskForm>
  );
}
