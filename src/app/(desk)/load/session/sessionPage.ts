import { isUsable } from "@/core/bars/bar";
import { barsOnTheWall } from "@/server/bars";
import { listClamps, listStations } from "@/server/equipment";
import { allLifts } from "@/server/lifts";
import { type SessionWish, planRun, sessionSettings } from "@/server/loading";
import type { Context } from "@/server/access";
import { readSessionAsk } from "@/ui/load/sessionAsk";

/** What a session's address asks for: the bar, what goes with it, and the wish for its plan. Null while there is no bar. */
export async function askedSession(context: Context, search: Record<string, string | undefined>) {
  const ask = readSessionAsk(search);
  const [wall, clamps, { items: stations }, lifts] = await Promise.all([
    barsOnTheWall(context),
    listClamps(context),
    listStations(context),
    allLifts(context),
  ]);
  const named = wall.find(({ bar }) => bar.tag === ask.bar);
  const item = named ?? wall.find(({ bar }) => bar.family === "power" && bar.state === "in-service") ?? wall[0];
  if (!item) return null;
  const clamp = ask.clamps === "none" ? null : (clamps.find(({ key }) => key === ask.clamps) ?? clamps[0] ?? null);
  const racks = stations.filter(({ supportSpacingMm }) => supportSpacingMm !== null);
  const station = stations.find(({ key }) => key === ask.at) ?? null;
  const { lifterIds, ...settings } = await sessionSettings(context, {
    tag: item.bar.tag,
    liftKey: ask.lift || null,
    station,
    names: ask.lifters.map(({ name }) => name),
  });
  const wish: SessionWish = { ...ask, ...settings, clamps: clamp, station };
  return {
    ask,
    wall,
    item,
    isNamed: named !== undefined,
    clamp,
    clamps,
    racks,
    stations,
    station,
    lifts,
    wish,
    lifterIds,
  };
}

/** What the session page shows for an address; null while the hall has no bar. */
export async function sessionOf(context: Context, search: Record<string, string | undefined>) {
  const asked = await askedSession(context, search);
  if (!asked) return null;
  const { ask, wall, item, isNamed, wish } = asked;
  const result = ask.lifters.length === 0 ? null : await planRun(context, item, wish);
  return {
    ...asked,
    bars: wall
      .filter(({ bar }) => isUsable(bar.state) || bar.tag === item.bar.tag)
      .map(({ bar }) => ({ tag: bar.tag, name: bar.name })),
    run: result?.ok ? result.run : null,
    problems: [
      ...ask.problems,
      ...(ask.bar && !isNamed ? [`There is no bar ${ask.bar} on the wall; this is ${item.bar.tag}.`] : []),
      ...(result && !result.ok ? [result.message] : []),
    ],
  };
}
