import { comparisonParams } from "@/core/whip/comparisonState";
import type { Comparison } from "@/server/compare";
import { AskForm } from "../kit/AskForm";
import { Options } from "../kit/Options";
import { UnitInput, UnitName } from "../kit/shown";
import { EXAGGERATION } from "./paperSheet";

/** What carries the bar: the word of its question. */
export const supportWord = ({ contact }: Comparison["lift"]) => (contact === "back" ? "back" : "hands");

/** At which lift, load and grip bars are held against one another. */
export function CompareAsk({ comparison }: { comparison: Comparison }) {
  const { state, lifts, lift, discs, disc, handsMm, lifters } = comparison;
  const params = comparisonParams(state);
  return (
    <AskForm
      action="/compare"
      label="At which lift and load"
      keep={{
        bars: params.bars ?? undefined,
        offers: params.offers ?? undefined,
        try: params.try ?? undefined,
        pair: params.pair ?? undefined,
      }}
      className="sheet mb-3 flex flex-wrap items-baseline gap-x-6 gap-y-1 px-4 py-1.5"
    >
      <label className="ask">
        lift
        <select name="lift" defaultValue={lift.key} key={lift.key}>
          <Options of={lifts.map(({ key, name }) => [key, name])} />
        </select>
      </label>
      <label className="ask">
        load
        <UnitInput name="load" unit="kg" value={state.loadKg} aria-label="Load" /> <UnitName of="kg" /> in all
      </label>
      <label className="ask">
        {supportWord(lift)}
        <UnitInput name="hands" unit="mm" value={handsMm} aria-label="Distance between the supports" />{" "}
        <UnitName of="mm" /> {lift.contact === "back" ? "wide" : "apart"}
      </label>
      <label className="ask">
        plates
        <select name="plates" defaultValue={disc.key} key={disc.key}>
          <Options of={discs.map(({ key, name }) => [key, name])} />
        </select>
      </label>
      {lifters.length > 0 && (
        <label className="ask">
          for
          <select name="lifter" aria-label="For whom" defaultValue={state.lifter} key={state.lifter}>
            <Options of={[["", "someone of usual size"], ...lifters.map(({ key, name }) => [key, name] as const)]} />
          </select>
        </label>
      )}
      <span className="text-quiet ml-auto text-xs">bend drawn ×{EXAGGERATION}</span>
    </AskForm>
  );
}
