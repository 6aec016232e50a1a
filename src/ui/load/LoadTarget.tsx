import type { Bar } from "@/core/bars/bar";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import type { LoadPlan } from "@/server/loading";
import { AskForm } from "../kit/AskForm";
import { ChangeLink } from "../kit/ChangeLink";
import { LoadedHalf, type HalfPlate } from "./LoadedHalf";
import { DRAWN_DIAMETER_MM, DRAWN_THICKNESS_MM } from "./Sleeve";
import { TargetKeys } from "./TargetKeys";
import { type ClampChoice } from "./LoadQuestion";
import { loadAddress, loadParams, type LoadState } from "./loadState";
import { plateMark, stackWords } from "./plateWords";

const STEPS = { kg: [20, 5, 2.5, 1], lb: [45, 10, 5, 2.5] } as const;

/** The bar, what is on each side in words, and its picture as large as it goes. */
export function BigBar({
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
export function Target({ state, hasProblem }: { state: LoadState; hasProblem: boolean }) {
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

export function halfPlates(perSide: readonly string[], plan: LoadPlan): HalfPlate[] {
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
