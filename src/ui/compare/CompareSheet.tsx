import { Say, UnitInput, UnitName } from "../kit/shown";
import { isUsable } from "@/core/bars/bar";
import { drawBar } from "@/core/drawing/drawBar";
import { comparisonParams, MAX_COMPARED } from "@/core/whip/comparisonState";
import type { Comparison } from "@/server/compare";
import { AskForm } from "../kit/AskForm";
import { BarDrawing, KnurlPatterns } from "../kit/BarDrawing";
import { BarTag } from "../kit/BarTag";
import { changedHref } from "../kit/intent";
import Link from "../kit/Link";
import { Options } from "../kit/Options";
import { PageHead } from "../kit/PageHead";
import { StateText } from "../kit/StateText";
import { BentBars } from "./BentBars";
import { CandidateForm } from "./CandidateForm";
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

/** Two to six bars over one another: what differs inked, what is equal faint, and whether it matters at this load. */
export function CompareSheet({ comparison, others }: Props) {
  const { state, items, offered, unknownTags, lifts, lift, discs, disc, handsMm, noticeableMm, rows, judgement } =
    comparison;
  const params = comparisonParams(state);
  const to = (path: string, change: Record<string, string | null> = {}) =>
    changedHref(path, new URLSearchParams(), { ...params, ...change });
  const without = (i: number): Record<string, string | null> => {
    const { kind } = items[i]!;
    const others = items.filter((item, k) => k !== i && item.kind === kind);
    if (kind === "own") return { bars: others.map(({ bar }) => bar.tag).join(",") || null };
    if (kind === "offer") return { offers: others.map(({ bar }) => bar.tag).join(",") || null };
    const place = items.slice(0, i).filter((item) => item.kind === kind).length;
    return { try: (params.try ?? "").split(";").toSpliced(place, 1).join(";") || null };
  };
  const isFloor = lift.start === "floor" && lift.speed === "slow";
  const bending = items.flatMap(({ bar, bent }, ink) => (bent.ok ? [{ bar, ink }] : []));
  const unbent = items.flatMap(({ bar, bent, kind }, ink) => (bent.ok ? [] : [{ bar, kind, ink }]));
  const support = lift.contact === "back" ? "back" : "hands";
  return (
    <>
      <KnurlPatterns />
      <PageHead
        title="Compare"
        about={
          <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
            {items.map(({ bar, kind }, i) => (
              <span key={bar.tag} className="inline-flex items-center gap-1.5" style={{ color: INKS[i]!.color }}>
                {kind === "own" ? <BarTag tag={bar.tag} /> : <b>{bar.tag}</b>} <span>{bar.name}</span>
                {kind !== "own" ? (
                  <span className="text-quiet text-sm">offer</span>
                ) : (
                  !isUsable(bar.state) && <StateText state={bar.state} />
                )}
                <Link
                  href={to("/compare", without(i))}
                  aria-label={`Remove ${bar.tag} from the comparison`}
                  className="text-quiet hover:text-base-content no-print px-1"
                >
                  ×
                </Link>
              </span>
            ))}
          </span>
        }
      >
        <div className="no-print flex flex-wrap items-center gap-3 text-sm">
          {items.length > 0 && (
            <>
              <a href={to("/compare/sheet.csv")} className="link inline-flex min-h-10 items-center">
                CSV
              </a>
              <a
                href={to("/compare/sheet.svg")}
                download="comparison.svg"
                className="link inline-flex min-h-10 items-center"
              >
                SVG
              </a>
              <a href={to("/compare/sheet.pdf")} className="link inline-flex min-h-10 items-center">
                PDF
              </a>
            </>
          )}
          {items.length < MAX_COMPARED && (
            <>
              <CandidateForm />
              <AskForm
                action="/compare"
                label="Add a bar"
                keep={{
                  ...Object.fromEntries(Object.entries(params).map(([key, value]) => [key, value ?? undefined])),
                }}
              >
                <label className="sr-only" htmlFor="add">
                  Add a bar
                </label>
                <select
                  id="add"
                  name="add"
                  defaultValue=""
                  key={`${params.bars} ${params.offers}`}
                  className="select select-sm w-40"
                >
                  <option value="">add a bar …</option>
                  <optgroup label="On the wall">
                    <Options of={others.map(({ tag, name }) => [tag, `${tag} ${name}`])} />
                  </optgroup>
                  {offered.length > 0 && (
                    <optgroup label="On offer">
                      <Options of={offered.map(({ code, name }) => [`offer:${code}`, `${code} ${name}`])} />
                    </optgroup>
                  )}
                </select>
              </AskForm>
            </>
          )}
        </div>
      </PageHead>
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
      <AskForm
        action="/compare"
        label="At which lift and load"
        keep={{
          bars: params.bars ?? undefined,
          offers: params.offers ?? undefined,
          try: params.try ?? undefined,
          pair: params.pair ?? undefined,
        }}
        className="sheet mb-3 flex flex-wrap items-baseline gap-x-6 gap-y-1 px-4 py-1.5"
      >
        <label className="ask">
          lift
          <select name="lift" defaultValue={lift.key} key={lift.key}>
            <Options of={lifts.map(({ key, name }) => [key, name])} />
          </select>
        </label>
        <label className="ask">
          load
          <UnitInput name="load" unit="kg" value={state.loadKg} aria-label="Load" /> <UnitName of="kg" /> in all
        </label>
        <label className="ask">
          {support}
          <UnitInput name="hands" unit="mm" value={handsMm} aria-label="Distance between the supports" />{" "}
          <UnitName of="mm" /> {lift.contact === "back" ? "wide" : "apart"}
        </label>
        <label className="ask">
          plates
          <select name="plates" defaultValue={disc.key} key={disc.key}>
            <Options of={discs.map(({ key, name }) => [key, name])} />
          </select>
        </label>
        {comparison.lifters.length > 0 && (
          <label className="ask">
            for
            <select name="lifter" aria-label="For whom" defaultValue={state.lifter} key={state.lifter}>
              <Options
                of={[["", "someone of usual size"], ...comparison.lifters.map(({ key, name }) => [key, name] as const)]}
              />
            </select>
          </label>
        )}
        <span className="text-quiet ml-auto text-xs">bend drawn ×{EXAGGERATION}</span>
      </AskForm>

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
          <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
            <ComparisonTable bars={items.map(({ bar }) => bar)} rows={rows} />
            <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3">
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
          </div>
        </>
      )}
    </>
  );
}
