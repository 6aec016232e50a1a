"use client";

import { CalendarDays } from "lucide-react";
import { lazy, Suspense, useId, useRef, useState, type ComponentProps } from "react";
import { dayText } from "@/core/units/dates";
import { isHallDay } from "@/core/units/hallDay";
import { readDay } from "@/core/units/readDay";
import { useReader } from "./shown";

// The calendar is fetched when somebody first opens one.
const DayPane = lazy(() => import("./DayPane"));

type Props = Omit<ComponentProps<"input">, "type" | "value" | "defaultValue" | "max" | "min"> & {
  /** ISO, or what somebody typed. */
  start: string;
  /** The last day that can be chosen. */
  max?: string;
};

/**
 * A field for a day: typed as people write it, or chosen from a calendar; it says the day as every page does and sends
 * it as ISO.
 */
export function DayField({ start, max, className = "", ...rest }: Props) {
  const { today, isMonthFirst } = useReader();
  const [isOpen, setOpen] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const id = useId();
  const shown = isHallDay(start) ? dayText(start, today) : start;
  const { ref, onBlur } = rest as { ref?: unknown; onBlur?: ComponentProps<"input">["onBlur"] };
  const choose = (day: string) => {
    const field = input.current;
    if (!field) return;
    // As if it were typed, so that whoever listens hears of it.
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!.call(field, dayText(day, today));
    field.dispatchEvent(new Event("input", { bubbles: true }));
    field.dispatchEvent(new Event("change", { bubbles: true }));
    setOpen(false);
    field.focus();
  };
  return (
    <span className="relative inline-flex w-full items-center">
      <input
        {...rest}
        ref={(element) => {
          input.current = element;
          if (typeof ref === "function") (ref as (element: HTMLInputElement | null) => void)(element);
        }}
        key={shown}
        type="text"
        data-day=""
        defaultValue={shown}
        autoComplete="off"
        placeholder={dayText(today, today)}
        className={`${className} pr-11`}
        onBlur={(event) => {
          const day = readDay(event.target.value, today, isMonthFirst);
          if (day) event.target.value = dayText(day, today);
          onBlur?.(event);
        }}
      />
      <button
        type="button"
        aria-label="Calendar"
        aria-expanded={isOpen}
        aria-controls={id}
        className="btn btn-ghost btn-sm absolute right-0 px-2"
        onClick={() => {
          setChosen(readDay(input.current?.value ?? "", today, isMonthFirst));
          setOpen(!isOpen);
        }}
      >
        <CalendarDays aria-hidden="true" className="size-4" />
      </button>
      {isOpen && (
        <span
          id={id}
          className="bg-base-100 border-base-300 absolute top-full left-0 z-30 border p-2 shadow-xl"
          onKeyDown={(event) => {
            if (event.key === "Escape") setOpen(false);
          }}
        >
          <Suspense fallback={<span className="block h-72 w-64" />}>
            <DayPane {...{ chosen, today, max, isMonthFirst }} onChoose={choose} />
          </Suspense>
        </span>
      )}
    </span>
  );
}
