"use client";

import { useRef, useState, useTransition } from "react";
import { FAMILIES } from "@/core/bars/families";
import { QUANTITIES, quantityLabel, type QuantityKind } from "@/core/bars/quantities";
import type { Tolerances } from "@/core/bars/tolerances";
import { trimmed } from "@/core/units/format";
import type { Units } from "@/core/units/shown";
import type { TypedQuantity } from "@/core/units/typedQuantity";
import { freshKey } from "../kit/freshKey";
import { useShown } from "../kit/shown";
import { enteredReadings, findings, stepFrom, withReadings, type SessionBar, type Step } from "./measuring";

export interface KeepReadings {
  tag: string;
  kind: QuantityKind;
  readings: TypedQuantity[];
  instrument: string;
  idempotencyKey: string;
}

export interface MeasuringProps {
  bars: SessionBar[];
  start: Step;
  tolerances: Tolerances;
  action: (kept: KeepReadings) => Promise<{ ok: boolean; message: string }>;
}

/** A session under way: where it is, what stands in the boxes, what that says, and saving it. */
export function useMeasuring({ bars: given, start, tolerances, action }: MeasuringProps) {
  const shown = useShown();
  const [bars, setBars] = useState(given);
  const [step, setStep] = useState(start);
  const [boxes, setBoxes] = useState<string[]>([]);
  // What was typed stays in the units in which it was typed, whatever is shown a moment later.
  const [typedIn, setTypedIn] = useState<Units | null>(null);
  const [at, setAt] = useState(0);
  const [isSimulated, setIsSimulated] = useState(false);
  // What a simulated instrument read stays marked so, whatever is chosen afterwards.
  const [wasSimulated, setWasSimulated] = useState(false);
  const [instrument, setInstrument] = useState<string | null>(null);
  const [message, setMessage] = useState<{ text: string; isProblem: boolean } | null>(null);
  const [isKeeping, startKeeping] = useTransition();
  // One key for each set of readings, so that a second touch or a second try counts once.
  const key = useRef<string | null>(null);

  const { bar, place } = bars.find((one) => one.bar.tag === step.tag)!;
  const facts = QUANTITIES[step.kind];
  const label = quantityLabel(step.kind, FAMILIES[bar.family].form);
  const units = typedIn ?? shown.units;
  const entered = enteredReadings(step.kind, boxes, units);
  const isEmpty = boxes.every((box) => !box?.trim());
  const found = entered.ok ? findings(withReadings(bar, step.kind, entered.values), step.kind, tolerances) : [];
  const readWith = wasSimulated || isSimulated ? `simulated ${facts.instrument}` : (instrument ?? facts.instrument);

  function go(next: Step | null) {
    if (!next) return;
    setStep(next);
    setBoxes([]);
    setTypedIn(null);
    setAt(0);
    setWasSimulated(false);
    key.current = null;
    window.history.replaceState(null, "", addressOf(bars, next));
  }

  function write(index: number, text: string) {
    setTypedIn((now) => now ?? shown.units);
    setBoxes((now) => facts.spots.map((_, i) => (i === index ? text : (now[i] ?? ""))));
    setMessage(null);
  }

  function save() {
    if (!entered.ok) {
      setMessage({ text: entered.message, isProblem: true });
      return;
    }
    key.current ??= freshKey();
    const kept: KeepReadings = {
      ...step,
      readings: entered.typed,
      instrument: readWith,
      idempotencyKey: key.current,
    };
    startKeeping(async () => {
      const result = await action(kept).catch(() => ({
        ok: false,
        message: "The server did not answer. Your readings are still here; try again.",
      }));
      if (!result.ok) {
        setMessage({ text: result.message, isProblem: true });
        return;
      }
      setBars((now) =>
        now.map((one) =>
          one.bar.tag === step.tag ? { ...one, bar: withReadings(one.bar, step.kind, entered.values) } : one,
        ),
      );
      const flagged = found.length > 0 ? ` Flagged: ${found.join(". ")}.` : "";
      const mean = `${trimmed(entered.mean, facts.decimals)} ${facts.unit}`;
      setMessage({ text: `${step.tag} ${label} ${mean} saved.${flagged}`, isProblem: false });
      go(stepFrom(bars, step, 1));
    });
  }

  return {
    ...{ bars, bar, place, step, facts, label, units, entered, isEmpty, found, message, isKeeping, save, go },
    move: (by: 1 | -1) => go(stepFrom(bars, step, by)),
    boxes: { of: boxes, at, choose: setAt, write },
    instrument: {
      ...{ readWith, isSimulated, choose: setInstrument },
      /** What read it is not for choosing once a made-up one did. */
      isGiven: wasSimulated || isSimulated,
      simulate: setIsSimulated,
      /** A made-up instrument fills the boxes one after the other. */
      take: (text: string) => {
        setWasSimulated(true);
        write(at, text);
        setAt(Math.min(at + 1, facts.spots.length - 1));
      },
    },
  };
}

export type Measuring = ReturnType<typeof useMeasuring>;

function addressOf(bars: readonly SessionBar[], { tag, kind }: Step): string {
  const tags = bars.map(({ bar }) => encodeURIComponent(bar.tag)).join(",");
  return `/bars/measure?bars=${tags}&at=${encodeURIComponent(tag)}&kind=${kind}`;
}
