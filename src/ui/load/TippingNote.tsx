import type { TippingAnswer } from "@/core/loading/tipping";

/** What may come off one side at a rack, and the warning before it would tip; with the screen's reserve. */
export function TippingNote({ tipping, at, plates }: { tipping: TippingAnswer; at: string; plates: number }) {
  const { tips, maxOneSidedRemoval, safeUnloadOrder, share } = tipping;
  const off = Math.min(maxOneSidedRemoval.left, maxOneSidedRemoval.right);
  const isLoose = plates === 0 || off > plates;
  if (tips !== null || safeUnloadOrder === null)
    return (
      <p role="alert" className="text-error border-error border-l-4 pl-2 text-sm font-semibold">
        At {at} no order of one plate at a time is safe: two people, both sides at once.
      </p>
    );
  return (
    <p className={`border-l-4 pl-2 text-sm ${isLoose ? "border-base-300" : "text-accent border-accent"}`}>
      {isLoose ? (
        <>At {at} one side may be stripped without tipping it. Load both sides evenly all the same.</>
      ) : off === 0 ? (
        <>
          <strong>At {at} never take a plate or clamp off one side alone:</strong> one off each side, in turn; two
          people are better.
        </>
      ) : (
        <>
          <strong>
            At {at} at most {off} {off === 1 ? "piece" : "pieces"} (clamp first) may come off one side
          </strong>{" "}
          before the other must follow; one more and it tips. Left and right in turn is safe.
        </>
      )}{" "}
      <span className="text-quiet">
        With a fifth in reserve: people lean on bars and racks are not level.
        {share > 0 && ` Loaded, it stands at ${Math.round(share * 100)} % of tipping.`}
      </span>
    </p>
  );
}
