import type { Bar } from "@/core/bars/bar";
import { ratedTotalKg } from "@/core/bars/bar";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import type { LoadPlan, OtherWay } from "@/server/loading";
import { FillScreen } from "../kit/FillScreen";
import { KnurlPatterns } from "../kit/BarDrawing";
import { LoadAnswer } from "./LoadAnswer";
import type { TippingAnswer } from "@/core/loading/tipping";
import { LoadNav } from "./LoadNav";
import { TwoWays } from "./TwoWays";
import { TippingNote } from "./TippingNote";
import { DropPicture } from "./DropPicture";
import { LoadedHalf } from "./LoadedHalf";
import { OwnStackForm, type OwnStack } from "./OwnStackForm";
import { LoadQuestion, type ClampChoice } from "./LoadQuestion";
import { type LoadState } from "./loadState";
import { stackWords } from "./plateWords";
import { Kg, Say } from "../kit/shown";
import { Target, halfPlates, BigBar } from "./LoadTarget";

interface Props {
  bars: readonly { tag: string; name: string }[];
  bar: Bar;
  clamps: readonly ClampChoice[];
  clamp: ClampChoice | null;
  state: LoadState;
  stations: readonly { key: string; name: string; spacingMm: number | null }[];
  plan: LoadPlan | null;
  /** At the rack, loaded as the answer says; null without a rack. */
  tipping: TippingAnswer | null;
  problem: string | null;
  /** What should be known of the bar and stops nobody. */
  warnings: readonly string[];
  houseToleranceKg: number;
  /** A stack of somebody's own choosing; null where none was typed. */
  own: OwnStack | null;
  /** The same mass made another way; null where there is none. */
  other: OtherWay | null;
}

/** Target in, plates out: big enough for chalky fingers. */
export function LoadSheet(props: Props) {
  const { bars, bar, clamps, clamp, stations, state, plan, tipping, problem, warnings, own } = props;
  return (
    <div className="flex flex-col gap-3">
      <KnurlPatterns />
      <header className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-2xl">Load</h1>
        <LoadNav here="/load" />
        <BarFacts bar={bar} plan={plan} clampKg={clamp ? kgFromMassUnits(clamp.pairMassUnits) : 0} />
      </header>
      <LoadQuestion
        bars={bars}
        clamps={clamps}
        stations={stations}
        state={state}
        houseToleranceKg={props.houseToleranceKg}
      />
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
        <section className="sheet p-4" aria-label="Target">
          <Target state={state} hasProblem={problem !== null} />
          {warnings.length > 0 && <p className="text-accent mt-3 text-sm font-semibold">{warnings.join(" ")}</p>}
          {problem && (
            <p id="load-problem" role="alert" className="text-error mt-4 font-semibold">
              {problem}
            </p>
          )}
          {plan?.answer.ok && <LoadAnswer plan={plan} answer={plan.answer} state={state} />}
          {tipping && plan?.answer.ok && (
            <div className="mt-3">
              <TippingNote
                tipping={tipping}
                at={stations.find(({ key }) => key === state.at)?.name ?? state.at}
                plates={plan.answer.perSide.length}
                hasClamp={clamp !== null}
              />
            </div>
          )}
          {plan?.answer.ok && props.other && (
            <TwoWays perSide={plan.answer.perSide} other={props.other} plates={plan.plates} />
          )}
          {plan && <OwnStackForm state={state} own={own} plates={plan.plates} />}
        </section>
        <section className="sheet p-3" aria-label="The loaded bar">
          {plan && (
            <Loaded
              bar={bar}
              plan={plan}
              perSide={own?.perSide ?? (plan.answer.ok ? plan.answer.perSide : [])}
              clamp={clamp}
              spacingMm={stations.find(({ key }) => key === state.at)?.spacingMm ?? null}
            />
          )}
          {plan?.blow && (
            <div className="mt-3">
              <DropPicture
                plates={halfPlates(plan.blow.perSide, plan)}
                blow={plan.blow.blow}
                totalKg={kgFromMassUnits(plan.blow.totalUnits)}
              />
            </div>
          )}
          {plan?.answer.ok && (
            <div className="mt-2 flex justify-end">
              <FillScreen label="The loaded bar, full screen">
                <BigBar {...{ bar, plan, clamp }} perSide={own?.perSide ?? plan.answer.perSide} />
              </FillScreen>
            </div>
          )}
          <p className="text-quiet mt-2 text-xs">
            {own?.perSide ? "Plates of your own. " : ""}Right half, to scale{clamp ? ", with its clamp" : ""}. Load both
            sides evenly, clamps on, safeties set; a spotter for heavy racked lifts. Never over the rating.
          </p>
        </section>
      </div>
    </div>
  );
}

function Loaded({
  bar,
  plan,
  perSide,
  clamp,
  spacingMm,
}: {
  bar: Bar;
  plan: LoadPlan;
  perSide: readonly string[];
  clamp: ClampChoice | null;
  spacingMm: number | null;
}) {
  const words = stackWords(perSide, plan.plates) || "no plates";
  return (
    <LoadedHalf
      bar={bar}
      plates={halfPlates(perSide, plan)}
      clampWidthMm={clamp?.widthMm ?? null}
      label={`Right half of ${bar.tag} with ${words}`}
      {...(spacingMm === null ? {} : { supportHalfSpacingMm: spacingMm / 2 })}
    />
  );
}

function BarFacts({ bar, plan, clampKg }: { bar: Bar; plan: LoadPlan | null; clampKg: number }) {
  const rated = ratedTotalKg(bar);
  return (
    <p className="flex flex-wrap items-baseline gap-x-3 text-sm">
      <span>
        <span className="bar-tag">{bar.tag}</span> <strong>{bar.name}</strong>
      </span>
      {plan && (
        <span>
          <Kg value={plan.barKg} decimals={2} /> <span className="text-quiet">{bar.quantities.mass?.source}</span>
          {plan.countedKg !== plan.barKg && (
            <strong>
              {" "}
              counted as <Kg value={plan.countedKg} decimals={0} /> by the gym’s rule,{" "}
              <Kg value={plan.barKg - plan.countedKg} decimals={2} isSigned /> off
            </strong>
          )}
          {clampKg > 0 && <Say text={` + clamps ${trimmed(clampKg, 2)} kg`} />}
        </span>
      )}
      <span className={rated === null ? "text-accent font-semibold" : "text-quiet"}>
        {rated === null ? "the most it may carry is unknown" : <Say text={`may carry ${trimmed(rated, 0)} kg`} />}
      </span>
    </p>
  );
}
