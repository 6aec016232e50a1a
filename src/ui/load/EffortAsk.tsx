"use client";

import { useState } from "react";
import type { RunSet, SetEffort } from "@/core/loading/run/runState";
import type { RunTouch } from "@/core/loading/run/runTouch";
import { useShown } from "../kit/shown";
import { kgFromMassUnits } from "@/core/units/exactMass";

const LEFT = [0, 1, 2, 3, 4];

interface Props {
  set: RunSet;
  send: (touch: RunTouch, label: string) => void;
}

/** How the set before went: one touch says how many repetitions were left, or that it was missed. */
export function EffortAsk({ set, send }: Props) {
  const said = set.effort;
  const [repetitions, setRepetitions] = useState(said?.repetitions ?? set.repetitions ?? 5);
  const [handsHelped, setHandsHelped] = useState(said?.handsHelped ?? false);
  const { kg } = useShown();
  const whose = `${set.lifter}'s ${kg(kgFromMassUnits(set.achievedUnits), 2)}`;
  const say = (effort: Partial<SetEffort>, label: string) =>
    send(
      {
        kind: "effort",
        set: set.id,
        effort: { repetitions, reserve: said?.reserve ?? null, isMade: true, handsHelped, ...effort },
      },
      `${whose}: ${label}`,
    );
  const step = (by: number) => {
    const next = Math.min(100, Math.max(1, repetitions + by));
    setRepetitions(next);
    if (said) say({ ...said, repetitions: next }, `${next} repetitions`);
  };
  const isLeft = (left: number) => said?.isMade === true && said.reserve === left;
  return (
    <div
      role="group"
      aria-label={`How ${whose} went`}
      className="border-base-300 flex flex-wrap items-center gap-2 border-t pt-3 text-sm"
    >
      <span className="basis-full font-semibold">
        How many were left of {whose}?{" "}
        {said && <span className="text-quiet font-normal">{said.isMade ? "saved" : "missed"}</span>}
      </span>
      {LEFT.map((left) => (
        <button
          key={left}
          type="button"
          aria-pressed={isLeft(left)}
          aria-label={`${left} left`}
          className={`btn min-h-12 min-w-12 ${isLeft(left) ? "btn-neutral" : "btn-outline"}`}
          onClick={() => say({ reserve: left, isMade: true }, `${repetitions} with ${left} left`)}
        >
          {left === 4 ? "4+" : left}
        </button>
      ))}
      <button
        type="button"
        aria-pressed={said?.isMade === false}
        className={`btn min-h-12 ${said?.isMade === false ? "btn-neutral" : "btn-outline"}`}
        onClick={() => say({ reserve: null, isMade: false }, "missed")}
      >
        Missed
      </button>
      <span className="flex items-center gap-1">
        <button
          type="button"
          aria-label="One repetition less"
          className="btn btn-ghost min-h-12"
          onClick={() => step(-1)}
        >
          −
        </button>
        <span className="tabular-nums" aria-live="polite">
          {repetitions} {repetitions === 1 ? "repetition" : "repetitions"}
        </span>
        <button
          type="button"
          aria-label="One repetition more"
          className="btn btn-ghost min-h-12"
          onClick={() => step(1)}
        >
          +
        </button>
      </span>
      <label className="flex min-h-12 items-center gap-2">
        <input
          type="checkbox"
          checked={handsHelped}
          className="checkbox"
          onChange={({ target }) => {
            setHandsHelped(target.checked);
            if (said) say({ ...said, handsHelped: target.checked }, target.checked ? "hands helped" : "hands free");
          }}
        />
        Hands helped
      </label>
    </div>
  );
}
