"use client";

import { useCallback, useMemo, useState } from "react";
import type { Bar } from "@/core/bars/bar";
import { changesOfRun, currentSet, lastClosed, onBarNow, type RunSet } from "@/core/loading/run/runState";
import { stepRun } from "@/core/loading/run/runStep";
import { stepOfTouch, type RunTouch } from "@/core/loading/run/runTouch";
import type { RackFacts } from "@/core/loading/tippingOf";
import { kgFromMassUnits } from "@/core/units/exactMass";
import type { RunView } from "@/server/loading";
import { KnurlPatterns } from "../kit/BarDrawing";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { PrintButton } from "../kit/PrintButton";
import { useOutbox } from "../kit/useOutbox";
import { ConnectionNote } from "../kit/ConnectionNote";
import { wordsOf } from "./plateWords";
import { RunBar } from "./RunBar";
import { RunDone } from "./RunDone";
import { RunList } from "./RunList";
import { RunNext } from "./RunNext";
import { DRAWN_DIAMETER_MM, DRAWN_THICKNESS_MM, type PlateFace } from "./Sleeve";
import { RunNow } from "./RunNow";
import { RunTipping } from "./RunTipping";
import { useOthers } from "./useOthers";
import { End } from "./EndRun";

interface Props {
  first: RunView;
  bar: Bar;
  stationName: string | null;
  rack: RackFacts | null;
  clamp: { pairMassUnits: number; widthMm: number } | null;
  plates: Readonly<Record<string, PlateFace & { massUnits: number }>>;
  planHref: string;
  endAction: FormAction;
}

/**
 * The run sheet on the floor: the next change fills the screen, the rest is a strip. What is shown is what the server
 * said last and the touches it has not confirmed, by the same rules; so it goes on without a connection.
 */
export function RunScreen({ first, bar, stationName, rack, clamp, plates, planHref, endAction }: Props) {
  const [view, setView] = useState(first);
  const hear = useCallback((answer: unknown) => {
    const { view: fresh } = answer as { view: RunView | null };
    // Answers may overtake each other; the one that knows more steps counts.
    if (fresh) setView((now) => (fresh.seq >= now.seq ? fresh : now));
  }, []);
  const { waiting, isCutOff, refused, forgetRefused, touch } = useOutbox<RunTouch>(
    `/load/session/run/${first.id}/touch`,
    hear,
  );
  const isDeaf = useOthers(view, hear);
  const state = useMemo(
    () => waiting.reduce((now, { body }) => stepRun(now, stepOfTouch(body)).state, view.state),
    [view.state, waiting],
  );
  const changes = useMemo(() => changesOfRun(state), [state]);
  const words = (stack: readonly string[]) => wordsOf(stack, (id) => plates[id]?.label ?? id);
  const set = currentSet(state);
  const last = lastClosed(state);
  const closed = state.sets.filter(({ state: how }) => how !== "open").length;
  const half = {
    bar,
    plates: (set?.perSide ?? []).map((id) => ({
      label: plates[id]?.label ?? id,
      massKg: kgFromMassUnits(plates[id]?.massUnits ?? 0),
      thicknessMm: plates[id]?.thicknessMm ?? DRAWN_THICKNESS_MM,
      diameterMm: plates[id]?.diameterMm ?? DRAWN_DIAMETER_MM,
      colour: plates[id]?.colour ?? null,
    })),
    clampWidthMm: clamp?.widthMm ?? null,
    ...(rack ? { supportHalfSpacingMm: rack.rackHalfSpacingMm } : {}),
    label: `Right half with ${words(set?.perSide ?? []) || "no plates"}`,
  };
  const send = (body: RunTouch, label: string) => touch(body, label);
  return (
    <div className="grid gap-3">
      <KnurlPatterns />
      <header className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h1 className="text-xl">
          <span className="bar-tag">{bar.tag}</span>{" "}
          {set ? `set ${closed + 1} of ${state.sets.length}` : `all ${state.sets.length} sets`}
          {stationName && <span className="text-quiet text-sm font-normal"> at {stationName}</span>}
        </h1>
        <span className="no-print flex items-center gap-3">
          <Link href={planHref} className="inline-flex min-h-11 items-center text-sm hover:underline">
            The plan
          </Link>
          <span className="hidden sm:inline">
            <PrintButton />
          </span>
        </span>
      </header>
      <ConnectionNote waiting={waiting} isCutOff={isCutOff || isDeaf} refused={refused} forget={forgetRefused} />
      {view.warnings.length > 0 && (
        <p className="border-accent text-accent mb-2 border-l-8 pl-3 font-semibold">{view.warnings.join(" ")}</p>
      )}
      {view.stop && (
        <p role="alert" className="border-error text-error border-l-8 pl-3 text-lg font-bold">
          {view.stop}
        </p>
      )}
      {view.isOver ? (
        <p className="sheet p-4 text-lg font-semibold">
          Session ended: {state.sets.filter(({ state: how }) => how === "done").length} of {state.sets.length} sets were
          lifted.
        </p>
      ) : set ? (
        <div className="no-print grid gap-3 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
          <RunNow
            set={set}
            before={previousSetup(state.sets, set)}
            change={changes[state.sets.indexOf(set)]!}
            words={words}
            isStopped={view.stop !== null}
            last={last}
            send={send}
          >
            {rack && stationName && (
              <RunTipping
                rack={rack}
                clamp={clamp}
                plates={plates}
                before={onBarNow(state)}
                after={set.perSide}
                off={changes[state.sets.indexOf(set)]!.off.length}
                on={changes[state.sets.indexOf(set)]!.on.length}
                at={stationName}
              />
            )}
          </RunNow>
          <RunBar set={set} half={half} words={words(set.perSide) || "no plates"} />
        </div>
      ) : (
        <RunDone sets={state.sets.length} last={last} onBar={words(onBarNow(state).toReversed())} send={send}>
          <End id={view.id} action={endAction} word="The bar is empty" isMain />
        </RunDone>
      )}
      {view.notices.length > 0 && (
        <ul className="text-sm" aria-label="What changed" aria-live="polite">
          {view.notices.slice(0, 3).map(({ id, text, by }) => (
            <li key={id} className="border-primary mb-1 border-l-4 pl-2">
              {text} <span className="text-quiet">{by}</span>
            </li>
          ))}
        </ul>
      )}
      {!view.isOver && set && <RunNext sets={state.sets} from={closed + 1} plates={plates} />}
      <RunList sets={state.sets} changes={changes} words={words} />
      {!view.isOver && set && (
        <div className="no-print">
          <End id={view.id} action={endAction} word="End the session" />
        </div>
      )}
    </div>
  );
}

/** The set before whose bar was set up for, as far as anybody was. */
function previousSetup(sets: readonly RunSet[], set: RunSet): Pick<RunSet, "setup" | "jCupHole"> | null {
  const before = sets.slice(0, sets.indexOf(set)).filter(({ state }) => state === "done");
  return before.at(-1) ?? null;
}
