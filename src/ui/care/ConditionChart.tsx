"use client";

import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import { everyDaysIn, rustStep, type CareSpan } from "@/core/care/careAndCondition";
import { RUST_GRADES, type InspectionLimits } from "@/core/care/inspection";
import { groupBy } from "@/core/collections/groupBy";
import { monthText } from "@/core/units/dates";
import { fixed } from "@/core/units/format";
import type { BarCondition } from "@/server/care/records";
import { useShown } from "../kit/shown";

interface Props {
  tag: string;
  condition: BarCondition;
  limits: InspectionLimits;
  today: string;
}

const TICK = { fontSize: 11, fill: "var(--color-quiet)" };
const UPRIGHT = { tick: TICK, stroke: "var(--color-faint)", width: 64 };
const at = (day: string) => Date.parse(`${day}T12:00:00Z`);
const dayOf = (moment: number) => new Date(moment).toISOString().slice(0, 10);

/** One bar's care against its condition: runout and rust as they were found, and under them every time it was cared for. */
export function ConditionChart({ tag, condition: { care, looks, spans }, limits, today }: Props) {
  const { day, mm, say } = useShown();
  const turns = looks.flatMap(({ on, tirMm }) => (tirMm === null ? [] : [{ x: at(on), tirMm }]));
  const rust = looks.flatMap(({ on, rust: grade }) => (grade === null ? [] : [{ x: at(on), grade: rustStep(grade) }]));
  const lanes = [...groupBy(care, ({ taskName }) => taskName)].sort(([, a], [, b]) => b.length - a.length);
  const most = Math.ceil(Math.max(1.1 * limits.quarantineTirMm, ...turns.map(({ tirMm }) => tirMm)));
  const first = [...looks.map(({ on }) => on), ...care.map(({ on }) => on)].sort()[0] ?? today;
  const domain: [number, number] = [at(first) - 86_400_000, at(today) + 86_400_000];
  const time = {
    dataKey: "x",
    type: "number" as const,
    domain,
    tick: TICK,
    stroke: "var(--color-faint)",
    tickFormatter: (moment: number) => monthText(dayOf(moment)),
    minTickGap: 30,
  };
  const said = [
    ...turns.map(({ x, tirMm }) => `${day(dayOf(x))} runout ${mm(tirMm, 1)}`),
    ...rust.map(({ x, grade }) => `${day(dayOf(x))} rust ${RUST_GRADES[grade]![0]}`),
  ];
  return (
    <div className="grid gap-2">
      {looks.length > 0 && (
        <div className="grid gap-3 sm:grid-cols-2">
          <Picture
            title="Runout; watch and quarantine dashed"
            label={`Runout of ${tag} over time: ${said.filter((one) => one.includes("runout")).join(", ")}`}
          >
            <ComposedChart data={turns} margin={MARGIN}>
              <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
              <XAxis {...time} />
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
          </Picture>
          <Picture
            title="Rust"
            label={`Rust of ${tag} over time: ${said.filter((one) => one.includes("rust")).join(", ")}`}
          >
            <ComposedChart data={rust} margin={MARGIN}>
              <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
              <XAxis {...time} />
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
          </Picture>
        </div>
      )}
      {lanes.length > 0 && (
        <Picture
          title="Every time it was cared for"
          label={`Care of ${tag}: ${lanes.map(([name, list]) => `${name} ${list.length} times`).join(", ")}`}
          height={40 + 26 * lanes.length}
        >
          <ComposedChart margin={MARGIN}>
            <CartesianGrid horizontal={false} stroke="var(--color-base-300)" />
            <XAxis {...time} />
            <YAxis
              type="number"
              dataKey="lane"
              tick={TICK}
              stroke="var(--color-faint)"
              width={150}
              domain={[-0.5, lanes.length - 0.5]}
              ticks={lanes.map((_, i) => i)}
              tickFormatter={(value: number) => lanes[value]?.[0] ?? ""}
              interval={0}
              reversed
            />
            {lanes.map(([name, list], lane) => (
              <Scatter
                key={name}
                name={name}
                data={list.map(({ on }) => ({ x: at(on), lane }))}
                shape={<Mark />}
                isAnimationActive={false}
              />
            ))}
          </ComposedChart>
        </Picture>
      )}
      {spans.length > 0 && (
        <ul className="text-sm">
          {spans.map((span) => (
            <li key={span.from}>{say(spanWords(span))}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

const MARGIN = { top: 6, right: 12, bottom: 0, left: 0 };

/** One time it was cared for. */
function Mark({ cx = 0, cy = 0 }: { cx?: number; cy?: number }) {
  return <line x1={cx} x2={cx} y1={cy - 7} y2={cy + 7} stroke="var(--color-primary)" strokeWidth={2} />;
}

function Picture({
  title,
  label,
  height = 170,
  children,
}: {
  title: string;
  label: string;
  height?: number;
  children: React.ReactElement;
}) {
  return (
    <figure role="img" aria-label={label} className="min-w-0">
      <figcaption className="text-quiet text-xs">{title}</figcaption>
      <div className="overflow-hidden" style={{ height }}>
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 500, height }}>
          {children}
        </ResponsiveContainer>
      </div>
    </figure>
  );
}

function spanWords(span: CareSpan): string {
  const every = everyDaysIn(span);
  const care = every === null ? "not brushed once" : `brushed ${span.times}×, every ${fixed(every, 0)} days`;
  const rust =
    span.before === span.after
      ? `rust stayed at “${span.after}”`
      : `rust went from “${span.before}” to “${span.after}”`;
  return `${span.from} to ${span.to}: ${care}; ${rust}.`;
}
