import type { ReactNode } from "react";
import type { FrameAnswer } from "@/core/setups/frame";
import { KeptList } from "./KeptList";
import { KeepForm } from "./KeepForm";
import type { SetupBenchProps } from "./setupBenchProps";
import type { SetupState } from "./setupState";
import { StandForm } from "./StandForm";

/** Below a bar's bench: what was saved of it, saving what is set now, and how it stands. */
export function SetupSaved(props: SetupBenchProps & { rackHoles: ReactNode }) {
  const { set, state, lifter, lifters, holes, frame, kept, mayEdit, rackHoles } = props;
  const { bar, chart, options } = set;
  return (
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
  );
}

/** A frame's setting is kept with where the hands go. */
function withHand({ setting }: SetupState, frame: FrameAnswer | null) {
  return frame ? { ...setting, hand: String(Math.round(frame.handMm)) } : setting;
}
