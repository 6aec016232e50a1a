"use client";

import { usePathname } from "next/navigation";
import { createContext, useContext, useEffect, useMemo, useState, type ComponentProps, type ReactNode } from "react";
import { dateText, dayText, timeText } from "@/core/units/dates";
import { fixed } from "@/core/units/format";
import { fieldNumber, METRIC, saidIn, shownLength, shownMass, typedIn, unitName, type Units } from "@/core/units/shown";
import type { HallDay } from "@/core/units/hallDay";
import { readDay } from "@/core/units/readDay";

/* How this person reads: in which units, by which clock, from which day on. Everything below is a leaf: pages and cores
 * have kg, mm and ISO days, and what is shown of them is written here, on the server as in the browser. */

/** What is the same for everybody of the gym. */
interface Reader {
  /** The gym's day. */
  today: HallDay;
  locale: string;
}

const ISO_DAY = /(?<![\d-])\d{4}-(?:0[1-9]|1[0-2])-[0-3]\d(?![\d-]|T\d)/g;

const Shown = createContext<Units>(METRIC);
const Reading = createContext<Reader>({ today: "1970-01-01", locale: "en-GB" });

const other = ({ mass, length }: Units): Units => ({
  mass: mass === "kg" ? "lb" : "kg",
  length: length === "mm" ? "in" : "mm",
});

/** What a field for a mass or a length sends: as it is kept where nobody touched it, not as it was rounded to be read. */
export function sentText({ value, defaultValue, dataset }: HTMLInputElement, units: Units): string {
  if (dataset.kept !== undefined && value === defaultValue) return dataset.kept;
  return typedIn(value, dataset.unit ?? "", units);
}

/**
 * Says how everything inside is read and typed. `k` shows the other units until it is pressed again or another page is
 * opened; a number typed without a unit goes to the server with the one that it was typed in.
 */
export function ShownProvider({ units, today, locale, children }: Reader & { units: Units; children: ReactNode }) {
  const page = usePathname();
  const reader = useMemo(() => ({ today, locale }), [today, locale]);
  const [turnedOn, setTurnedOn] = useState<string | null>(null);
  const isTurned = turnedOn === page;
  const { mass, length } = units;
  const shown = useMemo(() => (isTurned ? other({ mass, length }) : { mass, length }), [isTurned, mass, length]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyping = event.target instanceof HTMLElement && event.target.closest("input, select, textarea");
      if (event.key !== "k" || event.ctrlKey || event.metaKey || event.altKey || isTyping) return;
      setTurnedOn((now) => (now === page ? null : page));
    };
    const onFormData = (event: FormDataEvent) => {
      for (const field of event.target instanceof HTMLFormElement ? event.target.elements : [])
        if (field instanceof HTMLInputElement && field.dataset.day !== undefined && event.formData.has(field.name)) {
          const day = readDay(field.value, today, isMonthFirstIn(locale));
          if (day) event.formData.set(field.name, day);
        } else if (
          field instanceof HTMLInputElement &&
          field.dataset.unit &&
          field.name &&
          event.formData.has(field.name)
        )
          event.formData.set(field.name, sentText(field, shown));
    };
    window.addEventListener("keydown", onKey);
    document.addEventListener("formdata", onFormData);
    return () => {
      window.removeEventListener("keydown", onKey);
      document.removeEventListener("formdata", onFormData);
    };
  }, [page, shown, today, locale]);
  return (
    <Shown value={shown}>
      <Reading value={reader}>{children}</Reading>
      {isTurned && (
        <p
          role="status"
          className="no-print bg-neutral text-neutral-content fixed right-3 bottom-3 z-30 rounded px-3 py-1 text-sm"
        >
          Shown in {shown.mass} and {shown.length}. Press <kbd>k</kbd> again to switch back.
        </p>
      )}
    </Shown>
  );
}

/** Masses, lengths, days and times as this person reads them, for texts that are attributes or parts of charts. */
export function useShown() {
  const [units, { today, locale }] = [useContext(Shown), useContext(Reading)];
  return useMemo(
    () => ({
      units,
      kg: (value: number, decimals: number) => `${shownMass(value, decimals, units)} ${units.mass}`,
      mm: (value: number, decimals: number) => `${shownLength(value, decimals, units)} ${units.length}`,
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

/** Whether a locale writes the month before the day: 11/28. */
function isMonthFirstIn(locale: string): boolean {
  const known = monthFirst.get(locale);
  if (known !== undefined) return known;
  const first = new Intl.DateTimeFormat(locale).formatToParts(0).find(({ type }) => type !== "literal")?.type;
  monthFirst.set(locale, first === "month");
  return first === "month";
}

/** By locale: every field with a day asks, and finding out is slow. */
const monthFirst = new Map<string, boolean>();

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
