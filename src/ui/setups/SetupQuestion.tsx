import type { Lift } from "@/core/matching/lifts";
import { UnitInput, UnitName } from "../kit/shown";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import type { SetupState } from "./setupState";
import { WishInput } from "./WishInput";

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
        <AskChoice
          name="lifter"
          word="for"
          value={state.lifter}
          options={[["", "anyone"], ...lifters.map(({ key, name }) => [key, name] as const)]}
        />
      )}
      {state.lifter === "" && plates === null && (
        <>
          <label className="ask">
            height
            <UnitInput name="h" unit="mm" value={state.build.heightMm} /> <UnitName of="mm" />
          </label>
          <label className="ask">
            body
            <UnitInput name="m" unit="kg" value={state.build.massKg} /> <UnitName of="kg" />
          </label>
        </>
      )}
      <AskChoice
        name="lift"
        word="lift"
        value={state.lift}
        options={lifts.map(({ key, name }) => [key, name] as const)}
      />
      <label className="ask">
        with
        <UnitInput name="load" unit="kg" value={state.loadKg} /> <UnitName of="kg" /> in all
      </label>
      {plates && (
        <>
          <AskChoice
            name="plate"
            word="largest plate"
            value={String(state.plateMm)}
            options={[...new Set([...plates, state.plateMm])]
              .sort((a, b) => b - a)
              .map((mm) => [String(mm), `${mm} mm`] as const)}
          />
          <label className="ask">
            grip height wanted
            <WishInput value={texts.height ?? ""} /> <UnitName of="mm" />
          </label>
          <label className="ask">
            hands apart
            <UnitInput name="width" unit="mm" value={state.wishWidthMm} placeholder="any" size={7} />{" "}
            <UnitName of="mm" />
          </label>
          <label className="ask">
            outside of the knees
            <UnitInput name="knees" unit="mm" value={state.kneesMm} placeholder="measure" size={7} />{" "}
            <UnitName of="mm" />
          </label>
        </>
      )}
      <AskChoice
        name="at"
        word="at"
        value={state.at}
        options={[["", "no station yet"], ...stations.map(({ key, name }) => [key, name] as const)]}
      />
    </AskForm>
  );
}
