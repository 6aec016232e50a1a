import type { Bar } from "@/core/bars/bar";
import { ratedTotalKg } from "@/core/bars/bar";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import type { LoadPlan, OtherWay } from "@/server/loading";
import { AskForm } from "../kit/AskForm";
import { FillScreen } from "../kit/FillScreen";
import { ChangeLink } from "../kit/ChangeLink";
import { KnurlPatterns } from "../kit/BarDrawing";
import { LoadAnswer } from "./LoadAnswer";
import type { TippingAnswer } from "@/core/loading/tipping";
import { LoadNav } from "./LoadNav";
import { TwoWays } from "./TwoWays";
import { TippingNote } from "./TippingNote";
import { DropPicture } from "./DropPicture";
import { LoadedHalf, type HalfPlate } from "./LoadedHalf";
import { DRAWN_DIAMETER_MM, DRAWN_THICKNESS_MM } from "./Sleeve";
import { OwnStackForm, type OwnStack } from "./OwnStackForm";
import { TargetKeys } from "./TargetKeys";
import { LoadQuestion, type ClampChoice } from "./LoadQuestion";
import { loadAddress, loadParams, type LoadState } from "./loadState";
import { plateMark, stackWords } from "./plateWords";
import { Kg, Say } from "../kit/shown";

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

const STEPS = { kg: [20, 5, 2.5, 1], lb: [45, 10, 5, 2.5] } as const;

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

/** The bar, what is on each side in words, and its picture as large as it goes. */
function BigBar({
  bar,
  plan,
  perSide,
  clamp,
}: {
  bar: Bar;
  plan: LoadPlan;
  perSide: readonly string[];
  clamp: ClampChoice | null;
}) {
  const words = stackWords(perSide, plan.plates) || "no plates";
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)] gap-4">
      <p className="pr-28 text-3xl leading-tight font-bold sm:text-5xl">
        <span className="bar-tag text-2xl!">{bar.tag}</span> {words}{" "}
        <span className="text-quiet font-normal">each side</span>
      </p>
      <LoadedHalf
        bar={bar}
        plates={halfPlates(perSide, plan)}
        clampWidthMm={clamp?.widthMm ?? null}
        label={`Right half of ${bar.tag} with ${words}`}
        isLarge
      />
    </div>
  );
}

/** One huge number to type or to nudge. */
function Target({ state, hasProblem }: { state: LoadState; hasProblem: boolean }) {
  const { unit, target } = state;
  const stepped = (by: number) => loadAddress(state, { target: trimmed(Math.max(0, (Number(target) || 0) + by), 3) });
  const steps = STEPS[unit];
  return (
    <>
      <TargetKeys steps={steps} unit={unit} />
      <AskForm action="/load" label="Target" keep={{ ...loadParams(state), target: undefined }}>
        <label className="flex items-baseline justify-center">
          <span className="sr-only">Target, total on the bar</span>
          <input
            name="target"
            defaultValue={target}
            key={target}
            inputMode="decimal"
            autoComplete="off"
            aria-invalid={state.targetKg === null}
            aria-describedby={hasProblem ? "load-problem target-keys" : "target-keys"}
            data-target
            className="border-primary/50 w-[5ch] min-w-0 border-b-3 bg-transparent text-center text-6xl font-bold sm:text-8xl"
            style={{ fontStretch: "85%" }}
          />
          <span className="text-quiet ml-2 text-2xl">{unit}</span>
        </label>
      </AskForm>
      <div className="mt-4 grid grid-cols-4 gap-2">
        {[...steps.map((step) => -step), ...steps].map((step) => (
          <ChangeLink
            key={step}
            href={stepped(step)}
            nudge={{ name: "target", by: step }}
            className="btn btn-outline min-h-14 px-1 text-lg"
            label={`${Math.abs(step)} ${unit} ${step < 0 ? "less" : "more"}`}
          >
            {step < 0 ? "−" : "+"}
            {Math.abs(step)}
          </ChangeLink>
        ))}
      </div>
    </>
  );
}

function halfPlates(perSide: readonly string[], plan: LoadPlan): HalfPlate[] {
  return perSide.map((key) => {
    const row = plan.plates.get(key)!;
    return {
      label: plateMark(row),
      massKg: kgFromMassUnits(row.massUnits),
      thicknessMm: row.thicknessMm ?? DRAWN_THICKNESS_MM,
      diameterMm: row.diameterMm ?? DRAWN_DIAMETER_MM,
      colour: row.colour,
    };
  });
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
