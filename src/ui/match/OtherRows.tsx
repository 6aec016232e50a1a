"use client";

import type { Verdict } from "@/core/matching/verdict";
import type { Matching } from "@/server/matching";
import { OfferDrawing } from "../buy/OfferDrawing";
import { BarTag } from "../kit/BarTag";
import Link from "../kit/Link";
import { Say } from "../kit/shown";
import { useOpened } from "../kit/useOpened";
import { VerdictText } from "../kit/VerdictText";

/* Leaves of the client's, as the rows above them: figures go over, and what nobody opens is never drawn. */

/** Bars that could be bought and would do. */
export function OfferedRows({ offered }: Pick<Matching, "offered">) {
  return (
    <section className="mt-3 border border-dashed" aria-label="On offer">
      <h2 className="px-4 pt-2 text-sm font-bold">On offer, not here</h2>
      <ul className="divide-base-300 divide-y">
        {offered.map(({ id, code, name, bar, verdict, because }) => (
          <li
            key={id}
            className="grid items-center gap-x-4 px-4 py-2 text-sm md:grid-cols-[6.5rem_11rem_minmax(0,14rem)_minmax(0,1fr)]"
          >
            <VerdictText verdict={verdict} />
            <Link href={`/buy/${id}`} className="font-semibold hover:underline">
              {code} {name}
            </Link>
            <OfferDrawing bar={bar} className="hidden md:block" />
            <span>
              <Say text={because} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface NeverProps {
  rows: readonly { tag: string; name: string; verdict: Verdict; because: string }[];
  /** Of all there are. */
  count: number;
  isOpen: boolean;
}

/** Bars that can never be used for this, and why. */
export function NeverRows({ rows, count, isOpen: isOpenFirst }: NeverProps) {
  // A link to one of them opens what it is in.
  const { isOpen, fold } = useOpened(isOpenFirst, () => rows.some(({ tag }) => location.hash === `#bar-${tag}`));
  return (
    <details className="sheet mt-3" {...fold}>
      <summary className="min-h-11 cursor-pointer px-4 py-3 text-sm font-semibold">
        {count} {count === 1 ? "bar" : "bars"} never for this
      </summary>
      {isOpen && (
        <ul className="divide-base-300 border-base-300 divide-y border-t">
          {rows.map(({ tag, name, verdict, because }) => (
            <li
              key={tag}
              id={`bar-${tag}`}
              className="target:bg-base-200 flex flex-wrap items-baseline gap-x-3 px-4 py-2 text-sm"
            >
              <BarTag tag={tag} />
              <span className="w-32 font-semibold">{name}</span>
              <VerdictText verdict={verdict} />
              <span className="basis-60 grow">
                <Say text={because} />
              </span>
            </li>
          ))}
          {count > rows.length && <li className="text-quiet px-4 py-2 text-sm">And {count - rows.length} more.</li>}
        </ul>
      )}
    </details>
  );
}
