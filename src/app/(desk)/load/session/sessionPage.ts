import { isUsable } from "@/core/bars/bar";
import { barsOnTheWall } from "@/server/bars";
import { listClamps, listStations } from "@/server/equipment";
import { planRun } from "@/server/sessionPlanning";
import type { Who } from "@/server/who";
import { readRunState } from "@/ui/load/runState";

/** What the session and its run sheet show for an address; null while the hall has no bar. */
export async function sessionOf(who: Who, search: Record<string, string | undefined>) {
  const state = readRunState(search);
  const [wall, clamps, { items: stations }] = await Promise.all([
    barsOnTheWall(who),
    listClamps(who),
    listStations(who),
  ]);
  const named = wall.find(({ bar }) => bar.tag === state.bar);
  const item = named ?? wall.find(({ bar }) => bar.family === "power" && bar.state === "in-service") ?? wall[0];
  if (!item) return null;
  const clamp = state.clamps === "none" ? null : (clamps.find(({ key }) => key === state.clamps) ?? clamps[0] ?? null);
  const racks = stations.filter(({ supportSpacingMm }) => supportSpacingMm !== null);
  const station = racks.find(({ key }) => key === state.at) ?? null;
  const result = state.lifters.length === 0 ? null : await planRun(who, item, { ...state, clamps: clamp, station });
  return {
    state,
    item,
    clamp,
    clamps,
    racks,
    station,
    bars: wall
      .filter(({ bar }) => isUsable(bar.state) || bar.tag === item.bar.tag)
      .map(({ bar }) => ({ tag: bar.tag, name: bar.name })),
    run: result?.ok ? result.run : null,
    problems: [
      ...state.problems,
      ...(state.bar && !named ? [`There is no bar ${state.bar} on the wall; this is ${item.bar.tag}.`] : []),
      ...(result && !result.ok ? [result.message] : []),
    ],
  };
}
