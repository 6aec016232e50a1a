"use client";

import {
  Area,
  Bar,
  BarChart,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import { KG_PER_LB } from "@/core/units/constants";
import { dateText } from "@/core/units/dates";
import { fixed } from "@/core/units/format";
import { ChartBox, TICK, timeAxis, valueAxis } from "../kit/chartParts";
import { useShown } from "../kit/shown";

const MARGIN = { top: 8, right: 8, bottom: 0, left: 0 };
const at = (day: string) => Date.parse(`${day}T12:00:00Z`);
interface Point {
  on: string;
  value: number;
  low: number;
  high: number;
}

/** A value over time inside its band. */
export function BandChart({
  points,
  unit,
  digits,
  domain,
  label,
  line,
}: {
  points: readonly Point[];
  unit: string;
  digits: number;
  /** First and last day, the same for charts that stand together. */
  domain: readonly [string, string];
  label: string;
  /** A value to compare with, dashed. */
  line?: number;
}) {
  const { units, day } = useShown();
  // What is kept in kg is drawn as it is read.
  const isPounds = unit === " kg" && units.mass === "lb";
  const read = (value: number) => (isPounds ? value / KG_PER_LB : value);
  const data = points.map(({ on, value, low, high }) => ({
    ...{ x: at(on), value: read(value) },
    band: [read(low), read(high)] as [number, number],
  }));
  const all = [...points.flatMap(({ low, high }) => [read(low), read(high)]), ...(line === undefined ? [] : [line])];
  const text = (value: number) => `${fixed(value, digits)}${isPounds ? " lb" : unit}`;
  return (
    <div role="img" aria-label={label} className="h-36">
      <ChartBox height={144}>
        <ComposedChart data={data} margin={MARGIN} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
          <XAxis {...timeAxis([at(domain[0]), at(domain[1])])} />
          <YAxis width={56} {...valueAxis(Math.min(...all), Math.max(...all))} tickFormatter={text} />
          {line !== undefined && <ReferenceLine y={line} stroke="var(--color-accent)" strokeDasharray="4 3" />}
          <Area dataKey="band" stroke="none" fill="var(--color-primary)" fillOpacity={0.18} isAnimationActive={false} />
          <Line
            dataKey="value"
            stroke="var(--color-base-content)"
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
          <Tooltip
            labelFormatter={(x) => day(new Date(Number(x)).toISOString().slice(0, 10))}
            formatter={(value, name) =>
              name === "band"
                ? [(value as unknown as number[]).map((one) => text(one)).join(" to "), "nine in ten"]
                : [text(Number(value)), "estimate"]
            }
          />
        </ComposedChart>
      </ChartBox>
    </div>
  );
}

/** Work by week: load × repetitions. */
export function WorkChart({ weeks }: { weeks: readonly { from: string; kg: number; loadKg: number }[] }) {
  const { units, kg: inUnits, day } = useShown();
  const data = weeks.map(({ from, kg }) => ({ from, work: units.mass === "lb" ? kg / KG_PER_LB : kg }));
  return (
    <div
      role="img"
      aria-label={`Work of the last weeks: ${weeks.map(({ from, kg }) => `week of ${day(from)} ${inUnits(kg, 0)}`).join(", ")}`}
      className="h-36"
    >
      <ChartBox height={144}>
        <BarChart data={data} margin={MARGIN} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
          <XAxis
            dataKey="from"
            tick={TICK}
            stroke="var(--color-faint)"
            tickFormatter={(day: string) => dateText(day, day)}
            minTickGap={24}
          />
          <YAxis
            width={56}
            {...valueAxis(0, Math.max(0, ...data.map(({ work }) => work)))}
            tickFormatter={(work: number) => fixed(work, 0)}
          />
          <Tooltip
            labelFormatter={(from) => `Week of ${day(String(from))}`}
            formatter={(value) => [`${fixed(Number(value), 0)} ${units.mass}`, "load × repetitions"]}
          />
          <Bar dataKey="work" fill="var(--color-primary)" isAnimationActive={false} />
        </BarChart>
      </ChartBox>
    </div>
  );
}
