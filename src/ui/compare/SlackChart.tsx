"use client";

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";

interface Curve {
  tag: string;
  color: string;
  dash: string;
  points: { kg: number; mm: number }[];
}

/** Slack against load, a curve a bar, with the load in question marked. */
export function SlackChart({ bars, loadKg, title }: { bars: Curve[]; loadKg: number; title: string }) {
  if (bars.length === 0) return null;
  const loads = [...new Set(bars.flatMap(({ points }) => points.map(({ kg }) => kg)))].sort((a, b) => a - b);
  const data = loads.map((kg) => ({
    kg,
    ...Object.fromEntries(bars.map(({ tag, points }) => [tag, points.find((point) => point.kg === kg)?.mm])),
  }));
  return (
    <section className="sheet p-3" aria-label={title}>
      <h2 className="text-quiet mb-1 px-1 text-xs">{title}</h2>
      <div className="h-52 overflow-hidden">
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 540, height: 208 }}>
          <LineChart data={data} margin={{ top: 8, right: 18, bottom: 2, left: -8 }} accessibilityLayer>
            <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
            <XAxis
              dataKey="kg"
              type="number"
              domain={[0, "dataMax"]}
              ticks={ticksUpTo(loads.at(-1)!)}
              tick={{ fontSize: 11, fill: "var(--color-quiet)" }}
              stroke="var(--color-faint)"
              unit=" kg"
            />
            <YAxis
              tick={{ fontSize: 11, fill: "var(--color-quiet)" }}
              stroke="var(--color-faint)"
              unit=" mm"
              width={58}
            />
            <Tooltip
              formatter={(value, name) => [`${Number(value).toFixed(1)} mm`, name]}
              labelFormatter={(kg) => `${Math.round(Number(kg))} kg in all`}
              contentStyle={{
                background: "var(--color-base-100)",
                border: "1px solid var(--color-base-300)",
                fontSize: 12,
              }}
            />
            <ReferenceLine
              x={loadKg}
              stroke="var(--color-base-content)"
              strokeDasharray="4 3"
              label={{
                value: "this load",
                position: "insideTopRight",
                fontSize: 11,
                fill: "var(--color-base-content)",
              }}
            />
            {bars.map(({ tag, color, dash }) => (
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
    </section>
  );
}

/** Round loads for the axis: every 50 kg, every 100 when there are many. */
function ticksUpTo(mostKg: number): number[] {
  const step = mostKg > 400 ? 100 : 50;
  return Array.from({ length: Math.floor(mostKg / step) + 1 }, (_, i) => i * step);
}
