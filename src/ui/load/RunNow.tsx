"use client";

import { useState } from "react";
import type { RunSet } from "@/core/loading/run/runState";
import type { RunTouch } from "@/core/loading/run/runTouch";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { KG_PER_LB } from "@/core/units/constants";
import { trimmed } from "@/core/units/format";
import { readMass } from "../kit/massInput";
import { EffortAsk } from "./EffortAsk";
import { Kg, UnitInput, UnitName, useShown } from "../kit/shown";

/** What a person adds or takes off in a step, in their own unit. */
const JUMPS = { kg: [-10, -5, 5, 10], lb: [-20, -10, 10, 20] } as const;

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
  const { units, kg: said } = useShown();
  const unitKg = units.mass === "lb" ? KG_PER_LB : 1;
  const off = words(change.off);
  const on = words(change.on);
  const errorKg = kgFromMassUnits(set.achievedUnits - set.targetUnits);
  const whose = `${set.lifter}'s set of ${said(kgFromMassUnits(set.achievedUnits), 2)}`;
  const other = (targetKg: number) =>
    send({ kind: "load", set: set.id, targetKg }, `${whose}: ${said(targetKg, 2)} instead`);
  return (
    <section
      className="sheet flex min-h-[calc(100svh-11rem)] flex-col gap-3 p-4 md:min-h-[calc(100svh-7rem)]"
      aria-label="Now"
      aria-live="polite"
    >
      <p className="flex flex-wrap items-baseline justify-between gap-x-4">
        <strong className="text-3xl md:text-6xl">{set.lifter}</strong>
        <span className="text-5xl font-bold md:text-8xl" style={{ fontStretch: "85%" }}>
          <Kg value={kgFromMassUnits(set.achievedUnits)} decimals={2} isBare />
          <span className="unit text-2xl md:text-4xl">
            <UnitName of="kg" />
          </span>
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
      <dl className="grid gap-2 text-2xl leading-tight md:text-5xl">
        <div className={off ? "border-error border-l-8 pl-3" : "border-base-300 text-quiet border-l-8 pl-3"}>
          <dt className="text-quiet text-sm md:text-lg">take off each side, outside first</dt>
          <dd className="font-bold">{off || "nothing"}</dd>
        </div>
        <div className={on ? "border-primary border-l-8 pl-3" : "border-base-300 text-quiet border-l-8 pl-3"}>
          <dt className="text-quiet text-sm md:text-lg">put on each side, inside first</dt>
          <dd className="font-bold">{on || "nothing"}</dd>
        </div>
      </dl>
      {children}
      {last?.state === "done" && <EffortAsk key={last.id} set={last} send={send} />}
      <div role="group" aria-label="Changed load" className="flex flex-wrap items-center gap-2 text-sm">
        <span className="basis-full sm:basis-auto">Change load:</span>
        {JUMPS[units.mass].map((by) => {
          const targetKg = Number(trimmed(kgFromMassUnits(set.targetUnits) + by * unitKg, 3));
          return targetKg > 0 ? (
            <button
              key={by}
              type="button"
              className="btn btn-outline min-h-12"
              aria-label={`${Math.abs(by)} ${units.mass} ${by < 0 ? "less" : "more"}`}
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
              const typed = readMass(String(new FormData(event.currentTarget).get("load")), units.mass)?.kg ?? 0;
              if (!(typed > 0 && typed <= 1000)) return;
              setTyping(false);
              other(Number(trimmed(typed, 3)));
            }}
          >
            <UnitInput
              name="load"
              unit="kg"
              value={kgFromMassUnits(set.targetUnits)}
              aria-label={`Load in ${units.mass}`}
              autoFocus
              className="input min-h-12 w-20 text-lg"
            />
            <button type="submit" className="btn btn-neutral min-h-12">
              <UnitName of="kg" />
            </button>
          </form>
        ) : (
          <button type="button" className="btn btn-outline min-h-12" onClick={() => setTyping(true)}>
            Other…
          </button>
        )}
      </div>
      <div className="bg-base-100 sticky bottom-0 z-10 mt-auto -mb-4 grid grid-cols-[2fr_1fr_1fr] gap-2 pt-2 pb-4">
        <button
          type="button"
          className="btn btn-neutral min-h-16 text-2xl md:min-h-20"
          disabled={isStopped}
          onClick={() => send({ kind: "done", set: set.id, perSide: set.perSide }, `${whose} done`)}
        >
          Done
        </button>
        <button
          type="button"
          className="btn btn-outline min-h-16 md:min-h-20"
          onClick={() => send({ kind: "skip", set: set.id }, `${whose} left out`)}
        >
          Skip
        </button>
        <button
          type="button"
          className="btn btn-outline min-h-16 md:min-h-20"
          disabled={last === null}
          onClick={() => last && send({ kind: "reopen", set: last.id }, `${last.lifter}'s set undone`)}
        >
          Back
        </button>
      </div>
    </section>
  );
}
