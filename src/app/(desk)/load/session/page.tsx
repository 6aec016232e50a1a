import type { Metadata } from "next";
import { isUsable } from "@/core/bars/bar";
import { barsOnTheWall } from "@/server/bars";
import { listClamps, listStations } from "@/server/equipment";
import { planRun } from "@/server/sessionPlanning";
import { whoIsAsking } from "@/server/who";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { readRunState } from "@/ui/load/runState";
import { SessionSheet } from "@/ui/load/SessionSheet";

export const metadata: Metadata = { title: "Ladders and sessions" };

export default async function SessionPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await whoIsAsking();
  const state = readRunState(await readSearch(searchParams));
  const [wall, clamps, { items: stations }] = await Promise.all([
    barsOnTheWall(who),
    listClamps(who),
    listStations(who),
  ]);
  const named = wall.find(({ bar }) => bar.tag === state.bar);
  const item = named ?? wall.find(({ bar }) => bar.family === "power" && bar.state === "in-service") ?? wall[0];
  if (!item) return <p className="sheet p-6">There is no bar yet to load.</p>;
  const clamp = state.clamps === "none" ? null : (clamps.find(({ key }) => key === state.clamps) ?? clamps[0] ?? null);
  const racks = stations.filter(({ supportSpacingMm }) => supportSpacingMm !== null);
  const result =
    state.lifters.length === 0
      ? null
      : await planRun(who, item, {
          ...state,
          clamps: clamp,
          station: racks.find(({ key }) => key === state.at) ?? null,
        });
  return (
    <SessionSheet
      bars={wall
        .filter(({ bar }) => isUsable(bar.state) || bar.tag === item.bar.tag)
        .map(({ bar }) => ({ tag: bar.tag, name: bar.name }))}
      bar={item.bar}
      clamps={clamps}
      clampKey={clamp?.key ?? "none"}
      stations={racks.map(({ key, name }) => ({ key, name }))}
      state={state}
      run={result?.ok ? result.run : null}
      problems={[
        ...state.problems,
        ...(state.bar && !named ? [`There is no bar ${state.bar} on the wall; this is ${item.bar.tag}.`] : []),
        ...(result && !result.ok ? [result.message] : []),
      ]}
    />
  );
}
