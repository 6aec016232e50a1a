"use client";

import { useState } from "react";
import type { Sweep, SweepPoint } from "@/core/whip/sweep";
import { drawnLater } from "../kit/fetched";
import { INKS } from "./inks";
import { useSweep } from "./useSweep";
import { DifferenceFinder } from "./DifferenceFinder";
import { type Props } from "./whipBenchProps";

const BenchChart = drawnLater(async () => (await import("./BenchChart")).BenchChart, "h-[14.25rem]");

type Measure = "slack" | "stress" | "margin" | "stiffness" | "oscillation";

const MEASURES: Record<
  Measure,
  { word: string; unit: string; decimals: number; of: (point: SweepPoint) => number | null; topAt?: number }
> = {
  slack: { word: "slack", unit: "mm", decimals: 1, of: ({ deflectionMm }) => deflectionMm },
  stress: { word: "greatest stress", unit: "MPa", decimals: 0, of: ({ stressMPa }) => stressMPa },
  margin: { word: "margin to a lasting bend", unit: "×", decimals: 1, of: ({ margin }) => margin, topAt: 10 },
  stiffness: { word: "stiffness", unit: "", decimals: 2, of: ({ stiffnessNPerMm }) => stiffnessNPerMm },
  oscillation: { word: "oscillation", unit: "Hz", decimals: 1, of: ({ oscillationHz }) => oscillationHz, topAt: 20 },
};

/** Every bar at every load and every grip, and the load at which two of them differ by a chosen amount. */
export function WhipBench({ bars, loadKg, handsMm, disc, isFloor, noticeableMm }: Props) {
  const [measure, setMeasure] = useState<Measure>("slack");
  const [reference, setReference] = useState(bars[0]!.bar.tag);
  const mostKg = Math.max(200, Math.ceil((loadKg * 1.25) / 50) * 50);
  const { sweep, share, ms, isCancelled, cancel } = useSweep({
    bars: bars.map(({ bar }) => bar),
    loadKg,
    supportHalfSpacingMm: handsMm / 2,
    disc: { massKg: disc.massKg, thicknessMm: disc.thicknessMm },
    mostKg,
  });
  const { word, unit, decimals, topAt } = MEASURES[measure];
  const name = measure === "slack" && !isFloor ? "plates below the supports" : word;
  const isRelative = measure === "stiffness";
  const against = bars.some(({ bar }) => bar.tag === reference) ? reference : bars[0]!.bar.tag;
  return (
    <section className="sheet grid gap-3 p-4" aria-label="Whip bench">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h2 className="font-bold">Whip bench</h2>
        <label className="ask text-sm">
          show
          <select value={measure} onChange={({ target }) => setMeasure(target.value as Measure)}>
            {Object.entries(MEASURES).map(([key, one]) => (
              <option key={key} value={key}>
                {one.word}
              </option>
            ))}
          </select>
        </label>
        {isRelative && (
          <label className="ask text-sm">
            against
            <select value={against} onChange={({ target }) => setReference(target.value)}>
              {bars.map(({ bar }) => (
                <option key={bar.tag}>{bar.tag}</option>
              ))}
            </select>
          </label>
        )}
        <span className="text-quiet ml-auto text-xs" role="status">
          {sweep
            ? `${sweep.bends.toLocaleString("en")} bends in ${Math.max(1, Math.round(ms))} ms`
            : isCancelled
              ? "stopped"
              : `working out, ${Math.round(share * 100)} %`}
          {!sweep && !isCancelled && (
            <button type="button" className="link ml-2 min-h-9" onClick={cancel}>
              stop
            </button>
          )}
        </span>
      </div>
      <div className="grid min-h-60 gap-4 sm:grid-cols-2">
        {sweep && (
          <>
            <BenchChart
              title={`${isRelative ? `stiffness against ${against}` : name}, by load`}
              xs={sweep.loadsKg}
              curves={curvesOf(bars, sweep.byLoad, measure, isRelative ? against : null)}
              xUnit="kg"
              yUnit={unit}
              decimals={decimals}
              mark={{ at: loadKg, word: "this load" }}
              {...(topAt ? { topAt } : {})}
            />
            <BenchChart
              title={`${isRelative ? `stiffness against ${against}` : name}, by distance between the ${isFloor ? "hands" : "supports"}`}
              xs={sweep.gripsMm}
              curves={curvesOf(bars, sweep.byGrip, measure, isRelative ? against : null)}
              xUnit="mm"
              yUnit={unit}
              decimals={decimals}
              mark={{ at: handsMm, word: "this grip" }}
              {...(topAt ? { topAt } : {})}
            />
          </>
        )}
      </div>
      {bars.length > 1 && (
        <DifferenceFinder bars={bars} handsMm={handsMm} disc={disc} noticeableMm={noticeableMm} isFloor={isFloor} />
      )}
    </section>
  );
}

function curvesOf(bars: Props["bars"], points: Sweep["byLoad"], measure: Measure, reference: string | null) {
  const { of } = MEASURES[measure];
  const base = reference === null ? -1 : bars.findIndex(({ bar }) => bar.tag === reference);
  return bars.map(({ bar, ink }, k) => ({
    tag: bar.tag,
    color: INKS[ink]!.color,
    dash: INKS[ink]!.dash,
    points: points[k]!.map((point, i) => {
      const value = point && of(point);
      if (base < 0 || value === null) return value;
      const other = points[base]![i];
      return other ? value / of(other)! : null;
    }),
  }));
}
