"use client";

import { useState, type ReactNode } from "react";
import { useOpened } from "./useOpened";

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
  const { isOpen, fold } = useOpened();
  const [isMade, setMade] = useState(false);
  if (isOpen && !isMade) setMade(true);
  return (
    <details className={className} {...fold}>
      <summary className={summaryClass}>{summary}</summary>
      {isMade && children()}
    </details>
  );
}
