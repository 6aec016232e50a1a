"use client";

import { useRouter } from "next/navigation";
import { useMemo, useRef, useState, type ReactNode } from "react";
import type { Build } from "@/core/balance/body";
import { findSetting, settingsOf, type ArmChart, type PlacedSetting } from "@/core/setups/armChart";
import { besides, closeness, easiestFirst, evaluateAll, massesOf, presetsOf } from "@/core/setups/armSettings";
import { fixed, sentence, signed, trimmed } from "@/core/units/format";
import { FigureDrawing, figureTopMm } from "../balance/FigureDrawing";
import { GHOST_WORDS } from "./ArmDial";
import { changedHref, intend, latestParams } from "../kit/intent";
import { Mm } from "../kit/shown";
import { ArmDialHere, Numbers, Step } from "./ArmNumbers";

interface Props {
  tag: string;
  chart: ArmChart;
  start: { mark: string; pin: string };
  build: Build;
  totalKg: number;
  /** What the hands do and whether to let go, by setting: made on the server for the one in the address. */
  children?: ReactNode;
  /** Stands under the drawing. */
  below?: ReactNode;
}

/** An adjustable yoke bar live: the load is dragged about the pad, the lifter leans, presets and neighbours beside. */
export function ArmBench({ tag, chart, start, build, totalKg, children, below }: Props) {
  const settings = useMemo(() => settingsOf(chart), [chart]);
  const [current, setCurrent] = useState<PlacedSetting>(() => findSetting(chart, start) ?? settings[0]!);
  const ask = useMemo(() => ({ lifter: build, ...massesOf(chart, totalKg) }), [build, chart, totalKg]);
  const evaluated = useMemo(() => evaluateAll(chart, ask), [chart, ask]);
  const ordered = useMemo(() => easiestFirst(evaluated), [evaluated]);
  const presets = useMemo(() => presetsOf(chart), [chart]);
  const now = evaluated.find((one) => one.mark === current.mark && one.pin === current.pin)!;
  const { easier, harder } = besides(ordered, now);
  const router = useRouter();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latest = useRef(current);

  function settle(setting = latest.current) {
    latest.current = setting;
    clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      const { mark, pin } = latest.current;
      const next = changedHref(`/setups/${encodeURIComponent(tag)}`, latestParams(), { mark, pin, like: null });
      intend(next);
      router.replace(next, { scroll: false });
    }, 250);
  }
  const show = (setting: PlacedSetting) => {
    latest.current = setting;
    setCurrent(setting);
  };
  const go = (setting: PlacedSetting) => {
    show(setting);
    settle(setting);
  };
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1.75fr)_minmax(0,1fr)]">
      <div className="grid content-start gap-3">
        <section
          className="sheet grid gap-x-4 px-4 py-2 sm:grid-cols-[minmax(0,2.3fr)_minmax(0,1fr)]"
          aria-label="Marks and pins"
        >
          <div>
            <h2 className="text-lg font-bold">
              Mark {current.mark}, pin {current.pin}
            </h2>
            <ArmDialHere
              settings={settings}
              current={current}
              chart={chart}
              onChange={show}
              onSettled={() => settle()}
            />
            <p className="text-quiet text-xs">
              Drag the load about the pad, or focus it and use the arrows. Letters: where usual carries have their load,{" "}
              {GHOST_WORDS}.
            </p>
          </div>
          <div className="flex flex-col justify-end" role="group" aria-label="The lifter with it">
            <FigureDrawing
              figure={now.answer?.figure ?? null}
              loadKg={ask.loadKg}
              ink="var(--color-primary)"
              topMm={now.answer ? Math.max(1100, figureTopMm(now.answer.figure)) : 1100}
              isHanging={false}
              label={
                now.answer
                  ? `The trunk leans ${trimmed(now.answer.trunkLeanDeg, 0)} degrees`
                  : "Nothing balances at this setting"
              }
            />
            <p className="text-quiet text-xs">At a level thigh. Geometry, not a diagnosis.</p>
          </div>
        </section>
        {below}
      </div>
      <section className="sheet flex flex-col gap-2 px-4 py-2" aria-label="What it does">
        <p className="text-lg leading-snug font-semibold" aria-live="polite">
          {sentence(closeness(now.imitates.apartMm))} {now.imitates.name}.
        </p>
        <Numbers now={now} />
        <div className="grid grid-cols-2 gap-1.5" role="group" aria-label="Set it like">
          {presets.map(({ key, name, setting, apartMm }) => (
            <button
              key={key}
              type="button"
              aria-pressed={setting.mark === current.mark && setting.pin === current.pin}
              className={`btn btn-sm ${setting.mark === current.mark && setting.pin === current.pin ? "btn-neutral" : "btn-outline"}`}
              onClick={() => go(setting)}
            >
              {name}
              <span className="text-xs font-normal opacity-80">
                {setting.mark} {setting.pin}, <Mm value={apartMm} decimals={0} /> off
              </span>
            </button>
          ))}
        </div>
        <div className="grid grid-cols-2 gap-1.5">
          <Step label="Easier" to={easier} onGo={go} />
          <Step label="Harder" to={harder} onGo={go} />
        </div>
        {children}
        <details>
          <summary className="text-quiet min-h-9 cursor-pointer py-2 text-xs">
            All {ordered.length} settings, easiest first
          </summary>
          <div className="max-h-72 overflow-y-auto">
            <table className="w-full text-right text-xs">
              <thead className="text-quiet">
                <tr>
                  <th className="text-left font-normal">mark, pin</th>
                  <th className="font-normal">distance</th>
                  <th className="font-normal">lean</th>
                  <th className="font-normal">hip to knee</th>
                  <th className="font-normal">roll</th>
                </tr>
              </thead>
              <tbody>
                {ordered.map((one) => (
                  <tr key={one.mark + one.pin} className={one === now ? "bg-base-200 font-bold" : ""}>
                    <td className="text-left">
                      <button
                        type="button"
                        className="min-h-7 w-full text-left underline-offset-2 hover:underline"
                        onClick={() => go(one)}
                      >
                        {one.mark} {one.pin}
                      </button>
                    </td>
                    <td>
                      <Mm value={one.distanceMm} decimals={0} />
                    </td>
                    <td>{one.answer ? `${fixed(one.answer.trunkLeanDeg, 1)}°` : "tips"}</td>
                    <td>{one.answer?.hipToKnee ? fixed(one.answer.hipToKnee, 2) : "–"}</td>
                    <td>{one.answer ? `${signed(one.answer.rollTorqueNm, 0)} N·m` : "–"}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </details>
        <p className="text-quiet text-xs">
          Harder means farther from the axis, then more lean. At one pose every setting has the same moments, so each is
          shown at its own shank lean.
        </p>
      </section>
    </div>
  );
}
