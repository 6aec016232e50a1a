"use client";

import { useId, type ReactNode } from "react";
import { TERMS, type TermKey } from "@/core/glossary/terms";
import { TermDrawing } from "./TermDrawing";
import { Say } from "./shown";

/** A word of the trade with dots under it: touched, it says what it means, with a drawing. */
export function Term({ of, children }: { of: TermKey; children: ReactNode }) {
  const id = useId();
  const { word, meaning } = TERMS[of];
  return (
    <>
      <button
        type="button"
        popoverTarget={id}
        className="cursor-help underline decoration-dotted underline-offset-4"
        aria-label={`${typeof children === "string" ? children : word}: what it means`}
      >
        {children}
      </button>
      <span
        id={id}
        popover="auto"
        className="bg-base-100 text-base-content border-base-300 fixed inset-0 m-auto h-fit w-80 max-w-[90vw] border p-4 text-left text-sm font-normal whitespace-normal not-italic shadow-xl"
      >
        <strong className="block text-base">{word}</strong>
        <span className="my-2 block">
          <TermDrawing term={of} />
        </span>
        <span className="block">
          <Say text={meaning} />
        </span>
      </span>
    </>
  );
}
