import type { Metadata } from "next";
import { barsOnTheWall } from "@/server/bars";
import { careDueOn } from "@/server/care";
import { whoIsAsking } from "@/server/who";
import { Wall } from "@/ui/bars/Wall";
import { barsFor, readWallQuery } from "@/ui/bars/wallQuery";
import { readSearch, type SearchParams } from "@/ui/kit/search";

export const metadata: Metadata = { title: "Bars" };

export default async function BarsPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await whoIsAsking();
  const search = await readSearch(searchParams);
  const query = readWallQuery(search);
  const [all, due] = await Promise.all([barsOnTheWall(who), careDueOn(who, who.today)]);
  const firstDue = new Map(due.toReversed().map((item) => [item.tag, item]));
  const shown = barsFor(all, query).map(({ bar, place }) => ({ bar, place, due: firstDue.get(bar.tag) ?? null }));
  return <Wall shown={shown} all={all} query={query} today={who.today} isSearchFocused={search.focus === "search"} />;
}
