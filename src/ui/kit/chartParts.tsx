"use client";

import { ResponsiveContainer } from "recharts";

/* What charts have in common. Only for files that are fetched later themselves: it brings the package of charts. */

/** Figures along an axis. */
export const TICK = { fontSize: 11, fill: "var(--color-quiet)" };

/** A chart as wide as its place and as high, drawn at a usual width until that is known. */
export function ChartBox({ height, children }: { height: number; children: React.ReactElement }) {
  return (
    <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 500, height }}>
      {children}
    </ResponsiveContainer>
  );
}
