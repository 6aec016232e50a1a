"use client";

import { useRef, useState, useTransition } from "react";
import { FAMILIES } from "@/core/bars/families";
import { QUANTITIES, quantityLabel, INSTRUMENTS, type QuantityKind } from "@/core/bars/quantities";
import type { Tolerances } from "@/core/bars/tolerances";
import { simulatedTruth } from "@/core/instruments/simulatedTruth";
import { fixed, trimmed } from "@/core/units/format";
import type { TypedQuantity } from "@/core/units/typedQuantity";
import { freshKey } from "../kit/freshKey";
import { QuantityText } from "../kit/QuantityText";
import { InstrumentPanel } from "./InstrumentPanel";
import { KeyPad } from "./KeyPad";
import { enteredReadings, findings, stepFrom, withReadings, type SessionBar, type Step } from "./measuring";
import { StepList } from "./MeasuringSteps";

export interface KeepReadings {
  tag: string;
  kind: QuantityKind;
  readings: TypedQuantity[];
  instrument: string;
  idempotencyKey: string;
}

interface Props {
  bars: SessionBar[];
  start: Step;
  tolerances: Tolerances;
  /** From the server, so that the first drawing is the same there and here. */
  seed: number;
  /** Whether simulated instruments are offered: in a demonstration only. */
  offersSimulated: boolean;
  action: (kept: KeepReadings) => Promise<{ ok: boolean; message: string }>;
}

