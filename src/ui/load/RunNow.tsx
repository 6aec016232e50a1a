"use client";

import { useState } from "react";
import type { RunSet } from "@/core/loading/run/runState";
import type { RunTouch } from "@/core/loading/run/runTouch";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import { EffortAsk } from "./EffortAsk";
import { Kg } from "../kit/shown";

const JUMPS_KG = [-10, -5, 5, 10];

export const kg = (units: number) => trimmed(kgFromMassUnits(units), 2);

interface Props {
  set: RunSet;
  before: Pick<RunSet, "setup" | "jCupHole"> | null;
  change: { off: string[]; on: string[] };
  words: (stack: readonly string[]) => string;
  isStopped: boolean;
  last: RunSet | null;
  send: (touch: RunTouch, label: string) => void;
  children: React.ReactNode;
}

/** The set in hand: what comes off, what goes on, and the big answers. */
export function RunNow({ set, before, change, words, isStopped, last, send, children }: Props) {
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
        <p className="text-accent text-sm">
          <Kg value={errorKg} decimals={2} isSigned /> off target.
        </p>
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
          onClick={() => last && send({ kind: "reopen", set: last.id }, `${last.lifter}'s set undone`)}
        >
          Back
        </button>
      </div>
      {last?.state === "done" && <EffortAsk key={last.id} set={last} send={send} />}
      <div role="group" aria-label="Changed load" className="flex flex-wrap items-center gap-2 text-sm">
        <span className="basis-full sm:basis-auto">Change load:</span>
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
            Other…
          </button>
        )}
      </div>
    </section>
  );
}
