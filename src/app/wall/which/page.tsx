import type { Metadata } from "next";
import { usageCardOf } from "@/core/use/useCards";
import { barsOnTheWall } from "@/server/bars";
import { openFindings } from "@/server/care/findings";
import { requestContext } from "@/server/access";
import { usageRules } from "@/server/rules";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { WherePicker } from "@/ui/wall/WherePicker";
import { WhichBar } from "@/ui/wall/WhichBar";

export const metadata: Metadata = { title: "Which bar is this?" };

/** Bars that are told apart at once; with more, it is asked first where the bar hangs. */
const MAX_BARS = 200;

export default async function WhichBarPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const [wall, findings] = await Promise.all([barsOnTheWall(context), openFindings(context)]);
  const here = wall
    .filter(({ bar }) => bar.state !== "on-order")
    .filter(({ place }) => search.place === undefined || place === search.place);
  const back = search.from === "bars" ? { href: "/bars", text: "Bars" } : { href: "/wall", text: "Back" };
  if (here.length > MAX_BARS && search.place === undefined)
    return (
      <WherePicker places={[...new Set(here.flatMap(({ place }) => place ?? []))]} from={search.from} back={back} />
    );
  const shown = here.slice(0, MAX_BARS);
  const rules = await usageRules(
    context,
    shown.map(({ bar }) => bar.family),
  );
  return (
    <WhichBar
      bars={shown.map(({ bar, place }) => ({
        ...{ bar, place, findings: findings.get(bar.tag) ?? [] },
        use: usageCardOf(bar.family, rules(bar.family).own),
      }))}
      back={back}
    />
  );
}
