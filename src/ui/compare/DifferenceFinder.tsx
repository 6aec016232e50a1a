"use client";

import { useState } from "react";
import { loadWhereTheyDiffer } from "@/core/whip/compareWhip";
import { trimmed } from "@/core/units/format";
import { Mm, Say, useShown } from "../kit/shown";
import { type Props, MAX_LIFTED_KG } from "./whipBenchProps";

const MIN_DIFFERENCE_MM = 0.5;

const MAX_DIFFERENCE_MM = 20;

/** A slider over an amount of slack, and from which load on two bars differ by it. */
export function DifferenceFinder({
  bars,
  handsMm,
  disc,
  noticeableMm,
  isFloor,
}: Pick<Props, "bars" | "handsMm" | "disc" | "noticeableMm" | "isFloor">) {
  const { mm } = useShown();
  const [difference, setDifference] = useState(noticeableMm);
  const [pair, setPair] = useState<[string, string]>([bars[0]!.bar.tag, bars.at(-1)!.bar.tag]);
  const find = (tag: string, other: number) => bars.find(({ bar }) => bar.tag === tag) ?? bars.at(other)!;
  const [a, b] = [find(pair[0], 0), find(pair[1], -1)];
  const from = loadWhereTheyDiffer(a.bar, b.bar, {
    supportHalfSpacingMm: handsMm / 2,
    differenceMm: difference,
    mostKg: MAX_LIFTED_KG,
    disc,
  });
  return (
    <div className="border-base-300 grid gap-1 border-t pt-3 text-sm" role="group" aria-label="From which load on">
      <p className="flex flex-wrap items-baseline gap-x-2">
        {[a, b].map((one, i) => (
          <span key={i} className="ask">
            {i === 1 && "and"}
            <select
              aria-label={i === 0 ? "first bar" : "second bar"}
              value={one.bar.tag}
              onChange={({ target }) => setPair(i === 0 ? [target.value, b.bar.tag] : [a.bar.tag, target.value])}
            >
              {bars.map(({ bar }) => (
                <option key={bar.tag}>{bar.tag}</option>
              ))}
            </select>
          </span>
        ))}
        differ by{" "}
        <strong>
          <Mm value={difference} decimals={1} isAligned />
        </strong>{" "}
        of {isFloor ? "slack" : "bend"}{" "}
        <span data-testid="differ-from">
          {a === b ? (
            "– choose two different bars."
          ) : from === null ? (
            <Say text={`at no load up to ${MAX_LIFTED_KG} kg.`} />
          ) : (
            <Say text={`from ${trimmed(from, 0)} kg on.`} />
          )}
        </span>
      </p>
      <input
        type="range"
        className="range range-sm w-full max-w-xl"
        aria-label="Difference"
        aria-valuetext={mm(difference, 1)}
        min={MIN_DIFFERENCE_MM}
        max={MAX_DIFFERENCE_MM}
        step={0.1}
        value={difference}
        onChange={({ target }) => setDifference(Number(target.value))}
      />
    </div>
  );
}
