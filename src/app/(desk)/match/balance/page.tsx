import type { Metadata } from "next";
import { readBalance } from "@/core/balance/balanceState";
import { matchingRules } from "@/server/rules";
import { buildOf, listLifters } from "@/server/lifters";
import { requestContext } from "@/server/access";
import { BalanceSheet } from "@/ui/balance/BalanceSheet";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { MatchNav } from "@/ui/match/MatchNav";

export const metadata: Metadata = { title: "Balance" };

export default async function BalancePage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const [lifters, rules] = await Promise.all([listLifters(context), matchingRules(context)]);
  const withBuild = lifters.flatMap((row) => {
    const build = buildOf(row);
    return build ? [{ key: row.key, name: row.name, build }] : [];
  });
  const start = readBalance(search);
  const asked = withBuild.find(({ key }) => key === search.lifter);
  return (
    <>
      <PageHead title="Balance" about="lifter, bar and load from the side, over the feet">
        <MatchNav here="/match/balance" />
      </PageHead>
      <BalanceSheet
        start={asked ? { ...start, build: asked.build } : start}
        lifters={withBuild}
        handTorqueNm={rules.handTorqueNm}
      />
    </>
  );
}
