"use client";

import { drawBar } from "@/core/drawing/drawBar";
import type { Basis, Reason } from "@/core/matching/verdict";
import { FACTOR_WORDS, whyOf } from "@/core/matching/why";
import { trimmed } from "@/core/units/format";
import type { Matching } from "@/server/matching";
import { BarDrawing } from "../kit/BarDrawing";
import { BarTag } from "../kit/BarTag";
import { CarryLink } from "../kit/CarryLink";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { Say } from "../kit/shown";
import { useFirstRows } from "../kit/useFirstRows";
import { useOpened } from "../kit/useOpened";
import { VerdictText } from "../kit/VerdictText";

const BASIS_WORDS: Record<Basis, string> = {
  physics: "physics",
  published: "published rule",
  "common-practice": "common practice",
  "house-rule": "house rule",
  data: "this bar’s record",
};

interface Row {
  item: Matching["items"][number];
  /** Where the bar is set up for this; null when nothing of it is set. */
  setupHref: string | null;
}

/** What is asked for. */
interface Asked {
  loadKg: number;
  loadText: string;
  unit: string;
}

/** Rows in the page as it arrives. */
const FIRST = 7;

/** Bars that can be used, best first. */
export function MatchRows({ rows, ...asked }: { rows: readonly Row[] } & Asked) {
  return useFirstRows(rows, FIRST).map((row) => <MatchRow key={row.item.tag} {...row} {...asked} />);
}

/**
 * One bar that can be used: its verdict, the line that decides, and the rest of the reasons once somebody asks. A leaf of
 * the client's: bars go over as their figures, and reasons that nobody opens are never drawn.
 */
function MatchRow({ item, setupHref, loadKg, loadText, unit }: Row & Asked) {
  const { tag, bar, place, verdict, reasons, setting } = item;
  const { first, against, forIt } = whyOf(reasons);
  const { isOpen, fold } = useOpened();
  return (
    <li
      id={`bar-${tag}`}
      className="target:bg-base-200 grid items-center gap-x-3 gap-y-1 grid-cols-[minmax(0,1fr)_auto] px-4 py-1.5 md:grid-cols-[5.75rem_10rem_minmax(0,10.5rem)_minmax(0,1fr)_auto]"
    >
      <VerdictText verdict={verdict} />
      <div className="flex items-center gap-2">
        <BarTag tag={tag} />
        <span>
          <span className="block text-sm font-semibold">{bar.name}</span>
          <span className="text-quiet block text-xs">
            {place}
            {bar.quantities.mass ? <Say text={`, ${trimmed(bar.quantities.mass.value, 1)} kg`} /> : ""}
          </span>
        </span>
      </div>
      <BarDrawing drawing={drawBar(bar)} label={`${bar.name} to scale`} className="hidden md:block" />
      <div className="col-span-2 text-sm md:col-span-1">
        {first && (
          <p className="leading-snug">
            <Say text={first.text} />
          </p>
        )}
        {against[0] && (
          <p className="text-quiet leading-snug">
            <Say text={against[0].text} />
          </p>
        )}
        <details className="group" {...fold}>
          <summary className="-my-0.5 flex min-h-8 cursor-pointer list-none flex-wrap items-center gap-x-3 text-xs">
            {setting && <strong>{setting}</strong>}
            {against.map(({ factor }) => (
              <span key={factor} className="text-accent whitespace-nowrap">
                <span aria-hidden="true">− </span>
                <span className="sr-only">against: </span>
                {FACTOR_WORDS[factor] ?? factor}
              </span>
            ))}
            {forIt.map(({ factor }) => (
              <span key={factor} className="text-quiet whitespace-nowrap">
                <span aria-hidden="true">+ </span>
                <span className="sr-only">for: </span>
                {FACTOR_WORDS[factor] ?? factor}
              </span>
            ))}
            <span className="link group-open:font-semibold">Why?</span>
          </summary>
          {isOpen && (
            <ul className="grid gap-1 py-1">
              {[...(first ? [first] : []), ...against, ...forIt].map((reason) => (
                <ReasonLine key={reason.factor} reason={reason} />
              ))}
            </ul>
          )}
        </details>
      </div>
      <div className="col-span-2 flex flex-wrap gap-1.5 md:col-span-1">
        <CarryLink
          carry={{ target: "load", unit: "unit" }}
          href={href("/load", {
            bar: tag,
            target: loadKg > 0 ? loadText : undefined,
            unit: unit === "lb" ? "lb" : undefined,
          })}
          className="btn btn-sm btn-outline justify-self-start"
        >
          Load it
        </CarryLink>
        {setupHref && (
          <Link href={setupHref} className="btn btn-sm btn-outline">
            Set it up
          </Link>
        )}
      </div>
    </li>
  );
}

function ReasonLine({ reason: { text, basis, wouldChange } }: { reason: Reason }) {
  return (
    <li>
      <Say text={text} /> <span className="text-quiet text-xs whitespace-nowrap">{BASIS_WORDS[basis]}</span>
      {wouldChange && (
        <span className="text-quiet block text-xs">
          <span aria-hidden="true">↑ </span>
          <Say text={wouldChange} />
        </span>
      )}
    </li>
  );
}
