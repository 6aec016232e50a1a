import type { OtherWay } from "@/server/loading";
import type { PlateRow } from "@/server/equipment";
import { Say } from "../kit/shown";
import { stackWords } from "./plateWords";

interface Props {
  perSide: readonly string[];
  other: OtherWay;
  plates: ReadonlyMap<string, PlateRow>;
}

/** The same mass two ways, with what differs for whoever carries plates, for the sleeve and for the floor. */
export function TwoWays({ perSide, other, plates }: Props) {
  return (
    <details className="border-base-300 mt-3 border-t pt-1 text-sm" open={other.how === "as you have it"}>
      <summary className="min-h-11 cursor-pointer content-center font-semibold">
        The same mass {other.how}: {stackWords(other.perSide, plates)}
      </summary>
      <p className="text-quiet">Against {stackWords(perSide, plates)}:</p>
      <ul className="list-disc pl-5">
        {other.words.map((text) => (
          <li key={text}>
            <Say text={text} />
          </li>
        ))}
      </ul>
    </details>
  );
}
