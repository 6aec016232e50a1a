import type { Metadata } from "next";
import { hallCoverage } from "@/server/matching";
import { may, requestContext } from "@/server/access";
import { PageHead } from "@/ui/kit/PageHead";
import { CoverageSheet } from "@/ui/match/CoverageSheet";
import { MatchNav } from "@/ui/match/MatchNav";

export const metadata: Metadata = { title: "Coverage" };

export default async function CoveragePage() {
  const context = await requestContext();
  return (
    <>
      <PageHead title="Coverage" about="what the bars in service can do">
        <MatchNav here="/match/coverage" />
      </PageHead>
      <CoverageSheet {...await hallCoverage(context)} showsPeople={may(context, "lifter.read")} />
    </>
  );
}
