"use client";

import { useState } from "react";
import { roundMoneyText } from "@/core/buying/money";

/** From which money on which choice is best. */
export interface ShownStep {
  fromMinor: number;
  names: string;
  gain: number;
}

/** A slider over budgets: where the choice flips, and to what. */
export function BudgetSteps({
  steps,
  budgetMinor,
  currency,
}: {
  steps: readonly ShownStep[];
  budgetMinor: number;
  currency: string;
}) {
  const most = Math.max(budgetMinor, steps.at(-1)!.fromMinor) * 1.05;
  const [at, setAt] = useState(budgetMinor);
  const money = (minor: number) => roundMoneyText({ minor, currency });
  const here = steps.filter(({ fromMinor }) => fromMinor <= at).at(-1) ?? null;
  const next = steps.find(({ fromMinor }) => fromMinor > at) ?? null;
  return (
    <div className="grid gap-1 text-sm">
      <label className="grid gap-1">
        <span>
          <strong>With {money(at)}</strong>: {here ? `${here.names} (${here.gain} points)` : "nothing gains yet"}
          {next && <span className="text-quiet">; from {money(next.fromMinor)} another choice</span>}
        </span>
        <input
          type="range"
          min={0}
          max={Math.ceil(most / 1000) * 1000}
          step={1000}
          value={at}
          onChange={({ target }) => setAt(Number(target.value))}
          className="range range-sm w-full max-w-3xl"
          aria-label="Budget to look at"
          aria-valuetext={`${money(at)}: ${here?.names ?? "nothing"}`}
        />
      </label>
      <div className="relative h-3 w-full max-w-3xl" aria-hidden="true">
        {steps.map(({ fromMinor }) => (
          <span
            key={fromMinor}
            className={`absolute top-0 h-3 w-0.5 ${fromMinor <= at ? "bg-primary" : "bg-base-300"}`}
            style={{ left: `${(100 * fromMinor) / most}%` }}
          />
        ))}
      </div>
    </div>
  );
}
