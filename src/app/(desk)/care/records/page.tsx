import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { barDetails } from "@/server/bars";
import { barCondition, careRecords, recordYears, rustAgainstCare } from "@/server/care/records";
import { storedCareRulesOf } from "@/server/care/planning";
import { keptBriefly, requestContext } from "@/server/access";
import { CareNav } from "@/ui/care/CareNav";
import { RecordsSheet } from "@/ui/care/RecordsSheet";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { readYear } from "./year";

export const metadata: Metadata = { title: "Records of care" };

async function RecordsPage({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  const year = readYear(search.year, context.clock.today);
  const [result, years, rust, shown] = await Promise.all([
    keptBriefly(context, `records ${year}`, (context) => careRecords(context, year)),
    recordYears(context),
    keptBriefly(context, "rust against care", rustAgainstCare),
    search.bar ? barDetails(context, search.bar) : null,
  ]);
  const condition = shown && (await barCondition(context, shown.id));
  return (
    <>
      <PageHead title="Records" about="what was done to each bar, how long it took, how its condition changed">
        <CareNav here="/care/records" />
      </PageHead>
      {result.ok ? (
        <RecordsSheet
          records={result.records}
          years={years}
          rust={rust}
          shown={
            condition && {
              tag: shown.bar.tag,
              name: shown.bar.name,
              condition,
              limits: (await storedCareRulesOf(context)).limits,
              today: context.clock.today,
            }
          }
        />
      ) : (
        <p role="alert" className="sheet p-6">
          {result.message}
        </p>
      )}
    </>
  );
}

export default inParts(RecordsPage);
