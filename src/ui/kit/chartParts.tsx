"use client";

import { ResponsiveContainer } from "recharts";
import { momentAxis, roundAxis } from "./chartAxes";

/* What charts have in common. Only for files that are fetched later themselves: it brings the package of charts. */

/** Figures along an axis. */
export const TICK = { fontSize: 11, fill: "var(--color-quiet)" };

/** The axis beside a chart, from one round figure to another; each of them is written. */
export function valueAxis(least: number, most: number, count?: number) {
  return { tick: TICK, stroke: "var(--color-faint)", interval: 0, ...roundAxis(least, most, count) };
}

/** The axis of moments below a chart of which `x` is in ms. */
export function timeAxis(domain: readonly [number, number]) {
  const { text, ...axis } = momentAxis(domain);
  return {
    dataKey: "x",
    type: "number" as const,
    tick: TICK,
    stroke: "var(--color-faint)",
    tickFormatter: text,
    minTickGap: 30,
    ...axis,
  };
}

/** A chart as wide as its place and as high, drawn at a usual width until that is known. */
export function ChartBox({ height, children }: { height: number; children: React.ReactElement }) {
  return (
    <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 500, height }}>
      {children}
    </ResponsiveContainer>
  );
}
