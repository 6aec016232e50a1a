"use client";

import { usePathname } from "next/navigation";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import { readDay } from "@/core/units/readDay";
import { typedIn, type Units } from "@/core/units/shown";
import { isMonthFirstIn, Reading, Shown, type Reader } from "./shownContext";

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
