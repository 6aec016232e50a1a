"use client";

import { againstWords, type againstModel } from "@/core/sideview/againstModel";
import { Say } from "../kit/shown";
import { StillReadout } from "./StillReadout";
import type { Still } from "./useStill";

interface Props {
  still: Still;
  against: ReturnType<typeof againstModel>;
  hasBar: boolean;
}

/** What the marks say, beside what the model would do. */
export function StillSays({ still: { reading, lacking }, against, hasBar }: Props) {
  return (
    <>
      {reading && against && (
        <p className="border-l-primary border-l-4 pl-3 text-lg leading-snug font-semibold" data-testid="still-lead">
          <Say text={againstWords(against, reading)} />
        </p>
      )}
      {reading && !against && hasBar && (
        <p className="text-sm">With these legs and this load the model finds no balance.</p>
      )}
      {lacking.map((text) => (
        <p key={text} role="alert" className="text-error text-sm font-semibold">
          {text}
        </p>
      ))}
      {reading && <StillReadout reading={reading} against={against} />}
      {reading?.cameraDeg && reading.cameraDeg.value > 3 && (
        <p className="text-sm">
          The camera stood about {Math.round(reading.cameraDeg.value)}° out of square, by the plate’s disc.
        </p>
      )}
    </>
  );
}
