import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { barsByTag, wallBars, wallFacts } from "@/server/bars";
import { keptBriefly, may, requestContext } from "@/server/access";
import { Wall } from "@/ui/bars/Wall";
import { readWallQuery } from "@/core/bars/wallQuery";
import { readSearch, type SearchParams } from "@/ui/kit/search";

export const metadata: Metadata = { title: "Bars" };

/** A wall this long is drawn whole, so that it can be printed and searched with the browser; a longer one in parts. */
const WHOLE = 150;
/** The part that WallRows starts from. */
const FIRST = 50;

async function BarsPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const query = readWallQuery(search);
  const [{ items, total }, facts, picked] = await Promise.all([
    keptBriefly(context, `wall ${JSON.stringify(query)}`, (context) =>
      wallBars(context, query, { count: WHOLE, ofMany: FIRST }),
    ),
    keptBriefly(context, "wall facts", (context) => wallFacts(context)),
    barsByTag(context, query.picked),
  ]);
  return (
    <Wall
      items={items}
      total={total}
      facts={facts}
      picked={picked.map(({ bar }) => bar)}
      query={query}
      today={context.clock.today}
      isSearchFocused={search.focus === "search"}
      mayEdit={may(context, "bar.edit")}
      mayMeasure={may(context, "bar.measure")}
    />
  );
}

export default inParts(BarsPage);
