"use client";

import { useEffect } from "react";

interface Props {
  /** From the largest to the smallest. */
  steps: readonly number[];
  unit: string;
}

/** The keyboard's way through Load: arrows and page keys nudge the target, from wherever the focus is but a field. */
export function TargetKeys({ steps, unit }: Props) {
  const [largest, , small] = steps as readonly [number, number, number];
  useEffect(() => {
    const byKey: Record<string, string> = {
      ArrowUp: `${small} ${unit} more`,
      ArrowDown: `${small} ${unit} less`,
      PageUp: `${largest} ${unit} more`,
      PageDown: `${largest} ${unit} less`,
    };
    const press = (event: KeyboardEvent) => {
      const name = byKey[event.key];
      const on = event.target as HTMLElement;
      const isElsewhere =
        /^(SELECT|TEXTAREA)$/.test(on.tagName) || (on.tagName === "INPUT" && !("target" in on.dataset));
      if (!name || isElsewhere || event.metaKey || event.ctrlKey || event.altKey) return;
      event.preventDefault();
      document.querySelector<HTMLElement>(`[aria-label="${name}"]`)?.click();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [largest, small, unit]);
  return (
    <p id="target-keys" className="sr-only">
      Arrow up and down: {small} {unit} more or less. Page up and down: {largest} {unit}.
    </p>
  );
}
