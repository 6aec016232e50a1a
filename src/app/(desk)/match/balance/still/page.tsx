import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { carryOn } from "@/core/balance/carryOn";
import { isUsable, valueOf } from "@/core/bars/bar";
import { readWallQuery } from "@/core/bars/wallQuery";
import { settingsOf } from "@/core/setups/armChart";
import { carryAt } from "@/core/setups/armSettings";
import { may, requestContext } from "@/server/access";
import { wallBars } from "@/server/bars";
import { barsToSet, liftersToSet } from "@/server/setups";
import { sideViewsOf } from "@/server/sideview";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import type { StillBar } from "@/ui/sideview/stillProps";
import { StillSheet } from "@/ui/sideview/StillSheet";
import { deleteStillAction } from "./actions";

export const metadata: Metadata = { title: "Still against the model" };

/** Lifts that a side view of legs and trunk says something about. */
const LIFTS = [
  ["back-squat-high", "back squat, high bar"],
  ["back-squat-low", "back squat, low bar"],
  ["front-squat", "front squat"],
  ["good-morning", "good morning"],
] as const;
const MAX_BARS = 300;

async function StillPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const lift = LIFTS.find(([key]) => key === search.lift)?.[0] ?? "back-squat-high";
  const [people, wall, set] = await Promise.all([
    liftersToSet(context),
    wallBars(context, readWallQuery({}), { count: MAX_BARS }),
    barsToSet(context),
  ]);
  const charts = new Map(set.map(({ bar, chart }) => [bar.tag, chart]));
  const bars = wall.items.flatMap(({ bar }): StillBar[] => {
    const carried = isUsable(bar.state) ? carryOn(bar, lift) : null;
    if (!carried) return [];
    const chart = charts.get(bar.tag);
    return [
      {
        ...{ tag: bar.tag, name: bar.name, massKg: valueOf(bar, "mass") ?? 20 },
        ...{ contactShare: carried.contactShare, carry: carried.carry },
        settings:
          chart?.kind === "arm"
            ? settingsOf(chart).map((one) => ({ words: `mark ${one.mark}, pin ${one.pin}`, carry: carryAt(one) }))
            : [],
      },
    ];
  });
  const lifters = people.flatMap(({ row, build }) =>
    build ? [{ key: row.key, name: row.name, build, id: row.id }] : [],
  );
  const lifter = lifters.find(({ key }) => key === search.lifter) ?? null;
  return (
    <>
      <PageHead title="Still against the model" about="a picture from the side, marked by hand">
        <Link href="/match/balance" className="inline-flex min-h-11 items-center text-sm hover:underline">
          Balance
        </Link>
      </PageHead>
      <StillSheet
        key={`${lifter?.key} ${lift}`}
        lifters={lifters.map(({ key, name, build }) => ({ key, name, build }))}
        lifter={lifter?.key ?? null}
        bars={bars}
        asked={{ lift, tag: search.bar ?? null, setting: search.setting ?? null, load: search.load ?? null }}
        lifts={LIFTS}
        saved={lifter ? await sideViewsOf(context, lifter.id) : []}
        today={context.clock.today}
        maySave={may(context, "lifter.edit")}
        deleteAction={deleteStillAction}
      />
    </>
  );
}

export default inParts(StillPage);
