"use client";

import { useState } from "react";

/** Steps that are ticked off at the bar, one after the other; the next one stands out. Nothing of it is stored. */
export function StepList({ steps }: { steps: readonly string[] }) {
  const [done, setDone] = useState(0);
  return (
    <>
      <ol className="grid gap-1">
        {steps.map((step, i) => (
          <li key={step}>
            <label
              className={`flex min-h-11 cursor-pointer items-center gap-3 rounded px-2 py-1 print:min-h-0 ${i === done ? "bg-base-200 font-semibold" : i < done ? "text-quiet" : ""}`}
            >
              <input
                type="checkbox"
                className="checkbox"
                checked={i < done}
                disabled={i > done}
                onChange={() => setDone(i < done ? i : i + 1)}
              />
              <span>
                {i + 1}. {step}
              </span>
            </label>
          </li>
        ))}
      </ol>
      <p role="status" className="text-success no-print mt-1 min-h-6 text-sm font-semibold">
        {done === steps.length ? "Ready for the light set." : ""}
      </p>
    </>
  );
}
