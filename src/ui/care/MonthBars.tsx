"use client";

import { Bar, BarChart, CartesianGrid, LabelList, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { valueAxis } from "../kit/chartParts";

const TICK = { fontSize: 12, fill: "var(--color-quiet)" };

export interface MonthOfCare {
  month: string;
  jobs: number;
  minutes: number;
  cost: string | null;
}

/** Minutes of care by month; pointed at, jobs and cost too. */
export function MonthBars({ months, label }: { months: readonly MonthOfCare[]; label: string }) {
  return (
    <div role="img" aria-label={label} className="mt-2 h-44">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 900, height: 176 }}>
        <BarChart data={[...months]} margin={{ top: 18, right: 4, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
          <XAxis dataKey="month" tick={TICK} stroke="var(--color-faint)" interval={0} />
          <YAxis width={44} {...valueAxis(0, Math.max(1, ...months.map(({ minutes }) => minutes)))} />
          <Tooltip
            cursor={{ fill: "var(--color-base-200)" }}
            contentStyle={{ background: "var(--color-base-100)", borderColor: "var(--color-base-300)", fontSize: 13 }}
            formatter={(_value, _name, { payload }) => {
              const { jobs, minutes, cost } = payload as MonthOfCare;
              return [`${jobs} jobs, ${minutes} min${cost ? `, ${cost}` : ""}`, ""];
            }}
            separator=""
          />
          <Bar dataKey="minutes" fill="var(--color-primary)" isAnimationActive={false}>
            <LabelList dataKey="minutes" position="top" fontSize={12} fill="var(--color-base-content)" />
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
