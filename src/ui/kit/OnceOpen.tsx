"use client";

import { useState, type ReactNode } from "react";

interface Props {
  summary: ReactNode;
  className?: string;
  /** Of the summary. */
  summaryClass?: string;
  /** Made when somebody opens it first, and kept from then on: a form that nobody opened costs nothing. */
  children: () => ReactNode;
}

/** Folds away what is made only once it is opened. */
export function OnceOpen({ summary, className, summaryClass, children }: Props) {
  const [isMade, setMade] = useState(false);
  return (
    <details className={className} onToggle={({ currentTarget }) => currentTarget.open && setMade(true)}>
      <summary className={summaryClass}>{summary}</summary>
      {isMade && children()}
    </details>
  );
}
