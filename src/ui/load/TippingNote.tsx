import { platesOffOneSide } from "@/core/loading/tippingOf";
import type { TippingAnswer } from "@/core/loading/tipping";

interface Props {
  tipping: TippingAnswer;
  at: string;
  /** On each side. */
  plates: number;
  /** Whether clamps are on: a clamp comes off before its plates. */
  hasClamp: boolean;
}

/** What may come off one side at a rack before it would tip; nothing where one side may be stripped whole. */
export function TippingNote({ tipping, at, plates, hasClamp }: Props) {
  if (plates === 0) return null;
  if (tipping.tips !== null || tipping.safeUnloadOrder === null)
    return (
      <p role="alert" className="text-error border-error border-l-4 pl-2 text-sm font-semibold">
        {at}: no order of one plate at a time is safe. Two people, both sides at once.
      </p>
    );
  const off = platesOffOneSide(tipping, plates, hasClamp);
  if (off === null) return null;
  return (
    <div className="text-accent border-accent border-l-4 pl-2 text-sm">
      <p className="font-semibold">
        {off === 0
          ? `${at}: no plate off one side alone. One off each side, in turn.`
          : `${at}: at most ${off} ${off === 1 ? "plate" : "plates"} off one side, then the other.`}
      </p>
      <details className="text-quiet">
        <summary className="min-h-8 cursor-pointer py-1.5 text-xs">Why?</summary>
        <p className="pb-1 text-xs">
          One more off the same side and the bar tips{hasClamp ? "; the clamp comes off first" : ""}. A fifth is kept in
          reserve: people lean on bars and racks are not level.
        </p>
      </details>
    </div>
  );
}
