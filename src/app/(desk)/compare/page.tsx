import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { inParts } from "@/app/inParts";
import { readWallQuery } from "@/core/bars/wallQuery";
import { comparisonParams, MAX_COMPARED, readComparison } from "@/core/whip/comparisonState";
import { comparisonFor } from "@/server/compare";
import { wallBars } from "@/server/bars";
import { requestContext } from "@/server/access";
import { CompareSheet } from "@/ui/compare/CompareSheet";
import { changedHref } from "@/ui/kit/intent";
import { readSearch, type SearchParams } from "@/ui/kit/search";

export const metadata: Metadata = { title: "Compare" };

/** Bars offered in the list to add from; the wall itself has a box for every bar. */
const MAX_OFFERED = 300;

/** What somebody adds goes into the address. */
async function lead({ searchParams }: { searchParams: SearchParams }) {
  const search = await readSearch(searchParams);
  if (search.add) {
    const state = readComparison(search);
    const isFull = state.tags.length + state.offers.length + state.candidates.length >= MAX_COMPARED;
    const offer = /^offer:(.+)$/.exec(search.add)?.[1];
    const more = (list: readonly string[], one: string | null = null) => [
      ...new Set([...list, ...(one && !isFull ? [one] : [])]),
    ];
    const next = {
      ...state,
      tags: more(state.tags, offer ? null : search.add),
      offers: more(state.offers, offer),
    };
    redirect(changedHref("/compare", new URLSearchParams(), comparisonParams(next)));
  }
}

async function ComparePage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const [comparison, wall] = await Promise.all([
    comparisonFor(context, search),
    wallBars(context, readWallQuery({}), { count: MAX_OFFERED }),
  ]);
  return (
    <CompareSheet
      comparison={comparison}
      others={wall.items
        .filter(({ bar }) => !comparison.state.tags.includes(bar.tag))
        .map(({ bar: { tag, name } }) => ({ tag, name }))}
    />
  );
}

export default inParts(ComparePage, lead);
