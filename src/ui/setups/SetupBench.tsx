import { Day, Say } from "../kit/shown";
import { FAMILIES } from "@/core/bars/families";
import { KnurlPatterns } from "../kit/BarDrawing";
import { BarTag } from "../kit/BarTag";
import Link from "../kit/Link";
import { SheetDrawing } from "../kit/SheetDrawing";
import { ArmBench } from "./ArmBench";
import { FrameBench } from "./FrameBench";
import { OptionPicker } from "./OptionPicker";
import { RackHoles } from "./RackHoles";
import { SetupQuestion } from "./SetupQuestion";
import { setupHref } from "./setupState";
import { SetupsNav } from "./SetupsNav";
import type { SetupBenchProps } from "./setupBenchProps";
import { SetupSaved } from "./SetupSaved";
import { SetupWords } from "./SetupWords";

/** One bar that adjusts: set it for a lifter and a lift, see what that does, keep it, print its card. */
export function SetupBench(props: SetupBenchProps) {
  const { set, state, search, card, drawing, build, lifter, lifts, lifters, holes, frame, ways, mayEdit } = props;
  const { bar, chart, options } = set;
  const address = `/setups/${encodeURIComponent(bar.tag)}`;
  const pick = (change: Record<string, string>) =>
    setupHref(bar.tag, { ...search, hand: undefined }, state.setting, change);
  const rackHoles =
    holes.length > 0 && chart?.kind !== "frame" && bar.canBeRacked !== false ? (
      <RackHoles holes={holes} at={state.at} />
    ) : null;
  const hands = <SetupWords card={card} hasEffects={chart?.kind !== "arm"} />;
  return (
    <>
      <KnurlPatterns />
      <header className="mb-3 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <BarTag tag={bar.tag} className="text-lg!" />
          <h1 className="text-2xl">{bar.name}</h1>
          <p className="text-quiet text-sm">
            {FAMILIES[bar.family].name}
            {set.calibratedOn && (
              <>
                , calibrated <Day on={set.calibratedOn} />
              </>
            )}
          </p>
          {set.wantsChart && mayEdit && (
            <Link href={`${address}/calibrate`} className="link text-sm">
              {chart ? "calibrate again" : "calibrate"}
            </Link>
          )}
        </div>
        <SetupsNav />
      </header>
      {card.first.map((text) => (
        <p key={text} role="note" className="sheet border-l-error text-error mb-3 border-l-4 px-4 py-2 font-semibold">
          <Say text={text} />
        </p>
      ))}
      {bar.state !== "in-service" && bar.state !== "watch" && (
        <p role="alert" className="sheet border-l-error text-error mb-3 border-l-4 px-4 py-2 font-semibold">
          {bar.tag} is {bar.state.replace("-", " ")}
          {bar.stateReason && `: ${bar.stateReason}`}. Nobody lifts with it.
        </p>
      )}
      <SetupQuestion
        tag={bar.tag}
        state={state}
        lifts={lifts}
        lifters={lifters}
        stations={holes.map(({ key, name }) => ({ key, name }))}
        plates={chart?.kind === "frame" ? props.plates : null}
        texts={search}
      />
      {set.wantsChart && !chart ? (
        <section className="sheet px-4 py-6">
          <p className="mb-3">
            This bar has no chart yet. Measure its{" "}
            {bar.family === "adjustable-yoke" ? "marks and pins" : "holes and offsets"} once; charts of another bar or
            version do not apply.
          </p>
          {mayEdit && (
            <Link href={`${address}/calibrate`} className="btn btn-neutral">
              Calibrate it
            </Link>
          )}
        </section>
      ) : chart?.kind === "arm" && build ? (
        <ArmBench
          key={`${bar.tag}${set.chartVersion}${state.lifter}${state.lift}`}
          tag={bar.tag}
          chart={chart}
          start={{ mark: state.setting.mark!, pin: state.setting.pin! }}
          build={build}
          totalKg={state.loadKg}
          below={rackHoles}
        >
          {hands}
        </ArmBench>
      ) : frame && ways ? (
        <FrameBench
          answer={frame}
          drawing={drawing}
          ways={ways.ways}
          refused={ways.refused}
          wish={state.wishHeightMm === null ? null : { heightMm: state.wishHeightMm, widthMm: state.wishWidthMm }}
          hrefOf={props.wayHref}
          changeOf={props.wayChange}
          wordsOf={props.wayWords}
          isRecorded={set.present !== null}
          ladder={props.heights}
        >
          <OptionPicker options={options} setting={state.setting} hrefOf={pick} />
          <div className="mt-2">{hands}</div>
        </FrameBench>
      ) : (
        <div className="grid gap-3 lg:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]">
          <section className="sheet flex items-center px-3 py-2" aria-label="Drawn to scale">
            <SheetDrawing sheet={drawing} className="max-h-[26rem]" />
          </section>
          <section className="sheet px-4 py-3" aria-label="As it is set">
            <OptionPicker options={options} setting={state.setting} hrefOf={pick} />
            {options.length === 0 && (
              <p className="text-sm">Nothing on this bar adjusts; it only changes where it racks.</p>
            )}
            <div className="mt-2">{hands}</div>
          </section>
        </div>
      )}
      {props.heights && chart?.kind !== "frame" && <div className="mt-3">{props.heights}</div>}
      {lifter && !props.isMeasured && (
        <p className="mt-3 text-sm">
          {lifter.name} has no height or body mass yet: add them to see lean, moments and J-cup holes.
        </p>
      )}
      <SetupSaved {...props} rackHoles={rackHoles} />
    </>
  );
}
