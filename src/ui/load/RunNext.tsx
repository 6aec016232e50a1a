import type { RunSet } from "@/core/loading/run/runState";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { Kg } from "../kit/shown";
import { Sleeve, type PlateFace } from "./Sleeve";

interface Props {
  sets: readonly RunSet[];
  /** The first of them that is shown. */
  from: number;
  plates: Readonly<Record<string, PlateFace>>;
}

const SHOWN = 4;

/** The next few sets, as a strip. */
export function RunNext({ sets, from, plates }: Props) {
  return (
    <section className="sheet no-print px-4 py-2" aria-label="Next">
      <h2 className="text-quiet text-sm">then</h2>
      <ol className="divide-base-300 divide-y text-sm">
        {sets.slice(from, from + SHOWN).map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
            <span className="w-28 font-semibold">{one.lifter}</span>
            <span className="w-20 text-right font-bold">
              <Kg value={kgFromMassUnits(one.achievedUnits)} decimals={2} isSmall />
            </span>
            <Sleeve stack={one.perSide} faces={plates} />
          </li>
        ))}
        {from >= sets.length && <li className="text-quiet py-1">This is the last set.</li>}
      </ol>
    </section>
  );
}
