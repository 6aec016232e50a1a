import { sideOrder, tippingOf, type RackFacts } from "@/core/loading/tippingOf";
import type { PlateFace } from "./Sleeve";
import { TippingNote } from "./TippingNote";

const ORDER_WORDS = {
  either: null,
  turns: "Left and right in turn, one plate at a time: more on one side would tip it.",
  "both-at-once": "Not one plate at a time: two people, both sides at once.",
} as const;

interface Props {
  rack: RackFacts;
  clamp: { pairMassUnits: number; widthMm: number } | null;
  plates: Readonly<Record<string, PlateFace & { massUnits: number }>>;
  before: readonly string[];
  after: readonly string[];
  off: number;
  on: number;
  at: string;
}

/** The order of the two sides for this change, and what the loaded bar stands. */
export function RunTipping({ rack, clamp, plates, before, after, off, on, at }: Props) {
  const tippingFor = (stack: readonly string[]) =>
    tippingOf(
      rack,
      stack.map((id) => plates[id] ?? { massUnits: 0, thicknessMm: null }),
      clamp,
    );
  const loaded = tippingFor(after);
  const order = ORDER_WORDS[sideOrder({ tipping: tippingFor(before), off }, { tipping: loaded, on }, clamp !== null)];
  return (
    <>
      {order && <p className="border-accent text-accent border-l-8 pl-3 text-lg font-bold">{order}</p>}
      {after.length > 0 && <TippingNote tipping={loaded} at={at} plates={after.length} hasClamp={clamp !== null} />}
    </>
  );
}
