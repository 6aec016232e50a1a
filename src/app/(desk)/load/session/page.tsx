import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { may, requestContext } from "@/server/access";
import { listRuns } from "@/server/loading";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { SessionSheet } from "@/ui/load/SessionSheet";
import { beginAction, endAction } from "./actions";
import { sessionOf } from "./sessionPage";

export const metadata: Metadata = { title: "Warm-ups and sessions" };

async function SessionPage({ searchParams }: { searchParams: SearchParams }) {
  const search = await readSearch(searchParams);
  const context = await requestContext();
  const session = await sessionOf(context, search);
  if (!session) return <p className="sheet p-6">No bars to load yet.</p>;
  const { bars, item, clamps, clamp, stations, lifts, ask, run, problems } = session;
  const running = (await listRuns(context)).filter(({ isOver }) => !isOver);
  const places = new Map(stations.map(({ key, name }) => [key, name]));
  return (
    <SessionSheet
      bars={bars}
      bar={item.bar}
      clamps={clamps}
      clampKey={clamp?.key ?? "none"}
      stations={stations.map(({ key, name }) => ({ key, name }))}
      lifts={lifts.map(({ key, name }) => ({ key, name }))}
      ask={ask}
      run={run}
      problems={problems}
      mayRun={may(context, "session.run")}
      running={running.map(({ row, tag, by }) => ({
        id: row.id,
        tag,
        where: row.stationKey ? (places.get(row.stationKey) ?? null) : null,
        by,
        done: row.state.sets.filter(({ state }) => state !== "open").length,
        sets: row.state.sets.length,
      }))}
      search={search}
      beginAction={beginAction}
      endAction={endAction}
    />
  );
}

export default inParts(SessionPage);
