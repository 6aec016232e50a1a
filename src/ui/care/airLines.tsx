"use client";

import { Bar, CartesianGrid, ComposedChart, Line, ReferenceLine, Tooltip, XAxis, YAxis } from "recharts";
import { dateText } from "@/core/units/dates";
import { hallClockAt } from "@/core/units/hallDay";
import { fixed } from "@/core/units/format";
import { ChartBox, TICK, valueAxis } from "../kit/chartParts";
import { monthName } from "./MonthTable";
import type { AirSheetProps } from "./airSheetProps";

/* The axes, bars and lines of the air. */

/** How much more care the air of each month asks for than temperate air. */
export function NeedBars({ months }: Pick<AirSheetProps, "months">) {
  return (
    <ChartBox height={208}>
      <ComposedChart data={months.map((month) => ({ ...month, x: monthName(month.month) }))} accessibilityLayer>
        <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
        <XAxis dataKey="x" tick={TICK} stroke="var(--color-faint)" />
        <YAxis width={34} {...valueAxis(0, Math.max(1, ...months.map(({ factor }) => factor)))} />
        <ReferenceLine y={1} stroke="var(--color-faint)" strokeDasharray="4 3" />
        <Tooltip formatter={(value) => fixed(Number(value), 2)} />
        <Bar dataKey="factor" name="need × " fill="var(--color-primary)" isAnimationActive={false} />
      </ComposedChart>
    </ChartBox>
  );
}

/** Humid hours of each day, and hours of dew on the steel. */
export function WetBars({ days }: Pick<AirSheetProps, "days">) {
  return (
    <ChartBox height={208}>
      <ComposedChart data={days.map((day) => ({ ...day, x: plainDay(day.day) }))} accessibilityLayer>
        <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
        <XAxis dataKey="x" tick={TICK} stroke="var(--color-faint)" minTickGap={24} />
        <YAxis tick={TICK} stroke="var(--color-faint)" width={34} domain={[0, 24]} ticks={[0, 6, 12, 18, 24]} />
        <Tooltip formatter={(value) => `${fixed(Number(value), 0)} h`} />
        <Bar dataKey="wetHours" name="humid" fill="var(--color-faint)" isAnimationActive={false} />
        <Line
          dataKey="dewHours"
          name="dew on steel"
          stroke="var(--color-error)"
          dot={false}
          isAnimationActive={false}
        />
      </ComposedChart>
    </ChartBox>
  );
}

/** The temperature of the steel beside the dew point of the air. */
export function DewLines({ steel, timeZone }: Pick<AirSheetProps, "steel" | "timeZone">) {
  const known = steel.flatMap(({ steelC, dewPointC }) => [steelC ?? [], dewPointC ?? []].flat());
  // As the seasons are: a heated gym is no flat line above an empty half.
  const degrees = known.length > 0 ? known : [0, 10];
  return (
    <ChartBox height={208}>
      <ComposedChart
        data={steel.map((one) => ({ ...one, x: hallClockAt(new Date(one.at), timeZone) }))}
        accessibilityLayer
      >
        <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
        <XAxis dataKey="x" tick={TICK} stroke="var(--color-faint)" minTickGap={30} />
        <YAxis width={34} unit="°" {...valueAxis(Math.min(...degrees), Math.max(...degrees))} />
        <Tooltip formatter={(value) => `${fixed(Number(value), 1)} °C`} />
        <Line
          dataKey="steelC"
          name="steel"
          stroke="var(--color-primary)"
          strokeWidth={2}
          dot={false}
          isAnimationActive={false}
        />
        <Line
          dataKey="dewPointC"
          name="dew point"
          stroke="var(--color-error)"
          strokeDasharray="5 3"
          dot={false}
          isAnimationActive={false}
        />
      </ComposedChart>
    </ChartBox>
  );
}

/** A day below a bar of the chart: "3 Oct". */
const plainDay = (day: string) => dateText(day, day);
