import type { ReactNode } from "react";
import type { Build } from "@/core/balance/body";
import { Day, Say } from "../kit/shown";
import { FAMILIES } from "@/core/bars/families";
import type { SvgSheet } from "@/core/drawing/svgText";
import type { Lift } from "@/core/matching/lifts";
import type { FrameAnswer } from "@/core/setups/frame";
import type { FrameWay } from "@/core/setups/frameWays";
import type { SetupCard } from "@/core/setups/setupCard";
import type { KeptSetting, SetBar, StationHoles } from "@/server/setups";
import { KnurlPatterns } from "../kit/BarDrawing";
import { BarTag } from "../kit/BarTag";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { SheetDrawing } from "../kit/SheetDrawing";
import { ArmBench } from "./ArmBench";
import { FrameBench } from "./FrameBench";
import { KeptList } from "./KeptList";
import { OptionPicker } from "./OptionPicker";
import { RackHoles } from "./RackHoles";
import { KeepForm, StandForm } from "./SettingForms";
import { SetupQuestion } from "./SetupQuestion";
import { setupHref, type SearchTexts, type SetupState } from "./setupState";
import { SetupsNav } from "./SetupsNav";

interface Props {
  set: SetBar;
  state: SetupState;
  search: SearchTexts;
  card: SetupCard;
  drawing: SvgSheet;
  build: Build | null;
  lifter: { key: string; name: string } | null;
  isMeasured: boolean;
  lifters: readonly { key: string; name: string }[];
  lifts: readonly Lift[];
  plates: readonly number[];
  holes: readonly StationHoles[];
  frame: FrameAnswer | null;
  /** Every height it can be set to, or settings one after the other. */
  heights: ReactNode;
  ways: { ways: readonly FrameWay[]; refused: readonly FrameWay[] } | null;
  wayWords: (way: FrameWay) => string;
  wayHref: (way: FrameWay) => string;
  wayChange: (way: FrameWay) => Record<string, string | null>;
  kept: readonly KeptSetting[];
  likeFor: (setting: KeptSetting) => { key: string; name: string; apartMm: number | null }[];
  mayEdit: boolean;
  canCopy: boolean;
  cardsHref: string;
  keepAction: FormAction;
  standAction: FormAction;
  copyAction: FormAction;
}

/** One bar that adjusts: set it for a lifter and a lift, see what that does, keep it, print its card. */
export function SetupBench(props: Props) {
  const { set, state, search, card, drawing, build, lifter, lifts, lifters, holes, frame, ways, kept, mayEdit } = props;
  const { bar, chart, options } = set;
  const address = `/setups/${encodeURIComponent(bar.tag)}`;
  const pick = (change: Record<string, string>) =>
    setupHref(bar.tag, { ...search, hand: undefined }, state.setting, change);
  const rackHoles =
    holes.length > 0 && chart?.kind !== "frame" && bar.canBeRacked !== false ? (
      <RackHoles holes={holes} at={state.at} />
    ) : null;
  const hands = (
    <div className="text-sm">
      <p>
        <strong>Hands.</strong> <Say text={card.hands} />
      </p>
      <p>
        <strong>Letting go.</strong> <Say text={card.lettingGo} />
      </p>
      {card.atDepth && (
        <p>
          <strong>Depth.</strong> <Say text={card.atDepth} />
        </p>
      )}
      {chart?.kind !== "arm" &&
        card.effects.map((text) => (
          <p key={text} className="mt-1">
            <Say text={text} />
          </p>
        ))}
    </div>
  );
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
              <p className="text-sm">Nothing of this bar is chosen; what it changes is where it racks.</p>
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
      <div className="mt-3 grid items-start gap-3 lg:grid-cols-2">
        <div className="grid gap-3">
          {chart?.kind !== "arm" && rackHoles}
          <section className="sheet px-4 py-3" aria-label="Settings of this bar">
            <div className="flex flex-wrap items-baseline justify-between gap-3">
              <h2 className="font-bold">Saved for this bar</h2>
              <a href={props.cardsHref} className="link min-h-10 py-2 text-sm">
                Small cards as PDF
              </a>
            </div>
            <KeptList
              kept={kept}
              copy={mayEdit && props.canCopy ? { action: props.copyAction, liftersFor: props.likeFor } : undefined}
            />
          </section>
        </div>
        <div className="grid gap-3">
          {mayEdit && lifter && (!set.wantsChart || chart) && (
            <section className="sheet px-4 py-3" aria-label="Save setting">
              <h2 className="mb-2 font-bold">Save this setting</h2>
              <KeepForm
                key={`${lifter.key}${state.lift}${state.at}${holes.map(({ hole }) => hole).join()}`}
                tag={bar.tag}
                lifter={lifter.key}
                lifterName={lifter.name}
                lift={state.lift}
                setting={withHand(state, frame)}
                stations={
                  chart?.kind === "frame" || bar.canBeRacked === false
                    ? []
                    : holes.map(({ key, name, hole }) => ({ key, name, hole }))
                }
                at={state.at}
                totalKg={state.loadKg}
                plateMm={state.plateMm}
                action={props.keepAction}
              />
            </section>
          )}
          {mayEdit && !lifter && lifters.length > 0 && (!set.wantsChart || chart) && (
            <p className="sheet text-quiet px-4 py-3 text-sm">Choose a lifter above to save the setting for them.</p>
          )}
          {mayEdit && options.some(({ choices }) => choices.length > 1) && (
            <section className="sheet px-4 py-3" aria-label="How it is set">
              <h2 className="mb-2 font-bold">How it is set now{chart ? ", side by side" : ""}</h2>
              {set.present === null && <p className="text-quiet mb-1 text-sm">Not recorded yet.</p>}
              <StandForm
                key={JSON.stringify(set.present)}
                tag={bar.tag}
                options={options}
                present={set.present}
                hasSides={chart !== null}
                action={props.standAction}
              />
            </section>
          )}
        </div>
      </div>
    </>
  );
}

/** A frame's setting is kept with where the hands go. */
function withHand({ setting }: SetupState, frame: FrameAnswer | null) {
  return frame ? { ...setting, hand: String(Math.round(frame.handMm)) } : setting;
}
