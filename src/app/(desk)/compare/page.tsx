import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { candidateOf, candidateText } from "@/core/bars/candidate";
import { readWallQuery } from "@/core/bars/wallQuery";
import { comparisonParams, MAX_COMPARED, readComparison } from "@/core/whip/comparisonState";
import { comparisonFor } from "@/server/compare";
import { wallBars } from "@/server/bars";
import { listOffers, OPEN_STATES } from "@/server/offers";
import { requestContext } from "@/server/access";
import { CompareSheet } from "@/ui/compare/CompareSheet";
import { changedHref } from "@/ui/kit/intent";
import { readSearch, type SearchParams } from "@/ui/kit/search";

export const metadata: Metadata = { title: "Compare" };

/** Bars offered in the list to add from; the wall itself has a box for every bar. */
const MAX_OFFERED = 300;

export default async function ComparePage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  if (search.add) {
    const state = readComparison(search);
    const tags = [...new Set([...state.tags, search.add])].slice(0, MAX_COMPARED);
    redirect(changedHref("/compare", new URLSearchParams(), comparisonParams({ ...state, tags })));
  }
  const [comparison, wall, offered] = await Promise.all([
    comparisonFor(context, search),
    wallBars(context, readWallQuery({}), { count: MAX_OFFERED }),
    listOffers(context, OPEN_STATES),
  ]);
  return (
    <CompareSheet
      comparison={comparison}
      others={wall.items
        .filter(({ bar }) => !comparison.state.tags.includes(bar.tag))
        .map(({ bar: { tag, name } }) => ({ tag, name }))}
      offers={offered.flatMap(({ code, offer, bar }) => {
        const candidate = candidateOf(bar);
        return candidate ? [{ code, name: offer.name, text: candidateText(candidate) }] : [];
      })}
    />
  );
}
