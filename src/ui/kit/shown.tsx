"use client";

import { useContext, useMemo, type ComponentProps } from "react";
import { dateText, dayText, timeText } from "@/core/units/dates";
import { fixed } from "@/core/units/format";
import { fieldNumber, heightText, saidIn, shownLength, shownMass, unitName } from "@/core/units/shown";
import type { HallDay } from "@/core/units/hallDay";
import { isMonthFirstIn, Reading, Shown } from "./shownContext";

/* How this person reads: in which units, by which clock, from which day on. Everything below is a leaf: pages and cores
 * have kg, mm and ISO days, and what is shown of them is written here, on the server as in the browser. */

const ISO_DAY = /(?<![\d-])\d{4}-(?:0[1-9]|1[0-2])-[0-3]\d(?![\d-]|T\d)/g;

/** Masses, lengths, days and times as this person reads them, for texts that are attributes or parts of charts. */
export function useShown() {
  const [units, { today, locale }] = [useContext(Shown), useContext(Reading)];
  return useMemo(
    () => ({
      units,
      kg: (value: number, decimals: number) => `${shownMass(value, decimals, units)} ${units.mass}`,
      mm: (value: number, decimals: number) => `${shownLength(value, decimals, units)} ${units.length}`,
      height: (mm: number) => heightText(mm, units),
      say: (text: string) => saidIn(text, units).replace(ISO_DAY, (day) => dayText(day, today)),
      name: (unit: string) => unitName(unit, units),
      day: (on: HallDay) => dayText(on, today),
      time: (at: string) => timeText(at, locale),
    }),
    [units, today, locale],
  );
}

interface FigureProps {
  value: number;
  /** At most so many, in kg or mm. */
  decimals: number;
  /** With its sign, a plus too. */
  isSigned?: boolean;
  /** Trailing zeros are written, so that a column of numbers lines up. */
  isAligned?: boolean;
  /** The unit stands in the head of the column. */
  isBare?: boolean;
  /** The unit is written small. */
  isSmall?: boolean;
}

function figure(
  shown: (value: number) => string,
  value: number,
  decimals: number,
  isSigned: boolean,
  isAligned: boolean,
  isMetric: boolean,
) {
  if (isSigned) {
    const text = shown(Math.abs(value));
    return text === "0" ? text : `${value < 0 ? "−" : "+"}${text}`;
  }
  return isAligned && isMetric ? fixed(value, decimals) : shown(value);
}

/** A mass in the person's unit. */
export function Kg(props: FigureProps) {
  const units = useContext(Shown);
  return (
    <Figure
      {...props}
      shown={(value) => shownMass(value, props.decimals, units)}
      unit={units.mass}
      isMetric={units.mass === "kg"}
    />
  );
}

/** A length in the person's unit. */
export function Mm(props: FigureProps) {
  const units = useContext(Shown);
  return (
    <Figure
      {...props}
      shown={(value) => shownLength(value, props.decimals, units)}
      unit={units.length}
      isMetric={units.length === "mm"}
    />
  );
}

function Figure({
  value,
  decimals,
  shown,
  unit,
  isMetric,
  isSigned = false,
  isAligned = false,
  isBare = false,
  isSmall = false,
}: FigureProps & { shown: (value: number) => string; unit: string; isMetric: boolean }) {
  const text = figure(shown, value, decimals, isSigned, isAligned, isMetric);
  return <Worded {...{ text, unit, isBare, isSmall }} />;
}

function Worded({ text, unit, isBare, isSmall }: { text: string; unit: string; isBare: boolean; isSmall: boolean }) {
  if (isBare) return text;
  if (!isSmall) return `${text} ${unit}`;
  return (
    <>
      {text}
      <span className="unit">{unit}</span>
    </>
  );
}

/** By which day and in which order of day and month a person reads. */
export function useReader() {
  const { today, locale } = useContext(Reading);
  return useMemo(() => ({ today, isMonthFirst: isMonthFirstIn(locale) }), [today, locale]);
}

/** A sentence with its masses and lengths in the person's units, and its days as people write them. */
export function Say({ text }: { text: string }) {
  return useShown().say(text);
}

/** The name of a unit, for heads and beside fields. */
export function UnitName({ of }: { of: string }) {
  return unitName(of, useContext(Shown));
}

/** A field for a mass or a length: a bare number in it is in the person's unit. */
export function UnitInput({
  unit,
  value,
  ...rest
}: { unit: "kg" | "mm"; value: number | null } & Omit<ComponentProps<"input">, "value">) {
  const units = useContext(Shown);
  const text = value === null ? "" : fieldNumber(value, unit, units);
  return (
    <input {...rest} key={text} data-unit={unit} data-kept={value ?? ""} inputMode="decimal" defaultValue={text} />
  );
}

/** A day as people write it: "Fri 27 Nov", with its year where it is not this one; without the weekday in columns. */
export function Day({ on, isPlain = false }: { on: HallDay; isPlain?: boolean }) {
  const { today } = useContext(Reading);
  return (isPlain ? dateText : dayText)(on, today);
}

/** A time of day by the gym's clock: "18:30" or "6:30 pm". */
export function Time({ at }: { at: string }) {
  return timeText(at, useContext(Reading).locale);
}
