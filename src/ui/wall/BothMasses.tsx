import { KG_PER_LB } from "@/core/units/constants";
import { trimmed } from "@/core/units/format";

/** Both units, for someone who stands there: the plates on the wall are in either. */
export function BothMasses({ kg }: { kg: number }) {
  return (
    <>
      {trimmed(kg, 1)} kg <span className="text-quiet font-normal">{Math.floor(kg / KG_PER_LB + 0.05)} lb</span>
    </>
  );
}
