import { isUsable } from "@/core/bars/bar";
import { barsOnTheWall, type ListedBar } from "@/server/bars";
import { listClamps, listStations } from "@/server/equipment";
import { allLifts } from "@/server/lifts";
import { lifterNamed, loadable, type SessionWish, planRun, sessionSettings } from "@/server/loading";
import { listLifters } from "@/server/lifters";
import type { Context } from "@/server/access";
import { expecting } from "@/server/logbook";
import { MAX_LIFTERS, noLoad, readSessionAsk, type SessionAsk } from "@/ui/load/sessionAsk";

/** What a session's address asks for: the bar, what goes with it, and the wish for its plan. Null while there is no bar. */
export async function askedSession(context: Context, search: Record<string, string | undefined>) {
  const read = readSessionAsk(search);
  const [wall, clamps, { items: stations }, lifts] = await Promise.all([
    barsOnTheWall(context),
    listClamps(context),
    listStations(context),
    allLifts(context),
  ]);
  const named = wall.find(({ bar }) => bar.tag === read.bar);
  const item = named ?? wall.find(({ bar }) => bar.family === "power" && bar.state === "in-service") ?? wall[0];
  if (!item) return null;
  const ask = await withLoads(context, read, item);
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

/** Repetitions left in the sets that somebody starts with. */
const START_RESERVE = 2;

/** Names without a load start with what their log says of this lift on this bar, as far as the plates can do it. */
async function withLoads(context: Context, ask: SessionAsk, { id: barId, bar }: ListedBar): Promise<SessionAsk> {
  if (ask.unloaded.length === 0 || ask.lift === "") return ask;
  const people = await listLifters(context);
  const found = ask.unloaded.flatMap((one) => {
    const lifter = lifterNamed(people, one.name);
    return lifter ? [{ ...one, lifter }] : [];
  });
  const expected = await expecting(
    context,
    found.map(({ lifter }) => lifter.id),
    ask.lift,
  );
  const round = await loadable(context);
  const lifters = [...ask.lifters];
  const known = new Set<string>();
  for (const { at, name, repetitions, lifter } of found) {
    const load = expected.of(lifter.id, {
      ...{ barId, family: bar.family, setting: "", handsHelped: false },
      ...{ repetitions: repetitions ?? ask.repetitions, reserve: START_RESERVE },
    });
    const workKg = load && round(bar, load.value);
    if (workKg === null) continue;
    known.add(name);
    lifters.splice(at, 0, { name, workKg, ...(repetitions === undefined ? {} : { repetitions }) });
  }
  return {
    ...ask,
    lifters: lifters.slice(0, MAX_LIFTERS),
    problems: ask.problems.filter((problem) => ![...known].some((name) => problem === noLoad(name))),
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
