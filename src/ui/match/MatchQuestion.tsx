import { PURPOSES, PURPOSE_WORDS, type Purpose } from "@/core/matching/lifter";
import type { Lift } from "@/core/matching/lifts";
import { AskForm } from "../kit/AskForm";
import { Options } from "../kit/Options";
import { GUEST } from "./guest";

export interface MatchAsked {
  lifts: readonly Lift[];
  lifters: readonly { key: string; name: string; squad: string | null }[];
  liftKey: string;
  lifterKey: string;
  loadText: string;
  unit: "kg" | "lb";
  purpose: Purpose;
  stations: readonly { key: string; name: string }[];
  stationKey: string;
  problem: string | null;
}

/** Which lift, which load, for whom, for what and where: the question above the bars. */
export function MatchQuestion({
  lifts,
  lifters,
  liftKey,
  lifterKey,
  loadText,
  unit,
  purpose,
  stations,
  stationKey,
  problem,
}: MatchAsked) {
  return (
    <AskForm
      action="/match"
      keepMass="load"
      label="For which lift"
      className="sheet mb-3 flex flex-wrap items-baseline gap-x-6 gap-y-1 px-4 py-1.5"
    >
      <label className="ask">
        lift
        <select name="lift" defaultValue={liftKey} key={liftKey}>
          <Options of={lifts.map(({ key, name }) => [key, name])} />
        </select>
      </label>
      <span className="ask">
        <label htmlFor="load">load</label>
        <input
          id="load"
          name="load"
          defaultValue={loadText}
          key={loadText}
          inputMode="decimal"
          aria-invalid={problem !== null}
          aria-describedby={problem ? "load-problem" : undefined}
        />
        <select name="unit" defaultValue={unit} aria-label="Unit">
          <option>kg</option>
          <option>lb</option>
        </select>
        in all
      </span>
      <label className="ask">
        for
        <select name="lifter" defaultValue={lifterKey} key={lifterKey}>
          <Options
            of={[
              ["", "anyone"],
              [GUEST, "someone not on file"],
              ...lifters.map(({ key, name, squad }) => [key, squad ? `${name}, ${squad}` : name] as const),
            ]}
          />
        </select>
      </label>
      <label className="ask">
        a set for
        <select name="purpose" defaultValue={purpose} key={purpose}>
          <Options of={PURPOSES.map((key) => [key, PURPOSE_WORDS[key]])} />
        </select>
      </label>
      <label className="ask">
        at
        <select name="at" defaultValue={stationKey} key={stationKey}>
          <Options of={[["", "any station"], ...stations.map(({ key, name }) => [key, name] as const)]} />
        </select>
      </label>
      {problem && (
        <p id="load-problem" role="alert" className="text-error text-sm">
          {problem}
        </p>
      )}
    </AskForm>
  );
}
