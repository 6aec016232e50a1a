"use client";

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { KG_PER_LB, MM_PER_IN } from "@/core/units/constants";
import type { Units } from "@/core/units/shown";
import { useShown } from "../kit/shown";
import { fixed } from "@/core/units/format";
import { valueAxis } from "../kit/chartParts";

export interface Curve {
  tag: string;
  color: string;
  dash: string;
  points: readonly (number | null)[];
}

interface Props {
  title: string;
  xs: readonly number[];
  curves: readonly Curve[];
  xUnit: string;
  yUnit: string;
  decimals: number;
  /** The place in question, with a word for it. */
  mark: { at: number; word: string };
  /** Above this the curves say nothing more. */
  topAt?: number;
}

const MAX_DOTS = 120;

/** By what a value is multiplied to be in the reader's unit. */
function turned(unit: string, { mass, length }: Units): number {
  if (unit === "kg" && mass === "lb") return 1 / KG_PER_LB;
  return unit === "mm" && length === "in" ? 1 / MM_PER_IN : 1;
}

/** A point in the reader's unit; nothing where the curve has none. */
const turnedBy = (point: number | null | undefined, by: number) => (point == null ? undefined : point * by);

/** One curve a bar, with the place in question marked; readable in print and in the dark by dash as well as by ink. */
export function BenchChart({ title, xs, curves, xUnit, yUnit, decimals, mark, topAt }: Props) {
  const { units, name } = useShown();
  const [turnX, turnY] = [turned(xUnit, units), turned(yUnit, units)];
  const yDecimals = turnY === 1 ? decimals : 3;
  const every = Math.max(1, Math.ceil(xs.length / MAX_DOTS));
  const rows = xs.flatMap((x, i) =>
    i % every === 0 || i === xs.length - 1
      ? [
          {
            x: x * turnX,
            ...Object.fromEntries(curves.map(({ tag, points }) => [tag, turnedBy(points[i], turnY)])),
          },
        ]
      : [],
  );
  const top =
    topAt === undefined
      ? Math.max(0, ...curves.flatMap(({ points }) => points.map((point) => (point ?? 0) * turnY)))
      : topAt * turnY;
  return (
    <figure aria-label={title} className="min-w-0">
      <figcaption className="text-quiet mb-1 text-xs">
        {title}, {name(yUnit) || "ratio"}
      </figcaption>
      <div className="h-52 overflow-hidden">
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 500, height: 208 }}>
          <LineChart data={rows} margin={{ top: 8, right: 14, bottom: 2, left: -14 }} accessibilityLayer>
            <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
            <XAxis
              dataKey="x"
              type="number"
              domain={["dataMin", "dataMax"]}
              ticks={ticksOf(xs.map((x) => x * turnX))}
              tick={{ fontSize: 11, fill: "var(--color-quiet)" }}
              stroke="var(--color-faint)"
              unit={` ${name(xUnit)}`}
            />
            <YAxis width={56} {...valueAxis(0, top, 5)} allowDataOverflow={topAt !== undefined} />
            <Tooltip
              formatter={(value, tag) => [`${fixed(Number(value), yDecimals)} ${name(yUnit)}`, tag]}
              labelFormatter={(x) => `${Math.round(Number(x))} ${name(xUnit)}`}
              contentStyle={{
                background: "var(--color-base-100)",
                border: "1px solid var(--color-base-300)",
                fontSize: 12,
              }}
            />
            <ReferenceLine
              x={mark.at * turnX}
              stroke="var(--color-base-content)"
              strokeDasharray="4 3"
              label={{ value: mark.word, position: "insideTopRight", fontSize: 11, fill: "var(--color-base-content)" }}
            />
            {curves.map(({ tag, color, dash }) => (
              <Line
                key={tag}
                dataKey={tag}
                stroke={color}
                strokeWidth={2}
                strokeDasharray={dash}
                dot={false}
                isAnimationActive={false}
                connectNulls
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}

/** Five or so round places between the least and the greatest. */
function ticksOf(xs: readonly number[]): number[] {
  const [least, most] = [xs[0] ?? 0, xs.at(-1) ?? 0];
  const step = [5, 10, 20, 50, 100, 200, 500].find((one) => (most - least) / one <= 7) ?? 1000;
  const first = Math.ceil(least / step) * step;
  return Array.from({ length: Math.floor((most - first) / step) + 1 }, (_, i) => first + i * step);
}
