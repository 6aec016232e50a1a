"use client";

import { createContext } from "react";
import { METRIC, type Units } from "@/core/units/shown";
import type { HallDay } from "@/core/units/hallDay";

/** What is the same for everybody of the gym. */
export interface Reader {
  /** The gym's day. */
  today: HallDay;
  locale: string;
}

export const Shown = createContext<Units>(METRIC);
export const Reading = createContext<Reader>({ today: "1970-01-01", locale: "en-GB" });

/** Whether a locale writes the month before the day: 11/28. */
export function isMonthFirstIn(locale: string): boolean {
  const known = monthFirst.get(locale);
  if (known !== undefined) return known;
  const first = new Intl.DateTimeFormat(locale).formatToParts(0).find(({ type }) => type !== "literal")?.type;
  monthFirst.set(locale, first === "month");
  return first === "month";
}

/** By locale: every field with a day asks, and finding out is slow. */
const monthFirst = new Map<string, boolean>();
