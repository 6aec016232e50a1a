"use client";

import { useCallback, useState } from "react";
import type { Bar } from "@/core/bars/bar";
import { judgeInspection, runoutOf, type InspectionLimits } from "@/core/care/inspection";
import { readInspection } from "@/core/care/readInspection";
import { typedIn } from "@/core/units/shown";
import { bendOfFacts } from "@/core/wear/bendPlace";
import { useShown } from "../kit/shown";
import type { FormState } from "../kit/formState";

/** What is no finding: a decision, and where the figures are from. */
const BESIDE: readonly string[] = ["decided", "reason", "simulated"];

/** Marks the fields, so that what was typed into them before the script came can be found. */
const FIELDS_MARK = "data-inspected";

function typedEarly(): Record<string, string> {
  if (typeof document === "undefined") return {};
  const fields = document.querySelectorAll<HTMLInputElement | HTMLSelectElement>(
    `[${FIELDS_MARK}] :is(input, select)[name]:not([type="hidden"])`,
  );
  return Object.fromEntries([...fields].filter(({ value }) => value !== "").map(({ name, value }) => [name, value]));
}

/** What is typed of an inspection, and what it comes to as it is typed. */
export function useInspection(bar: Bar, limits: InspectionLimits, form: FormState) {
  const { units } = useShown();
  const [early] = useState(typedEarly);
  const [texts, setTexts] = useState<Record<string, string>>({});
  // What somebody chose while the script was on its way is theirs: taken up when the fields are there.
  const takeEarly = useCallback(
    (element: HTMLElement | null) => {
      if (element && Object.keys(early).length > 0) setTexts((now) => ({ ...early, ...now }));
    },
    [early],
  );
  const known: Readonly<Record<string, string>> = { ...(form.status === "refused" ? form.typed : {}), ...texts };
  // A bare number is in the person's unit, here as where it is saved.
  const read = readInspection({
    get: (name) => typedIn(known[name] ?? "", name.startsWith("dial") || name === "endPlayMm" ? "mm" : "", units),
  });
  const facts = read.ok ? read.facts : null;
  return {
    takeEarly,
    known,
    set: (changes: Record<string, string>) => setTexts((before) => ({ ...before, ...changes })),
    units,
    facts,
    problems: read.ok ? [] : read.problems,
    isEmpty: !Object.entries(known).some(([name, text]) => text !== "" && !BESIDE.includes(name)),
    judged: facts ? judgeInspection(facts, limits) : null,
    runout: facts?.dialMm ? runoutOf(facts.dialMm) : null,
    bend: facts ? bendOfFacts(bar, facts) : null,
  };
}

export type Inspecting = Omit<ReturnType<typeof useInspection>, "takeEarly">;
