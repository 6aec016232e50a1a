import type { ComponentProps } from "react";
import type { RunSet } from "@/core/loading/run/runState";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { FillScreen } from "../kit/FillScreen";
import { Kg } from "../kit/shown";
import { LoadedHalf } from "./LoadedHalf";

interface Props {
  set: RunSet;
  half: Omit<ComponentProps<typeof LoadedHalf>, "isLarge">;
  /** What is on each side. */
  words: string;
}

/** The half of the bar as it must be loaded, here and over the whole screen. */
export function RunBar({ set, half, words }: Props) {
  return (
    <section className="sheet p-3" aria-label="The loaded bar">
      <LoadedHalf {...half} />
      <div className="mt-2 flex justify-end">
        <FillScreen label="The loaded bar, full screen">
          <div className="grid h-full grid-rows-[auto_minmax(0,1fr)] gap-4">
            <p className="pr-28 text-3xl leading-tight font-bold sm:text-6xl">
              {set.lifter}: <Kg value={kgFromMassUnits(set.achievedUnits)} decimals={2} />
              <span className="block text-2xl sm:text-5xl">{words} each side</span>
            </p>
            <LoadedHalf {...half} isLarge />
          </div>
        </FillScreen>
      </div>
      <p className="text-quiet text-xs">
        Right half, to scale. Clamps on, both sides alike, safeties set; a spotter for heavy racked lifts.
      </p>
    </section>
  );
}
