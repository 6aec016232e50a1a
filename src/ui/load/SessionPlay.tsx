"use client";

import { useEffect, useMemo, useState } from "react";
import { playSession, stepAt, USUAL_PACE, type Pace, type PlayStep } from "@/core/loading/sessionTime";
import { trimmed } from "@/core/units/format";
import { Slider } from "../balance/Slider";
import { plateLook } from "./plateLooks";
import { Kg } from "../kit/shown";

export interface PlayedSet {
  lifter: string;
  achievedKg: number;
  perSide: string[];
  off: string[];
  on: string[];
}

interface Props {
  sets: readonly PlayedSet[];
  /** Label, colour, thickness and diameter of each plate, by key. */
  looks: Record<string, { label: string; colour: string | null; thicknessMm: number; diameterMm: number }>;
  /** Plates that would be handled a side if every set were loaded anew. */
  scratchPlates: number;
}

/** Seconds of the session in one second of play. */
const SPEED = 60;
const FRAME_MS = 100;
const WORDS: Record<PlayStep["what"], string> = {
  off: "takes plates off",
  on: "puts plates on",
  turn: "gets ready",
  lift: "lifts",
};

const minutes = (seconds: number) => `${trimmed(seconds / 60, 0)} min`;
const clock = (seconds: number) => `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;

/** The session as it will go: plates one by one, sets, and where the time goes at a pace that can be changed. */
export function SessionPlay({ sets, looks, scratchPlates }: Props) {
  const [pace, setPace] = useState<Pace>(USUAL_PACE);
  const play = useMemo(() => playSession(sets, pace), [sets, pace]);
  const [now, setNow] = useState(0);
  const [isPlaying, setPlaying] = useState(false);
  useEffect(() => {
    if (!isPlaying) return;
    const timer = setInterval(
      () =>
        setNow((was) => {
          const next = was + (SPEED * FRAME_MS) / 1000;
          if (next < play.totalS) return next;
          setPlaying(false);
          return play.totalS;
        }),
      FRAME_MS,
    );
    return () => clearInterval(timer);
  }, [isPlaying, play.totalS]);
  const step = play.steps[stepAt(play, now)];
  const set = step && sets[step.set]!;
  const anewS = play.totalS - play.platesS + scratchPlates * pace.plateS + sets.length * pace.clampS;
  if (!step || !set) return null;
  return (
    <section className="sheet no-print mt-3 px-4 py-3" aria-label="Play it">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h2 className="font-bold">Play it: about {minutes(play.totalS)}</h2>
        <button
          type="button"
          className="btn btn-sm btn-neutral"
          onClick={() => {
            if (now >= play.totalS) setNow(0);
            setPlaying((was) => !was);
          }}
        >
          {isPlaying ? "Pause" : "Play"}
        </button>
        <label className="flex min-w-48 flex-1 items-center gap-2 text-sm">
          <span className="sr-only">Time in the session</span>
          <input
            type="range"
            className="range range-xs w-full"
            min={0}
            max={Math.ceil(play.totalS)}
            value={Math.round(now)}
            aria-valuetext={`${clock(now)}: ${set.lifter} ${WORDS[step.what]}`}
            onChange={({ target }) => setNow(Number(target.value))}
          />
          <span className="tabular-nums">{clock(now)}</span>
        </label>
      </div>
      <div className="grid items-center gap-4 md:grid-cols-[14rem_1fr]">
        <p className="text-lg leading-snug">
          <strong>{set.lifter}</strong> {WORDS[step.what]}
          <span className="text-quiet block text-sm">
            set {step.set + 1} of {sets.length}, <Kg value={set.achievedKg} decimals={2} />
          </span>
        </p>
        <div className="bg-base-200 flex h-28 items-center gap-0.5 overflow-hidden px-2">
          <span className="h-3 w-16 shrink-0" style={{ background: "var(--steel)" }} />
          <span className="h-10 w-2 shrink-0" style={{ background: "var(--steel-dark)" }} />
          {step.perSide.map((key, i) => {
            const plate = looks[key]!;
            const look = plateLook(plate.colour);
            return (
              <span
                key={i}
                className="border-base-content/50 inline-flex shrink-0 items-center justify-center border text-[0.65rem] font-bold [writing-mode:vertical-rl]"
                style={{
                  background: look.fill,
                  color: look.text,
                  height: `${plate.diameterMm / 4.3}px`,
                  width: `${Math.max(14, plate.thicknessMm / 2)}px`,
                }}
              >
                {plate.label}
              </span>
            );
          })}
          <span className="h-5 min-w-8 flex-1" style={{ background: "var(--steel-light)" }} />
        </div>
      </div>
      <div className="mt-3 grid gap-x-8 gap-y-2 md:grid-cols-2">
        <div>
          <div className="flex h-6 overflow-hidden text-xs" aria-hidden="true">
            {(
              [
                [play.liftingS, "var(--color-primary)"],
                [play.platesS, "var(--color-secondary)"],
                [play.turningS, "var(--color-base-300)"],
              ] as const
            ).map(([seconds, ink]) => (
              <span key={ink} style={{ width: `${(100 * seconds) / play.totalS}%`, background: ink }} />
            ))}
          </div>
          <p className="mt-1 text-sm">
            Lifting {minutes(play.liftingS)}, plates {minutes(play.platesS)}, getting ready {minutes(play.turningS)}.
            Reloading from empty each time: about {minutes(anewS)}.
          </p>
        </div>
        <div className="grid gap-1">
          <Slider
            label="a plate"
            unit="s"
            range={[2, 30]}
            value={pace.plateS}
            onChange={(plateS) => setPace({ ...pace, plateS })}
          />
          <Slider
            label="a set"
            unit="s"
            range={[5, 240]}
            step={5}
            value={pace.setS}
            onChange={(setS) => setPace({ ...pace, setS })}
          />
          <Slider
            label="getting ready"
            unit="s"
            range={[0, 300]}
            step={5}
            value={pace.turnS}
            onChange={(turnS) => setPace({ ...pace, turnS })}
          />
        </div>
      </div>
    </section>
  );
}
