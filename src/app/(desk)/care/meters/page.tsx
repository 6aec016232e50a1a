import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { careMeters, storedCareRulesOf } from "@/server/care/planning";
import { keepCareCurrent } from "@/server/upkeep";
import { keptBriefly, may, requestContext } from "@/server/access";
import { CareNav } from "@/ui/care/CareNav";
import { MeterSheet } from "@/ui/care/MeterSheet";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams, wholeIn } from "@/ui/kit/search";
import { careRulesAction, factorsAction } from "../actions";

export const metadata: Metadata = { title: "Meters" };

async function MetersPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  await keepCareCurrent(context);
  const asked = wholeIn(search.from, 1_000_000) ?? 0;
  const [{ items, total, from }, rules] = await Promise.all([
    keptBriefly(context, `meters ${asked}`, (context) => careMeters(context, { from: asked })),
    storedCareRulesOf(context),
  ]);
  return (
    <>
      <PageHead title="Meters" about="how much care each bar needs, and why">
        <CareNav here="/care/meters" />
      </PageHead>
      <MeterSheet
        items={items}
        total={total}
        from={from}
        rules={rules}
        today={context.clock.today}
        mayRule={may(context, "rule.edit")}
        mayEdit={may(context, "bar.edit")}
        rulesAction={careRulesAction}
        factorsAction={factorsAction}
      />
    </>
  );
}

export default inParts(MetersPage);
