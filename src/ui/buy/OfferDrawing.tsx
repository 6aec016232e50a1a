import type { Bar } from "@/core/bars/bar";
import { drawBar } from "@/core/drawing/drawBar";
import { BarDrawing } from "../kit/BarDrawing";

/** A bar that is not here: drawn from what its seller states, in dashes. */
export function OfferDrawing({ bar, className = "" }: { bar: Bar; className?: string }) {
  return (
    <BarDrawing
      drawing={drawBar(bar)}
      label={`${bar.name}, as its seller states it`}
      className={`offered ${className}`}
    />
  );
}
