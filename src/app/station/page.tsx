import type { Metadata } from "next";
import { listStations } from "@/server/equipment";
import { listRuns } from "@/server/loading";
import { may, requestContext } from "@/server/access";
import { StationScreen } from "@/ui/load/StationScreen";

export const metadata: Metadata = { title: "Run sheets" };

export default async function StationPage() {
  const context = await requestContext();
  const runs = may(context, "session.run") ? (await listRuns(context)).filter(({ isOver }) => !isOver) : [];
  const { items: stations } = await listStations(context);
  const places = new Map(stations.map(({ key, name }) => [key, name]));
  return (
    <StationScreen
      hallName={context.actor.hallName}
      isDemo={context.actor.isDemo}
      runs={runs.map(({ row, tag, by }) => ({
        id: row.id,
        tag,
        where: row.stationKey ? (places.get(row.stationKey) ?? null) : null,
        by,
        done: row.state.sets.filter(({ state }) => state !== "open").length,
        sets: row.state.sets.length,
      }))}
    />
  );
}
