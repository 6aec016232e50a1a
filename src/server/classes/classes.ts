import "server-only";
import { and, asc, desc, eq, getTableColumns, gte, isNotNull, isNull, sql } from "drizzle-orm";
import { type Bar, isUsable } from "@/core/bars/bar";
import { planBreaks, planWarnings } from "@/core/bars/fitness";
import type { ClassEntry, PlannedClass } from "@/core/classes/planClass";
import type { Purpose } from "@/core/matching/lifter";
import { matchBar } from "@/core/matching/match";
import type { Reason } from "@/core/matching/verdict";
import { rackSetting, rackWords } from "@/core/setups/rackHeight";
import { trimNumeric } from "@/data/barRecordRows";
import { classEntries, classes, lifters } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { openFindings } from "@/server/care/findings";
import { listStations, type StationRow } from "@/server/equipment";
import { type Outcome, forbidden, notFound, withTag } from "@/server/kit";
import { barUse, matchLifterOf } from "@/server/lifters";
import { allLifts, liftOf, meetingRules } from "@/server/lifts";
import { barsToday as barsNow } from "@/server/matching";
import { matchingRules } from "@/server/rules";

export type ClassRow = typeof classes.$inferSelect;

/** Classes, the coming ones first; for coach and manager. */
export async function listClasses(context: Context): Promise<ClassRow[]> {
  if (!may(context, "class.edit")) return [];
  return context.hall.rows(classes, { orderBy: [desc(classes.heldOn), desc(classes.startsAt)], limit: 50 });
}

/** Classes of today with entries and no plan; nothing for whoever may not see classes. */
export async function classesUnassigned(context: Context): Promise<ClassRow[]> {
  if (!may(context, "class.edit")) return [];
  return context.hall.rows(classes, {
    where: and(
      eq(classes.heldOn, context.clock.today),
      isNull(classes.plan),
      sql`exists (select 1 from ${classEntries} where ${classEntries.classId} = ${classes.id})`,
    ),
    orderBy: [asc(classes.startsAt)],
    limit: 10,
  });
}

export interface ClassItem {
  id: string;
  lifter: string;
  lifterName: string;
  lift: string;
  liftName: string;
  load: string;
  loadKg: number;
  purpose: Purpose;
  lockedBlock: number | null;
  lockedStation: string | null;
  lockedTag: string | null;
}

export interface ClassDetails {
  row: ClassRow;
  items: ClassItem[];
  plan: PlannedClass | null;
  /** Why each placed entry has its bar, for the coach's screen; by entry. */
  reasons: Map<string, Reason[]>;
  /** Where J-cups and safeties go, for the coach's screen; by entry. */
  settings: Map<string, string>;
  /** Bars that may be given to people, and those that the plan names. */
  bars: Bar[];
  /** What breaks the plan as its bars are now, by entry; empty while it holds. */
  breaks: Map<string, string[]>;
  /** What should be known of the plan's bars and breaks nothing. */
  warnings: string[];
}

/** A class of today or later whose plan no longer holds, with what breaks it. */
export interface BrokenClass {
  row: ClassRow;
  breaks: string[];
  people: string[];
}

/** Classes from today on that were assigned with what may not be lifted with any more; for whoever assigns. */
export async function classesBroken(context: Context): Promise<BrokenClass[]> {
  if (!may(context, "class.edit")) return [];
  const rows = await context.hall.rows(classes, {
    where: and(gte(classes.heldOn, context.clock.today), isNotNull(classes.plan)),
    orderBy: [asc(classes.heldOn), asc(classes.startsAt)],
    limit: 30,
  });
  if (rows.length === 0) return [];
  const [{ items: stations }, findings, rules] = [
    await listStations(context),
    await openFindings(context),
    await matchingRules(context),
  ];
  const found: BrokenClass[] = [];
  for (const row of rows) {
    const asked = await entriesOf(context, row);
    const { items } = asked;
    const { breaks } = breaksOf(asked, row.plan as PlannedClass, {
      stations,
      findings,
      marginMm: rules.rackMarginMm,
    });
    if (breaks.size === 0) continue;
    found.push({
      row,
      breaks: [...new Set([...breaks.values()].flat())],
      people: [...new Set(items.filter(({ id }) => breaks.has(id)).map(({ lifterName }) => lifterName))],
    });
  }
  return found;
}

