import { ENDINGS, type Ending } from "@/core/loading/endings";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import { AskChoice } from "../kit/AskChoice";
import { optionsUpTo } from "../kit/optionsUpTo";
import { AskForm } from "../kit/AskForm";
import { FoldOnPhone } from "../kit/FoldOnPhone";
import { loadParams, TOLERANCES_KG, type LoadState } from "./loadState";

export interface ClampChoice {
  key: string;
  name: string;
  widthMm: number;
  pairMassUnits: number;
}

const ENDING_WORDS: Record<Ending, string> = { racked: "racked", lowered: "lowered to the floor", dropped: "dropped" };

interface Props {
  bars: readonly { tag: string; name: string }[];
  clamps: readonly ClampChoice[];
  stations: readonly { key: string; name: string }[];
  state: LoadState;
  /** How near is near enough by the gym's rule. */
  houseToleranceKg: number;
}

/** Bar and station first, then clamps and ending as one line; how near and with which plates behind a button. */
export function LoadQuestion({ bars, clamps, stations, state, houseToleranceKg }: Props) {
  return (
    <AskForm
      action="/load"
      label="Bar, clamps and ending"
      keepMass="target"
      keep={{
        target: state.isTargetGiven ? loadParams(state).target : undefined,
        on: state.onBar.join(",") || undefined,
        stack: state.stack || undefined,
      }}
      className="sheet flex flex-wrap items-baseline gap-x-5 gap-y-1 px-4 py-1.5"
    >
      <AskChoice
        name="bar"
        word="bar"
        value={state.bar ?? ""}
        options={optionsUpTo(bars, ({ tag, name }) => [tag, `${tag} ${name}`])}
      />
      <AskChoice
        name="at"
        word="at"
        value={state.at}
        options={[["", "no rack"], ...stations.map(({ key, name }): [string, string] => [key, name])]}
      />
      <FoldOnPhone label="Clamps, ending, unit" className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <AskChoice
          name="clamps"
          word="clamps"
          value={state.clamps ?? "none"}
          options={[
            ...clamps.map(({ key, name, pairMassUnits }): [string, string] => [
              key,
              `${name}, ${trimmed(kgFromMassUnits(pairMassUnits), 2)} kg a pair`,
            ]),
            ["none", "none"],
          ]}
        />
        <AskChoice
          name="ending"
          word="the set ends"
          value={state.ending}
          options={ENDINGS.map((key) => [key, ENDING_WORDS[key]])}
        />
        <AskChoice
          name="unit"
          word="in"
          value={state.unit}
          options={[
            ["kg", "kg"],
            ["lb", "lb"],
          ]}
        />
        <details className="basis-full xl:basis-auto">
          <summary className="text-quiet min-h-11 cursor-pointer content-center text-sm">tolerance and plates</summary>
          <div className="flex flex-wrap gap-x-5 pb-2">
            <AskChoice
              name="rounding"
              word="take"
              value={state.rounding}
              options={[
                ["nearest", "the nearest"],
                ["at-or-below", "at or below the target"],
              ]}
            />
            <AskChoice
              name="within"
              word="near enough"
              value={state.withinKg === null ? "" : String(state.withinKg)}
              options={[
                ["", `gym’s rule, within ${trimmed(houseToleranceKg, 2)} kg`],
                ...TOLERANCES_KG.map((kg): [string, string] => [
                  String(kg),
                  kg === 0 ? "closest possible" : `within ${kg} kg, fewest plates`,
                ]),
              ]}
            />
            <AskChoice
              name="only"
              word="plates"
              value={state.only ?? ""}
              options={[
                ["", "kg and lb"],
                ["kg", "kg only"],
                ["lb", "lb only"],
              ]}
            />
          </div>
        </details>
      </FoldOnPhone>
    </AskForm>
  );
}
