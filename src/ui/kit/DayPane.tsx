"use client";

import { DayPicker } from "react-day-picker";

interface Props {
  chosen: string | null;
  today: string;
  max?: string;
  /** Such gyms begin the week on Sunday, too. */
  isMonthFirst: boolean;
  onChoose: (day: string) => void;
}

/** Days are dates of the calendar here, at noon, so that no zone moves them. */
const dateOf = (day: string) => new Date(`${day}T12:00:00`);
const dayOf = (date: Date) =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, "0")}-${String(date.getDate()).padStart(2, "0")}`;

/** A month to choose a day from. */
export default function DayPane({ chosen, today, max, isMonthFirst, onChoose }: Props) {
  return (
    <DayPicker
      className="react-day-picker"
      mode="single"
      required
      autoFocus
      weekStartsOn={isMonthFirst ? 0 : 1}
      today={dateOf(today)}
      defaultMonth={dateOf(chosen ?? today)}
      selected={chosen ? dateOf(chosen) : undefined}
      disabled={max ? { after: dateOf(max) } : undefined}
      onSelect={(date) => onChoose(dayOf(date))}
    />
  );
}
