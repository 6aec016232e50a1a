"use client";

import { usePathname, useRouter } from "next/navigation";
import { useState } from "react";
import { QUANTITIES, type QuantityKind } from "@/core/bars/quantities";
import { ValueText } from "../kit/QuantityText";
import { useShown } from "../kit/shown";
import { useOpened } from "../kit/useOpened";
import { changedHref, intend, latestParams } from "../kit/intent";
import { rangeText, type Range } from "@/core/bars/wallQuery";

interface Props {
  kind: QuantityKind;
  label: string;
  span: { least: number; greatest: number };
  range: Range | undefined;
}

const STEPS = 100;

type Span = Props["span"];

/** From–to of every quantity that differs on the wall; drawn when somebody opens it. */
export function RangePickers({
  spans,
  ranges,
  className,
}: {
  spans: readonly (readonly [QuantityKind, Span])[];
  ranges: Readonly<Partial<Record<QuantityKind, Range>>>;
  className: string;
}) {
  const set = Object.keys(ranges).length;
  const { isOpen, fold } = useOpened(set > 0);
  return (
    <details className={className} {...fold}>
      <summary className="text-quiet hover:text-base-content inline-block min-h-8 cursor-pointer text-sm">
        By numbers{set > 0 && <strong className="text-base-content"> · {set} set</strong>}
      </summary>
      {isOpen && (
        <div className="sheet grid gap-x-6 gap-y-3 p-4 sm:grid-cols-3 lg:grid-cols-5">
          {spans.map(([kind, span]) => {
            const range = ranges[kind];
            return (
              <RangePicker
                key={`${kind}${range ? rangeText(range) : ""}`}
                kind={kind}
                label={QUANTITIES[kind].label}
                span={span}
                range={range}
              />
            );
          })}
        </div>
      )}
    </details>
  );
}

/** From and to of one quantity, with two sliders between the least and the greatest on the wall. */
function RangePicker({ kind, label, span, range }: Props) {
  const { unit } = QUANTITIES[kind];
  const { name: nameOf } = useShown();
  const router = useRouter();
  const path = usePathname();
  const step = niceStep((span.greatest - span.least) / STEPS);
  const [least, greatest] = [Math.floor(span.least / step) * step, Math.ceil(span.greatest / step) * step];
  const [from, setFrom] = useState(range?.from ?? least);
  const [to, setTo] = useState(range?.to ?? greatest);
  const round = (value: number) => Number(value.toFixed(3));

  function ask(nextFrom: number, nextTo: number) {
    const next: Range = {
      from: nextFrom <= least ? null : round(nextFrom),
      to: nextTo >= greatest ? null : round(nextTo),
    };
    const isOpen = next.from === null && next.to === null;
    const address = changedHref(path, latestParams(), { [kind]: isOpen ? null : rangeText(next) });
    intend(address);
    router.replace(address, { scroll: false });
  }

  return (
    <div role="group" aria-label={`${label}, ${nameOf(unit)}`} className="min-w-0">
      <p className="flex justify-between gap-2 text-xs">
        <span className="text-quiet">{label}</span>
        <span className="font-semibold whitespace-nowrap">
          <ValueText value={from} decimals={2} unit={unit} isBare /> – <ValueText value={to} decimals={2} unit={unit} />
        </span>
      </p>
      {(
        [
          ["from", from, (value: number) => setFrom(Math.min(value, to))],
          ["to", to, (value: number) => setTo(Math.max(value, from))],
        ] as const
      ).map(([word, value, set]) => (
        <input
          key={word}
          type="range"
          className="slider block w-full"
          aria-label={`${label} ${word}`}
          min={least}
          max={greatest}
          step={step}
          value={value}
          onChange={({ target }) => set(Number(target.value))}
          onPointerUp={() => ask(from, to)}
          onKeyUp={() => ask(from, to)}
        />
      ))}
    </div>
  );
}

/** 1, 2 or 5 times a power of ten, at least as large as given. */
function niceStep(size: number): number {
  if (!(size > 0)) return 0.01;
  const power = 10 ** Math.floor(Math.log10(size));
  return ([1, 2, 5, 10].find((m) => m * power >= size) ?? 10) * power;
}
