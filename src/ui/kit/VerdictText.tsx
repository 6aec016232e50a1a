import { Ban, CheckCheck, Check, Minus, TriangleAlert } from "lucide-react";
import type { Verdict } from "@/core/matching/verdict";

const LOOK: Record<Verdict, { text: string; className: string; Mark: typeof Ban }> = {
  "made-for": { text: "made for", className: "text-primary", Mark: CheckCheck },
  good: { text: "good", className: "text-success", Mark: Check },
  usable: { text: "usable", className: "", Mark: Minus },
  poor: { text: "poor", className: "text-accent", Mark: TriangleAlert },
  never: { text: "never", className: "text-error", Mark: Ban },
};

/** A verdict as a mark alone, named for whoever does not see it. */
export function VerdictMark({ verdict }: { verdict: Verdict }) {
  const { text, className, Mark } = LOOK[verdict];
  return (
    <span className={`inline-flex ${className}`}>
      <Mark aria-hidden="true" className="size-4" />
      <span className="sr-only">{text}</span>
    </span>
  );
}

/** A verdict as a word and a mark. */
export function VerdictText({ verdict }: { verdict: Verdict }) {
  const { text, className, Mark } = LOOK[verdict];
  return (
    <span className={`inline-flex items-center gap-1.5 font-bold whitespace-nowrap ${className}`}>
      <Mark aria-hidden="true" className="size-4" />
      {text}
    </span>
  );
}
