import "server-only";
import { settingWords } from "@/core/setups/setupOptions";
import type { Context } from "@/server/access";
import type { StationRow } from "@/server/equipment";
import { type LifterRow, buildOf, listLifters } from "@/server/lifters";
import { allLifts, liftOf } from "@/server/lifts";
import { barToSet, currentSettings, stationHolesOfEach } from "@/server/setups";
import type { LifterSetting } from "./planRun";

export interface SessionSettings {
  /** By the name as it was typed. */
  settings: Map<string, LifterSetting>;
  lifterIds: Record<string, string>;
  changesSetupEmpty: boolean;
}

/**
 * How a bar is set for everybody who shares it, and where its J-cups go: what was kept for lifter, bar and lift, else
 * the rule for the hole. Names that are no lifter of the hall's, or stand for more than one, set nothing.
 */
export async function sessionSettings(
  context: Context,
  ask: { tag: string; liftKey: string | null; station: StationRow | null; names: readonly string[] },
): Promise<SessionSettings> {
  const [people, set, lifts] = await Promise.all([listLifters(context), barToSet(context, ask.tag), allLifts(context)]);
  const changesSetupEmpty = set?.chart?.changesEmptyOnly ?? false;
  const liftRow = lifts.find(({ key }) => key === ask.liftKey);
  const found = ask.names.flatMap((name) => {
    const lifter = lifterNamed(people, name);
    return lifter ? [{ name, lifter }] : [];
  });
  const lifterIds = Object.fromEntries(found.map(({ name, lifter }) => [name, lifter.id]));
  if (!set || !liftRow) return { settings: new Map(), lifterIds, changesSetupEmpty };
  const lift = liftOf(liftRow);
  const ids = found.map(({ lifter }) => lifter.id);
  const kept = await currentSettings(context, ids, set.id, lift.key);
  const holes = await stationHolesOfEach(
    context,
    set,
    lift,
    found.map(({ lifter }) => ({
      setting: kept.get(lifter.id)?.setting ?? set.present ?? {},
      build: buildOf(lifter),
      lifterId: lifter.id,
    })),
  );
  const settings = new Map<string, LifterSetting>();
  for (const [i, { name, lifter }] of found.entries()) {
    const own = kept.get(lifter.id);
    const words = own ? settingWords(set.options, own.setting) : "";
    const isHere = own !== undefined && own.stationKey !== null && own.stationKey === ask.station?.key;
    const byRule = ask.station ? holes[i]!.find(({ key }) => key === ask.station!.key)?.hole : undefined;
    const cup = (isHere ? own.jCupHole : null) ?? byRule ?? null;
    if (words || cup !== null) settings.set(name, { setup: words || null, cup });
  }
  return { settings, lifterIds, changesSetupEmpty };
}

/** The lifter that a name stands for: short name, whole name, or a first name that only one has. */
export function lifterNamed(people: readonly LifterRow[], name: string): LifterRow | null {
  const said = name.trim().toLowerCase();
  const whole = people.find((row) => row.key === said || row.name.toLowerCase() === said);
  if (whole) return whole;
  const first = people.filter((row) => row.name.toLowerCase().split(" ")[0] === said);
  return first.length === 1 ? first[0]! : null;
}