/** Bar by bar and dimension by dimension, with big keys or a simulated instrument. */
export function MeasuringSession({ bars: given, start, tolerances, seed, offersSimulated, action }: Props) {
  const [bars, setBars] = useState(given);
  const [step, setStep] = useState(start);
  const [boxes, setBoxes] = useState<string[]>([]);
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
  const { form } = FAMILIES[bar.family];
  const facts = QUANTITIES[step.kind];
  const spots = facts.spots;
  const entered = enteredReadings(step.kind, boxes);
  const isEmpty = boxes.every((box) => !box?.trim());
  const found = entered.ok ? findings(withReadings(bar, step.kind, entered.values), step.kind, tolerances) : [];
  const readWith = wasSimulated || isSimulated ? `simulated ${facts.instrument}` : (instrument ?? facts.instrument);

  function go(next: Step | null) {
    if (!next) return;
    setStep(next);
    setBoxes([]);
    setAt(0);
    setWasSimulated(false);
    key.current = null;
    window.history.replaceState(null, "", addressOf(bars, next));
  }

  function write(index: number, text: string) {
    setBoxes((now) => Array.from({ length: spots.length }, (_, i) => (i === index ? text : (now[i] ?? ""))));
    setMessage(null);
  }

  function keep() {
    if (!entered.ok) {
      setMessage({ text: entered.message, isProblem: true });
      return;
    }
    key.current ??= freshKey();
    const kept = {
      tag: step.tag,
      kind: step.kind,
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
      const label = quantityLabel(step.kind, form);
      setMessage({
        text: `${step.tag} ${label} ${trimmed(entered.mean, facts.decimals)} ${facts.unit} saved.${found.length > 0 ? ` Flagged: ${found.join(". ")}.` : ""}`,
        isProblem: false,
      });
      go(stepFrom(bars, step, 1));
    });
  }

  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[13rem_minmax(0,1fr)_20rem]">
      <StepList bars={bars} step={step} onStep={go} />
      <form
        className="sheet p-4"
        aria-label="One quantity"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <div className="flex flex-wrap items-baseline gap-x-3">
          <span className="bar-tag text-base!">{bar.tag}</span>
          <span className="font-semibold">{bar.name}</span>
          <span className="text-quiet text-sm">{place}</span>
        </div>
        <h2 className="mt-1 text-3xl font-bold">
          {quantityLabel(step.kind, form)} <span className="text-quiet text-lg font-normal">{facts.unit}</span>
        </h2>
        <p className="text-quiet mb-3 text-sm">
          {bar.quantities[step.kind] ? (
            <>
              now <QuantityText quantity={bar.quantities[step.kind]} decimals={facts.decimals} unit={facts.unit} />
              {bar.quantities[step.kind]!.source === "measured" &&
                bar.quantities[step.kind]!.statedValue !== undefined && (
                  <>, stated {trimmed(bar.quantities[step.kind]!.statedValue!, 2)}</>
                )}
            </>
          ) : (
            "not known yet"
          )}
        </p>
        <ol className={`grid gap-2 ${spots.length > 3 ? "sm:grid-cols-2" : ""}`}>
          {spots.map((spot, i) => (
            <li key={spot}>
              <label className="flex items-center gap-3">
                <span className="text-quiet w-36 text-sm">{spot}</span>
                <input
                  value={boxes[i] ?? ""}
                  onChange={({ target }) => write(i, target.value)}
                  onFocus={() => setAt(i)}
                  inputMode="decimal"
                  autoComplete="off"
                  aria-label={`Reading ${i + 1}, ${spot}`}
                  className={`input min-h-12 w-28 grow text-right text-xl font-bold ${at === i ? "border-primary border-2" : ""}`}
                />
              </label>
            </li>
          ))}
        </ol>
        <div className="my-3 flex min-h-12 flex-wrap gap-x-8 text-sm">
          <dl className="flex gap-x-8">
            <div>
              <dt className="text-quiet text-xs">mean</dt>
              <dd className="text-xl font-bold" data-testid="mean">
                {entered.ok ? fixed(entered.mean, facts.decimals) : "–"}
              </dd>
            </div>
            <div>
              <dt className="text-quiet text-xs">spread</dt>
              <dd className="text-xl">{entered.ok && entered.values.length > 1 ? trimmed(entered.spread, 2) : "–"}</dd>
            </div>
          </dl>
          <div className="min-w-0 flex-1 basis-60" role="status">
            {!entered.ok && !isEmpty && <p className="text-error">{entered.message}</p>}
            {found.map((line) => (
              <p key={line}>
                <strong className="text-accent">Flagged.</strong> {line}.
              </p>
            ))}
          </div>
        </div>
        <div className="flex flex-wrap gap-2">
          <button className="btn btn-neutral min-h-14 grow text-base" disabled={isKeeping}>
            Save and next
          </button>
          <button type="button" className="btn btn-outline min-h-14" onClick={() => go(stepFrom(bars, step, 1))}>
            Skip
          </button>
          <button type="button" className="btn btn-outline min-h-14" onClick={() => go(stepFrom(bars, step, -1))}>
            Back
          </button>
        </div>
        {message && (
          <p
            role={message.isProblem ? "alert" : "status"}
            className={`mt-3 text-sm ${message.isProblem ? "text-error" : "text-success"}`}
          >
            {message.text}
          </p>
        )}
      </form>
      <div className="grid gap-3">
        <div className="flex flex-wrap items-center gap-3 text-sm">
          {offersSimulated && (
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="toggle"
                checked={isSimulated}
                onChange={({ target }) => setIsSimulated(target.checked)}
              />
              simulated instrument
            </label>
          )}
          <label className="flex items-center gap-2">
            <span className="text-quiet">read with</span>
            <select
              className="select select-sm w-auto"
              value={readWith}
              disabled={wasSimulated || isSimulated}
              onChange={({ target }) => setInstrument(target.value)}
            >
              {[...new Set([readWith, ...INSTRUMENTS])].map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          </label>
        </div>
        {isSimulated ? (
          <InstrumentPanel
            key={facts.instrument}
            kind={facts.instrument}
            truth={simulatedTruth(bar, step.kind)}
            unit={facts.unit}
            seed={seed}
            onReading={(text) => {
              setWasSimulated(true);
              write(at, text);
              setAt(Math.min(at + 1, spots.length - 1));
            }}
          />
        ) : (
          <KeyPad
            onKey={(digit) => write(at, `${boxes[at] ?? ""}${digit}`)}
            onBack={() => write(at, (boxes[at] ?? "").slice(0, -1))}
          />
        )}
      </div>
    </div>
  );
}

function addressOf(bars: readonly SessionBar[], { tag, kind }: Step): string {
  const tags = bars.map(({ bar }) => encodeURIComponent(bar.tag)).join(",");
  return `/bars/measure?bars=${tags}&at=${encodeURIComponent(tag)}&kind=${kind}`;
}