/** A class with everything that a coach sees of it. */
export async function classDetails(context: Context, id: string): Promise<Outcome<{ details: ClassDetails }>> {
  if (!may(context, "class.edit")) return forbidden("see classes with their lifters");
  const { hall } = context;
  const row = /^[0-9a-f-]{36}$/.test(id) ? await hall.first(classes, { where: eq(classes.id, id) }) : null;
  if (!row) return notFound("such class");
  const asked = await entriesOf(context, row);
  const plan = row.plan as PlannedClass | null;
  const rules = await matchingRules(context);
  // That a bar of the class is in use is the class's own doing.
  const barsToday = new Map([...(await barsNow(context))].map(([tag, one]) => [tag, { ...one, takenAt: null }]));
  const reasons = new Map<string, Reason[]>();
  const settings = new Map<string, string>();
  const [{ items: stations }, found] = [await listStations(context), await openFindings(context)];
  const racks = new Map(stations.map((station) => [station.key, station]));
  const { breaks, warnings } = breaksOf(asked, plan, { stations, findings: found, marginMm: rules.rackMarginMm });
  for (const placed of plan?.entries ?? []) {
    const entry = asked.entries.find((one) => one.id === placed.id);
    const bar = asked.bars.find(({ tag }) => tag === placed.tag);
    if (!entry || !bar) continue;
    const { lifter, purpose } = entry;
    const options = { lifter, purpose, rules, today: context.clock.today, barsToday, stations };
    reasons.set(placed.id, matchBar(bar, entry.lift, entry.loadKg, options).reasons);
    const { kind, firstHoleMm = null, holePitchMm = null } = racks.get(placed.station ?? "") ?? {};
    if (kind !== "rack" || !lifter.build || firstHoleMm === null || holePitchMm === null) continue;
    const setting = rackSetting(lifter.build, bar, entry.lift, { firstHoleMm, holePitchMm });
    if (setting) settings.set(placed.id, rackWords(setting));
  }
  const planned = new Set(plan?.entries.map(({ tag }) => tag));
  const bars = asked.wall.filter((bar) => isUsable(bar.state) || planned.has(bar.tag));
  return {
    ok: true,
    details: { row, items: asked.items, plan, reasons, settings, bars, breaks, warnings },
  };
}

/** What breaks a plan as its bars are now, by entry, and what should be known of its bars. */
function breaksOf(
  { entries, wall }: Pick<Awaited<ReturnType<typeof entriesOf>>, "entries" | "wall">,
  plan: PlannedClass | null,
  gym: { stations: readonly StationRow[]; findings: ReadonlyMap<string, string[]>; marginMm: number },
): { breaks: Map<string, string[]>; warnings: string[] } {
  const [breaks, warnings] = [new Map<string, string[]>(), new Set<string>()];
  for (const { id, tag, station } of plan?.entries ?? []) {
    const entry = entries.find((one) => one.id === id);
    if (!entry || tag === null) continue;
    const bar = wall.find((one) => one.tag === tag);
    const own = bar
      ? planBreaks(bar, {
          totalKg: entry.loadKg,
          station: gym.stations.find(({ key }) => key === station) ?? null,
          stations: gym.stations,
          marginMm: gym.marginMm,
        })
      : [`${tag} is retired or no longer here.`];
    if (own.length > 0) breaks.set(id, own);
    else for (const text of planWarnings(bar!, gym.findings.get(tag) ?? [])) warnings.add(text);
  }
  return { breaks, warnings: [...warnings] };
}

/** What a class asks: its entries for the screen and for the assignment, and the bars there are. */
export async function entriesOf(context: Context, row: ClassRow) {
  const { hall } = context;
  const [asked, liftRows, wall, meetings, used] = await Promise.all([
    hall.rowsWith(
      classEntries,
      {
        person: { table: lifters, on: eq(lifters.id, classEntries.lifterId), columns: getTableColumns(lifters) },
        locked: withTag(classEntries.lockedBarId),
      },
      { where: eq(classEntries.classId, row.id), orderBy: [asc(lifters.name), asc(classEntries.id)] },
    ),
    allLifts(context),
    barsOnTheWall(context),
    meetingRules(context),
    barUse(context),
  ]);
  const lifts = new Map(liftRows.map((lift) => [lift.key, liftOf(lift)]));
  const known = asked
    .flatMap(({ row: entry, person, locked }) => {
      const lift = lifts.get(entry.liftKey);
      return person && lift ? [{ entry, person, lift, tag: locked?.tag ?? null }] : [];
    })
    // As people's names sort here, whatever the database's collation says.
    .sort((a, b) => (a.person.name < b.person.name ? -1 : a.person.name > b.person.name ? 1 : 0));
  return {
    wall: wall.map(({ bar }) => bar),
    bars: wall.map(({ bar }) => bar).filter(({ state }) => isUsable(state)),
    placeOf: new Map(wall.map(({ bar, place }) => [bar.tag, place])),
    items: known.map(({ entry, person, lift, tag }): ClassItem => ({
      id: entry.id,
      lifter: person.key,
      lifterName: person.name,
      lift: lift.key,
      liftName: lift.name,
      load: `${trimNumeric(entry.loadValue)} ${entry.loadUnit}`,
      loadKg: entry.loadKg,
      purpose: entry.purpose,
      lockedBlock: entry.lockedBlock,
      lockedStation: entry.lockedStation,
      lockedTag: tag,
    })),
    entries: known.map(({ entry, person, lift, tag }): ClassEntry => ({
      id: entry.id,
      person: person.id,
      personName: person.name,
      lift,
      loadKg: entry.loadKg,
      lifter: matchLifterOf(person, lift, {
        today: context.clock.today,
        rules: meetings,
        used: used.get(person.id),
      }),
      purpose: entry.purpose,
      block: entry.lockedBlock === null ? null : entry.lockedBlock - 1,
      station: entry.lockedStation,
      tag,
    })),
  };
}
