import { drawBar } from "@/core/drawing/drawBar";
import type { Comparison } from "@/server/compare";
import { BarDrawing, KnurlPatterns } from "../kit/BarDrawing";
import Link from "../kit/Link";
import { Say } from "../kit/shown";
import { BentBars } from "./BentBars";
import { CompareAsk, supportWord } from "./CompareAsk";
import { CompareHead } from "./CompareHead";
import { INKS } from "./inks";
import { InWords } from "./InWords";
import { EXAGGERATION } from "./paperSheet";
import { WhipBench } from "./WhipBench";
import { ComparisonTable, JudgementText } from "./ComparisonTable";

interface Props {
  comparison: Comparison;
  /** Bars that can be added; the first of a long wall. */
  others: readonly { tag: string; name: string }[];
}

/** So many bars have a table that leaves room beside it. */
const MAX_BESIDE = 4;

/** Two to six bars over one another: what differs inked, what is equal faint, and whether it matters at this load. */
export function CompareSheet({ comparison, others }: Props) {
  const { state, items, unknownTags, lift, disc, handsMm, noticeableMm, rows, judgement } = comparison;
  const isFloor = lift.start === "floor" && lift.speed === "slow";
  // More bars than these need the whole width for their figures.
  const isWide = items.length > MAX_BESIDE;
  const table = <ComparisonTable bars={items.map(({ bar }) => bar)} rows={rows} />;
  const bending = items.flatMap(({ bar, bent }, ink) => (bent.ok ? [{ bar, ink }] : []));
  const unbent = items.flatMap(({ bar, bent, kind }, ink) => (bent.ok ? [] : [{ bar, kind, ink }]));
  const support = supportWord(lift);
  return (
    <>
      <KnurlPatterns />
      <CompareHead comparison={comparison} others={others} />
      {unknownTags.length > 0 && (
        <p role="alert" className="text-error mb-2 text-sm">
          No bar {unknownTags.join(", ")} on the wall or on offer.
        </p>
      )}
      {comparison.breaks.map((text) => (
        <p key={text} role="alert" className="sheet border-l-error text-error mb-2 border-l-4 px-4 py-2 font-bold">
          <Say text={text} /> Not to be lifted with.
        </p>
      ))}
      {comparison.warnings.map((text) => (
        <p key={text} role="note" className="sheet border-l-accent mb-2 border-l-4 px-4 py-2 text-sm font-semibold">
          <Say text={text} />
        </p>
      ))}
      <CompareAsk comparison={comparison} />

      {items.length === 0 ? (
        <p className="sheet p-6">
          Nothing to compare yet. Pick bars on{" "}
          <Link className="link" href="/bars">
            the wall
          </Link>
          , or add one above.
        </p>
      ) : (
        <>
          {bending.length > 0 && (
            <BentBars bent={items} handsMm={handsMm} exaggeration={EXAGGERATION} supportWord={support} />
          )}
          {unbent.length > 0 && (
            <div className="sheet mb-3 grid gap-2 py-3">
              {unbent.map(({ bar, kind, ink }) => (
                <figure key={bar.tag} className="relative">
                  <figcaption className="absolute top-0 left-4 text-sm font-bold" style={{ color: INKS[ink]!.color }}>
                    {bar.tag}
                  </figcaption>
                  <BarDrawing
                    drawing={drawBar(bar)}
                    label={`${bar.name} to scale`}
                    className={kind === "own" ? "" : "offered"}
                  />
                </figure>
              ))}
            </div>
          )}
          <InWords comparison={comparison} />
          <div
            className={`grid grid-cols-[minmax(0,1fr)] items-start gap-3 ${isWide ? "" : "lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]"}`}
          >
            {!isWide && table}
            <div
              className={`grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3 ${isWide ? "items-start lg:grid-cols-2" : ""}`}
            >
              <JudgementText judgement={judgement} bars={items.map(({ bar }) => bar)} />
              {bending.length > 0 && (
                <WhipBench
                  bars={bending}
                  loadKg={state.loadKg}
                  handsMm={handsMm}
                  disc={disc}
                  isFloor={isFloor}
                  noticeableMm={noticeableMm}
                />
              )}
            </div>
            {isWide && table}
          </div>
        </>
      )}
    </>
  );
}
