import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { carryOn } from "@/core/balance/carryOn";
import { MAX_CARRIES, readBalance } from "@/core/balance/balanceState";
import { barsByTag } from "@/server/bars";
import { matchingRules } from "@/server/rules";
import { buildOf, listLifters } from "@/server/lifters";
import { requestContext } from "@/server/access";
import { BalanceSheet } from "@/ui/balance/BalanceSheet";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { href, readSearch, type SearchParams } from "@/ui/kit/search";
import { MatchNav } from "@/ui/match/MatchNav";

export const metadata: Metadata = { title: "Balance" };

async function BalancePage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const [lifters, rules] = await Promise.all([listLifters(context), matchingRules(context)]);
  const withBuild = lifters.flatMap((row) => {
    const build = buildOf(row);
    return build ? [{ key: row.key, name: row.name, build }] : [];
  });
  const read = readBalance(search);
  // Arriving from a bar, its own camber stands first.
  const item = search.bar ? (await barsByTag(context, [search.bar]))[0] : undefined;
  const carried = item && !search.c ? carryOn(item.bar, search.lift ?? "back-squat-high") : null;
  const start = carried
    ? { ...read, carries: [carried, ...read.carries.filter(({ key }) => key !== carried.key)].slice(0, MAX_CARRIES) }
    : read;
  const asked = withBuild.find(({ key }) => key === search.lifter);
  return (
    <>
      <PageHead title="Balance" about="lifter, bar and load from the side, over the feet">
        <MatchNav here="/match/balance" />
        <Link
          href={href("/match/balance/still", { lifter: search.lifter, bar: search.bar, load: search.load })}
          className="btn btn-sm btn-outline"
        >
          Against a still
        </Link>
      </PageHead>
      <BalanceSheet
        start={asked ? { ...start, build: asked.build } : start}
        who={asked?.name ?? null}
        lifters={withBuild}
        handTorqueNm={rules.handTorqueNm}
      />
    </>
  );
}

export default inParts(BalancePage);
