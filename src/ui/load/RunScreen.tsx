"use client";

import { useActionState, useCallback, useEffect, useMemo, useState } from "react";
import type { Bar } from "@/core/bars/bar";
import { changesOfRun, currentSet, lastClosed, onBarNow, type RunSet } from "@/core/loading/run/runState";
import { stepRun } from "@/core/loading/run/runStep";
import { stepOfTouch, type RunTouch } from "@/core/loading/run/runTouch";
import { sideOrder, tippingOf, type RackFacts } from "@/core/loading/tippingOf";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { signed, trimmed } from "@/core/units/format";
import type { RunView } from "@/server/runs";
import { KnurlPatterns } from "../kit/BarDrawing";
import { FormMessage } from "../kit/FormParts";
import { FRESH, type FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { PrintButton } from "../kit/PrintButton";
import { useOutbox } from "../kit/useOutbox";
import { ConnectionNote } from "../kit/ConnectionNote";
import { LoadedHalf } from "./LoadedHalf";
import { wordsOf } from "./plateWords";
import { RunList } from "./RunList";
import { DRAWN_DIAMETER_MM, DRAWN_THICKNESS_MM, Sleeve, type PlateFace } from "./Sleeve";
import { TippingNote } from "./TippingNote";

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

/** Tablets ask so often what the others did. */
const ASK_MS = 2000;
const JUMPS_KG = [-10, -5, 5, 10];
const ORDER_WORDS = {
  either: null,
  turns: "Left and right in turn, one plate at a time: more on one side would tip it.",
  "both-at-once": "Not one plate at a time: two people, both sides at once.",
} as const;

const kg = (units: number) => trimmed(kgFromMassUnits(units), 2);

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
      {view.stop && (
        <p role="alert" className="border-error text-error border-l-8 pl-3 text-lg font-bold">
          {view.stop}
        </p>
      )}
      {view.isOver ? (
        <p className="sheet p-4 text-lg font-semibold">
          This session is over: {state.sets.filter(({ state: how }) => how === "done").length} of {state.sets.length}{" "}
          sets were lifted.
        </p>
      ) : set ? (
        <div className="no-print grid gap-3 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
          <Now
            set={set}
            before={previousSetup(state.sets, set)}
            change={changes[state.sets.indexOf(set)]!}
            words={words}
            isStopped={view.stop !== null}
            last={last}
            send={send}
          >
            {rack && stationName && (
              <Tipping
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
          </Now>
          <section className="sheet p-3" aria-label="The loaded bar">
            <LoadedHalf
              bar={bar}
              plates={set.perSide.map((id) => ({
                label: plates[id]?.label ?? id,
                massKg: kgFromMassUnits(plates[id]?.massUnits ?? 0),
                thicknessMm: plates[id]?.thicknessMm ?? DRAWN_THICKNESS_MM,
                diameterMm: plates[id]?.diameterMm ?? DRAWN_DIAMETER_MM,
                colour: plates[id]?.colour ?? null,
              }))}
              clampWidthMm={clamp?.widthMm ?? null}
              {...(rack ? { supportHalfSpacingMm: rack.rackHalfSpacingMm } : {})}
              label={`Right half with ${words(set.perSide) || "no plates"}`}
            />
            <p className="text-quiet text-xs">
              Right half, to scale. Clamps on, both sides alike, safeties set; a spotter for heavy racked lifts.
            </p>
          </section>
        </div>
      ) : (
        <section className="sheet grid gap-4 p-6" aria-label="Done">
          <h2 className="text-3xl">All {state.sets.length} sets are done.</h2>
          <p className="text-lg">
            Empty the bar, one off each side in turn: {words(onBarNow(state).toReversed()) || "it is empty"}.
          </p>
          <div className="no-print flex flex-wrap gap-2">
            {last && (
              <button
                type="button"
                className="btn btn-outline min-h-14"
                onClick={() => send({ kind: "reopen", set: last.id }, `${last.lifter}'s set taken back`)}
              >
                Back
              </button>
            )}
            <End id={view.id} action={endAction} word="The bar is empty" isMain />
          </div>
        </section>
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
      {!view.isOver && set && (
        <section className="sheet no-print px-4 py-2" aria-label="Next">
          <h2 className="text-quiet text-sm">then</h2>
          <ol className="divide-base-300 divide-y text-sm">
            {state.sets.slice(closed + 1, closed + 5).map((one) => (
              <li key={one.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
                <span className="w-28 font-semibold">{one.lifter}</span>
                <span className="w-20 text-right font-bold">
                  {kg(one.achievedUnits)}
                  <span className="unit">kg</span>
                </span>
                <Sleeve stack={one.perSide} faces={plates} />
              </li>
            ))}
            {closed + 1 >= state.sets.length && <li className="text-quiet py-1">This is the last set.</li>}
          </ol>
        </section>
      )}
      <RunList sets={state.sets} changes={changes} words={words} />
      {!view.isOver && set && (
        <div className="no-print">
          <End id={view.id} action={endAction} word="End the session" />
        </div>
      )}
    </div>
  );
}

/** Asks every other second what other tablets did; says whether the last time brought no answer. */
function useOthers(view: RunView, hear: (answer: unknown) => void): boolean {
  const [isDeaf, setDeaf] = useState(false);
  const { id, stamp, isOver } = view;
  useEffect(() => {
    if (isOver) return;
    const timer = setInterval(async () => {
      try {
        const response = await fetch(`/load/session/run/${id}/state?stamp=${encodeURIComponent(stamp)}`, {
          signal: AbortSignal.timeout(8000),
        });
        if (response.ok) hear(await response.json());
        setDeaf(response.status >= 500);
      } catch {
        setDeaf(true);
      }
    }, ASK_MS);
    return () => clearInterval(timer);
  }, [id, stamp, isOver, hear]);
  return isDeaf;
}

/** The set before whose bar was set up for, as far as anybody was. */
function previousSetup(sets: readonly RunSet[], set: RunSet): Pick<RunSet, "setup" | "jCupHole"> | null {
  const before = sets.slice(0, sets.indexOf(set)).filter(({ state }) => state === "done");
  return before.at(-1) ?? null;
}

interface NowProps {
  set: RunSet;
  before: Pick<RunSet, "setup" | "jCupHole"> | null;
  change: { off: string[]; on: string[] };
  words: (stack: readonly string[]) => string;
  isStopped: boolean;
  last: RunSet | null;
  send: (touch: RunTouch, label: string) => void;
  children: React.ReactNode;
}

function Now({ set, before, change, words, isStopped, last, send, children }: NowProps) {
  const [isTyping, setTyping] = useState(false);
  const off = words(change.off);
  const on = words(change.on);
  const errorKg = kgFromMassUnits(set.achievedUnits - set.targetUnits);
  const whose = `${set.lifter}'s set of ${kg(set.achievedUnits)} kg`;
  const other = (targetKg: number) =>
    send({ kind: "load", set: set.id, targetKg }, `${whose}: ${trimmed(targetKg, 2)} kg instead`);
  return (
    <section className="sheet grid content-start gap-3 p-4" aria-label="Now" aria-live="polite">
      <p className="flex flex-wrap items-baseline justify-between gap-x-4">
        <strong className="text-3xl">{set.lifter}</strong>
        <span className="text-5xl font-bold" style={{ fontStretch: "85%" }}>
          {kg(set.achievedUnits)}
          <span className="unit text-2xl">kg</span>
        </span>
      </p>
      {Math.abs(errorKg) >= 0.005 && (
        <p className="text-accent text-sm">{signed(errorKg, 2)} kg from what was asked.</p>
      )}
      {(set.setup || set.jCupHole !== null) && (
        <p className="flex flex-wrap gap-x-5 text-lg">
          {set.jCupHole !== null && (
            <span className={before?.jCupHole !== set.jCupHole ? "text-accent font-bold" : ""}>
              J-cups in hole {set.jCupHole}
              {before && before.jCupHole !== set.jCupHole && ", move them"}
            </span>
          )}
          {set.setup && (
            <span className={before?.setup !== set.setup ? "text-accent font-bold" : ""}>
              {before && before.setup !== set.setup ? "set it to " : "set at "}
              {set.setup}
            </span>
          )}
        </p>
      )}
      <dl className="grid gap-2 text-2xl leading-tight">
        <div className={off ? "border-error border-l-8 pl-3" : "border-base-300 text-quiet border-l-8 pl-3"}>
          <dt className="text-quiet text-sm">take off each side, outside first</dt>
          <dd className="font-bold">{off || "nothing"}</dd>
        </div>
        <div className={on ? "border-primary border-l-8 pl-3" : "border-base-300 text-quiet border-l-8 pl-3"}>
          <dt className="text-quiet text-sm">put on each side, inside first</dt>
          <dd className="font-bold">{on || "nothing"}</dd>
        </div>
      </dl>
      {children}
      <div className="grid grid-cols-[2fr_1fr_1fr] gap-2">
        <button
          type="button"
          className="btn btn-neutral min-h-16 text-xl"
          disabled={isStopped}
          onClick={() => send({ kind: "done", set: set.id, perSide: set.perSide }, `${whose} done`)}
        >
          Done
        </button>
        <button
          type="button"
          className="btn btn-outline min-h-16"
          onClick={() => send({ kind: "skip", set: set.id }, `${whose} left out`)}
        >
          Skip
        </button>
        <button
          type="button"
          className="btn btn-outline min-h-16"
          disabled={last === null}
          onClick={() => last && send({ kind: "reopen", set: last.id }, `${last.lifter}'s set taken back`)}
        >
          Back
        </button>
      </div>
      <div role="group" aria-label="Changed load" className="flex flex-wrap items-center gap-2 text-sm">
        <span className="basis-full sm:basis-auto">Another load for this set:</span>
        {JUMPS_KG.map((by) => {
          const targetKg = Number(trimmed(kgFromMassUnits(set.targetUnits) + by, 3));
          return targetKg > 0 ? (
            <button
              key={by}
              type="button"
              className="btn btn-outline min-h-12"
              aria-label={`${Math.abs(by)} kg ${by < 0 ? "less" : "more"}`}
              onClick={() => other(targetKg)}
            >
              {by < 0 ? "−" : "+"}
              {Math.abs(by)}
            </button>
          ) : null;
        })}
        {isTyping ? (
          <form
            className="flex items-center gap-1"
            onSubmit={(event) => {
              event.preventDefault();
              const typed = Number(String(new FormData(event.currentTarget).get("kg")).replace(",", "."));
              if (!(typed > 0 && typed <= 1000)) return;
              setTyping(false);
              other(typed);
            }}
          >
            <input
              name="kg"
              aria-label="Load in kg"
              inputMode="decimal"
              autoFocus
              defaultValue={trimmed(kgFromMassUnits(set.targetUnits), 3)}
              className="input min-h-12 w-20 text-lg"
            />
            <button type="submit" className="btn btn-neutral min-h-12">
              kg
            </button>
          </form>
        ) : (
          <button type="button" className="btn btn-outline min-h-12" onClick={() => setTyping(true)}>
            type it
          </button>
        )}
      </div>
    </section>
  );
}

interface TippingProps {
  rack: RackFacts;
  clamp: Props["clamp"];
  plates: Props["plates"];
  before: readonly string[];
  after: readonly string[];
  off: number;
  on: number;
  at: string;
}

/** The order of the two sides for this change, and what the loaded bar stands. */
function Tipping({ rack, clamp, plates, before, after, off, on, at }: TippingProps) {
  const tippingFor = (stack: readonly string[]) =>
    tippingOf(
      rack,
      stack.map((id) => plates[id] ?? { massUnits: 0, thicknessMm: null }),
      clamp,
    );
  const loaded = tippingFor(after);
  const order = ORDER_WORDS[sideOrder({ tipping: tippingFor(before), off }, { tipping: loaded, on }, clamp !== null)];
  return (
    <>
      {order && <p className="border-accent text-accent border-l-8 pl-3 text-lg font-bold">{order}</p>}
      {after.length > 0 && <TippingNote tipping={loaded} at={at} plates={after.length} />}
    </>
  );
}

function End({ id, action, word, isMain }: { id: string; action: FormAction; word: string; isMain?: boolean }) {
  const [form, send, isPending] = useActionState(action, FRESH);
  return (
    <form action={send} className="flex flex-wrap items-center gap-3">
      <input type="hidden" name="id" value={id} />
      <button type="submit" disabled={isPending} className={`btn min-h-14 ${isMain ? "btn-neutral" : "btn-ghost"}`}>
        {word}
      </button>
      <FormMessage state={form} />
    </form>
  );
}
