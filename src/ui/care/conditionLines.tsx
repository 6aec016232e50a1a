"use client";

import { CartesianGrid, ComposedChart, Line, ReferenceLine, Scatter, Tooltip, XAxis, YAxis } from "recharts";
import { RUST_GRADES, type InspectionLimits } from "@/core/care/inspection";
import { ChartBox, TICK, timeAxis } from "../kit/chartParts";
import { useShown } from "../kit/shown";

/* The axes and lines of a bar's condition over time. Moments are milliseconds. */

const UPRIGHT = { tick: TICK, stroke: "var(--color-faint)", width: 64 };
const MARGIN = { top: 6, right: 12, bottom: 0, left: 0 };
const dayOf = (moment: number) => new Date(moment).toISOString().slice(0, 10);

/** From the first moment to the last; the same for charts that stand together. */
export type TimeDomain = readonly [number, number];

/** Runout as it was found, with the lines of watch and quarantine. */
export function RunoutLine({
  turns,
  limits,
  domain,
}: {
  turns: readonly { x: number; tirMm: number }[];
  limits: InspectionLimits;
  domain: TimeDomain;
}) {
  const { day, mm } = useShown();
  const most = Math.ceil(Math.max(1.1 * limits.quarantineTirMm, ...turns.map(({ tirMm }) => tirMm)));
  return (
    <ChartBox height={170}>
      <ComposedChart data={[...turns]} margin={MARGIN}>
        <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
        <XAxis {...timeAxis(domain)} />
        <YAxis
          {...UPRIGHT}
          domain={[0, most]}
          ticks={Array.from({ length: most + 1 }, (_, i) => i)}
          tickFormatter={(value: number) => mm(value, 1)}
        />
        <ReferenceLine y={limits.watchTirMm} stroke="var(--color-accent)" strokeDasharray="4 3" />
        <ReferenceLine y={limits.quarantineTirMm} stroke="var(--color-error)" strokeDasharray="4 3" />
        <Tooltip labelFormatter={(x) => day(dayOf(Number(x)))} formatter={(value) => mm(Number(value), 2)} />
        <Line dataKey="tirMm" name="runout" stroke="var(--color-base-content)" isAnimationActive={false} />
      </ComposedChart>
    </ChartBox>
  );
}

/** Grades of rust as they were found. */
export function RustSteps({ rust, domain }: { rust: readonly { x: number; grade: number }[]; domain: TimeDomain }) {
  const { day } = useShown();
  return (
    <ChartBox height={170}>
      <ComposedChart data={[...rust]} margin={MARGIN}>
        <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
        <XAxis {...timeAxis(domain)} />
        <YAxis
          {...UPRIGHT}
          domain={[0, RUST_GRADES.length - 1]}
          ticks={RUST_GRADES.map((_, i) => i)}
          tickFormatter={(value: number) => RUST_GRADES[value]?.[0] ?? ""}
          interval={0}
        />
        <Tooltip
          labelFormatter={(x) => day(dayOf(Number(x)))}
          formatter={(value) => RUST_GRADES[Number(value)]?.[0] ?? ""}
        />
        <Line
          type="stepAfter"
          dataKey="grade"
          name="rust"
          stroke="var(--color-base-content)"
          isAnimationActive={false}
        />
      </ComposedChart>
    </ChartBox>
  );
}

/** A mark for every time that it was cared for, a line of them for each task. */
export function CareMarks({
  lanes,
  domain,
  height,
}: {
  lanes: readonly { name: string; moments: readonly number[] }[];
  domain: TimeDomain;
  height: number;
}) {
  return (
    <ChartBox height={height}>
      <ComposedChart margin={MARGIN}>
        <CartesianGrid horizontal={false} stroke="var(--color-base-300)" />
        <XAxis {...timeAxis(domain)} />
        <YAxis
          type="number"
          dataKey="lane"
          tick={TICK}
          stroke="var(--color-faint)"
          width={150}
          domain={[-0.5, lanes.length - 0.5]}
          ticks={lanes.map((_, i) => i)}
          tickFormatter={(value: number) => lanes[value]?.name ?? ""}
          interval={0}
          reversed
        />
        {lanes.map(({ name, moments }, lane) => (
          <Scatter
            key={name}
            name={name}
            data={moments.map((x) => ({ x, lane }))}
            shape={<Mark />}
            isAnimationActive={false}
          />
        ))}
      </ComposedChart>
    </ChartBox>
  );
}

/** One time it was cared for. */
function Mark({ cx = 0, cy = 0 }: { cx?: number; cy?: number }) {
  return <line x1={cx} x2={cx} y1={cy - 7} y2={cy + 7} stroke="var(--color-primary)" strokeWidth={2} />;
}
