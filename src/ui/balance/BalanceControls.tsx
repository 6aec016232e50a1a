"use client";

import type { ComponentProps } from "react";
import { BALANCE_RANGES, type BalanceState } from "@/core/balance/balanceState";
import { bodyOf, type Build } from "@/core/balance/body";
import { Slider } from "./Slider";

interface Props {
  state: BalanceState;
  /** Lifters whose lengths can be taken over; empty for whoever may not read them. */
  lifters: readonly { name: string; build: Build }[];
  change: (part: Partial<BalanceState>) => void;
  /** Whose lengths these are now; null once one was moved. */
  choose: (name: string | null) => void;
}

/** Who lifts what, how deep: what all the carries are asked. */
export function BalanceControls({ state, lifters, change, choose }: Props) {
  const { build, mode } = state;
  const changeBuild = (part: Partial<Build>) => {
    // Whose lengths were moved is nobody of that name any more.
    choose(null);
    change({ build: { ...build, ...part } });
  };
  const { thighMm, trunkMm } = bodyOf(build);
  const sliders: ComponentProps<typeof Slider>[] = [
    {
      ...{ label: "height", unit: "mm", range: BALANCE_RANGES.heightMm, step: 5, value: build.heightMm },
      onChange: (heightMm) => changeBuild({ heightMm }),
    },
    {
      ...{ label: "body mass", unit: "kg", range: BALANCE_RANGES.massKg, value: build.massKg },
      onChange: (massKg) => changeBuild({ massKg }),
    },
    {
      ...{ label: "load", unit: "kg", range: BALANCE_RANGES.loadKg, step: 2.5, value: state.loadKg },
      onChange: (loadKg) => change({ loadKg }),
    },
    {
      ...{ label: "thigh", unit: "mm", range: BALANCE_RANGES.segmentMm },
      value: Math.round(thighMm),
      onChange: (thighLengthMm) => changeBuild({ thighLengthMm }),
    },
    {
      ...{ label: "trunk", unit: "mm", range: BALANCE_RANGES.segmentMm },
      value: Math.round(trunkMm),
      onChange: (trunkLengthMm) => changeBuild({ trunkLengthMm }),
    },
    {
      ...{ label: mode === "squat" ? "hip over knee" : "knees bent", unit: "°" },
      ...{ range: BALANCE_RANGES.thighAngleDeg, value: state.thighAngleDeg },
      onChange: (thighAngleDeg) => change({ thighAngleDeg }),
    },
    ...(mode === "hinge"
      ? [
          {
            ...{ label: "trunk lean", unit: "°", range: BALANCE_RANGES.trunkLeanDeg, value: state.trunkLeanDeg },
            onChange: (trunkLeanDeg: number) => change({ trunkLeanDeg }),
          },
        ]
      : []),
  ];
  return (
    <section
      aria-label="Lifter and load"
      className="sheet grid gap-x-8 gap-y-1.5 px-4 py-3 md:grid-cols-2 xl:grid-cols-3"
    >
      <div className="flex flex-wrap items-center gap-2 text-sm md:col-span-2 xl:col-span-3">
        <div role="group" aria-label="Movement" className="join">
          {(["squat", "hinge"] as const).map((key) => (
            <button
              key={key}
              type="button"
              aria-pressed={mode === key}
              className={`btn btn-sm join-item ${mode === key ? "btn-neutral" : "btn-outline"}`}
              onClick={() => change({ mode: key, thighAngleDeg: key === "hinge" ? 50 : 0 })}
            >
              {key}
            </button>
          ))}
        </div>
        {lifters.length > 0 && (
          <select
            aria-label="Use a lifter’s lengths"
            className="select select-sm w-52"
            value=""
            onChange={({ target }) => {
              const lifter = lifters.find(({ name }) => name === target.value);
              if (!lifter) return;
              choose(lifter.name);
              change({ build: lifter.build });
            }}
          >
            <option value="">a lifter’s lengths …</option>
            {lifters.map(({ name }) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        )}
        {mode === "squat" && (
          <label className="flex min-h-10 items-center gap-2">
            <input
              type="checkbox"
              className="toggle toggle-sm"
              checked={state.isSamePose}
              onChange={({ target }) => change({ isSamePose: target.checked })}
            />
            all at one pose
          </label>
        )}
      </div>
      {sliders.map((one) => (
        <Slider key={one.label} {...one} />
      ))}
      {(build.thighLengthMm || build.trunkLengthMm || build.shankLengthMm) && (
        <button
          type="button"
          className="link justify-self-start text-xs"
          onClick={() => changeBuild({ thighLengthMm: null, trunkLengthMm: null, shankLengthMm: null })}
        >
          reset to height
        </button>
      )}
    </section>
  );
}
