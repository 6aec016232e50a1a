import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { hallCoverage } from "@/server/matching";
import { keptBriefly, may, requestContext } from "@/server/access";
import { PageHead } from "@/ui/kit/PageHead";
import { CoverageSheet } from "@/ui/match/CoverageSheet";
import { readSearch, type SearchParams, wholeIn } from "@/ui/kit/search";
import { MatchNav } from "@/ui/match/MatchNav";

export const metadata: Metadata = { title: "Coverage" };

/** Bars side by side in one table. */
const A_PART = 40;

async function CoveragePage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const { bars, byLift, byBar, ...all } = await keptBriefly(context, "coverage", hallCoverage);
  const from = Math.min(wholeIn(search.from, 1_000_000) ?? 0, Math.max(0, bars.length - 1));
  const part = <T,>(list: readonly T[]) => list.slice(from, from + A_PART);
  return (
    <>
      <PageHead title="Coverage" about="what the bars in service can do">
        <MatchNav here="/match/coverage" />
      </PageHead>
      <CoverageSheet
        {...all}
        bars={part(bars)}
        total={bars.length}
        from={from}
        byLift={byLift.map((one) => ({ ...one, verdicts: part(one.verdicts) }))}
        byBar={byBar}
        demand={part(bars).flatMap(({ tag }) => byBar.find((one) => one.tag === tag) ?? [])}
        showsPeople={may(context, "lifter.read")}
      />
    </>
  );
}

export default inParts(CoveragePage);
