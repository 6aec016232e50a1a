import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { requestContext } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { listLifters } from "@/server/lifters";
import { allLifts } from "@/server/lifts";
import { gymLog } from "@/server/logbook";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { GymLogSheet } from "@/ui/strength/GymLogSheet";
import { LOG_SPANS } from "@/ui/strength/logSpans";

export const metadata: Metadata = { title: "Logbook" };

async function LogbookPage({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  const days = LOG_SPANS.find(([count]) => String(count) === search.days)?.[0] ?? 28;
  const asked = { lifter: search.lifter ?? "", lift: search.lift ?? "", bar: search.bar ?? "" };
  const [log, lifters, lifts, wall] = await Promise.all([
    gymLog(context, { days, lifterKey: asked.lifter, liftKey: asked.lift, tag: asked.bar }),
    listLifters(context),
    allLifts(context),
    barsOnTheWall(context),
  ]);
  return (
    <>
      <PageHead title="Logbook" about="what was lifted here, by whom and on which bar" />
      {log === null ? (
        <p className="sheet p-6">Your role may not read what others lift.</p>
      ) : (
        <GymLogSheet
          {...{ log, days, asked }}
          lifters={lifters.map(({ key, name }) => ({ key, name }))}
          lifts={lifts.map(({ key, name }) => ({ key, name }))}
          tags={wall.map(({ bar }) => bar.tag)}
        />
      )}
    </>
  );
}

export default inParts(LogbookPage);
