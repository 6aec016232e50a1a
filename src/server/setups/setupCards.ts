import "server-only";
import { and, eq, inArray, isNull } from "drizzle-orm";
import type { Build } from "@/core/balance/body";
import { planBreaks, planWarnings } from "@/core/bars/fitness";
import { carriedSheet, frameSheet } from "@/core/drawing/setupSheet";
import type { SvgSheet } from "@/core/drawing/svgText";
import type { Lift } from "@/core/matching/lifts";
import { barAtSetting } from "@/core/setups/barAtSetting";
import { rackSetting } from "@/core/setups/rackHeight";
import { type CardAsk, type SetupCard, frameAnswerOf, setupCard } from "@/core/setups/setupCard";
import { isSameSetting } from "@/core/setups/setupOptions";
import { daysBetween, hallDayAt } from "@/core/units/hallDay";
import { inMany } from "@/data/inMany";
import { bars, lifterBars, lifterSettings, lifters, stations } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { openFindings } from "@/server/care/findings";
import { buildOf } from "@/server/lifters";
import { matchingRules } from "@/server/rules";
import { type SetBar, type SettingRow, setBarsById, liftsToSet } from "./setBars";
import { usualKgOf } from "./setupChanges";

/** A setup card with all that is printed or shown of it. */
export interface CardPage {
  id: string;
  /** What the QR code opens. */
  address: string;
  set: SetBar;
  lifterName: string;
  lifterKey: string;
  liftKey: string;
  liftName: string;
  card: SetupCard;
  drawing: SvgSheet;
  note: string | null;
  keptOn: string;
  /** What it was made for, as it was kept: total on the bar in kg, largest plate in mm, and the rack. */
  totalKg: number;
  plateMm: number | null;
  rack: string | null;
  /** A newer setting replaced this one: its id. */
  replacedBy: string | null;
  /** The bar was calibrated again since. */
  isOld: boolean;
  /** How the bar stands now against this setting; null when nobody noted how it stands. */
  standsLikeThis: boolean | null;
}

/** Where the live page of a card is; what QR codes carry. */
const cardAddress = ({ publicUrl }: Context, id: string) => `${publicUrl}/setups/card/${id}`;

/** What a setting is looked at with when the lifter's usual load is not known, in kg. */
const UNKNOWN_LOAD_KG = 60;

/** One card; null when there is none or who asks may not see it. A lifter may see their own. */
export async function cardPage(context: Context, id: string): Promise<CardPage | null> {
  if (!/^[0-9a-f-]{36}$/.test(id)) return null;
  const row = await context.hall.first(lifterSettings, { where: eq(lifterSettings.id, id) });
  return row ? ((await cardsOf(context, [row]))[0] ?? null) : null;
}

/** The current cards of a bar or a lifter, for a sheet. */
export async function cardPages(context: Context, ask: { tag?: string; lifter?: string }): Promise<CardPage[]> {
  if (!may(context, "lifter.read")) return [];
  const { hall } = context;
  const bar = ask.tag ? await hall.first(bars, { where: eq(bars.tag, ask.tag) }) : null;
  const lifter = ask.lifter ? await hall.first(lifters, { where: eq(lifters.key, ask.lifter) }) : null;
  if ((ask.tag && !bar) || (ask.lifter && !lifter)) return [];
  const rows = await hall.rows(lifterSettings, {
    where: and(
      isNull(lifterSettings.replacedAt),
      bar ? eq(lifterSettings.barId, bar.id) : undefined,
      lifter ? eq(lifterSettings.lifterId, lifter.id) : undefined,
    ),
    limit: 80,
  });
  return (await cardsOf(context, rows)).sort((a, b) =>
    a.set.bar.tag + a.lifterName < b.set.bar.tag + b.lifterName ? -1 : 1,
  );
}

/** What cards say beside their own rows, read once for all of them. */
async function knownOfCards(context: Context, rows: readonly SettingRow[]) {
  const { hall } = context;
  const barIds = [...new Set(rows.map(({ barId }) => barId))];
  const lifterIds = [...new Set(rows.map(({ lifterId }) => lifterId))];
  const ofThese = and(inArray(lifterSettings.lifterId, lifterIds), inArray(lifterSettings.barId, barIds));
  const [people, sets, lifts, rules, stationRows, findings, uses, current] = await Promise.all([
    hall.rows(lifters, { where: inArray(lifters.id, lifterIds) }),
    setBarsById(context, barIds),
    liftsToSet(context),
    matchingRules(context),
    hall.rows(stations),
    openFindings(context),
    hall.rows(lifterBars, {
      where: and(inArray(lifterBars.lifterId, lifterIds), inArray(lifterBars.barId, barIds)),
    }),
    rows.some(({ replacedAt }) => replacedAt)
      ? hall.rows(lifterSettings, { where: and(ofThese, isNull(lifterSettings.replacedAt)) })
      : [],
  ]);
  return {
    lifts,
    rules,
    findings,
    gym: stationRows,
    lifterOf: (id: string) => people.find((one) => one.id === id),
    setOf: (id: string) => sets.find((one) => one.id === id),
    stationOf: (key: string | null) => stationRows.find((one) => one.key === key) ?? null,
    useOf: ({ lifterId, barId }: SettingRow) =>
      uses.find((one) => one.lifterId === lifterId && one.barId === barId) ?? null,
    newerThan: ({ lifterId, barId, liftKey }: SettingRow) =>
      current.find((one) => one.lifterId === lifterId && one.barId === barId && one.liftKey === liftKey) ?? null,
  };
}

/** Cards of those rows that the one who asks may see: a lifter may see their own. */
async function cardsOf(context: Context, rows: readonly SettingRow[]): Promise<CardPage[]> {
  if (rows.length === 0) return [];
  const known = await knownOfCards(context, rows);
  return rows.flatMap((row) => cardOf(context, row, known) ?? []);
}

function cardOf(context: Context, row: SettingRow, known: Awaited<ReturnType<typeof knownOfCards>>): CardPage | null {
  const [lifter, set] = [known.lifterOf(row.lifterId), known.setOf(row.barId)];
  if (!lifter || lifter.retiredAt || !set) return null;
  if (!(may(context, "lifter.read") || lifter.personId === context.actor.personId)) return null;
  const { lifts, rules } = known;
  const [station, use, newer] = [known.stationOf(row.stationKey), known.useOf(row), known.newerThan(row)];
  const lift = lifts.find(({ key }) => key === row.liftKey);
  const build = buildOf(lifter);
  // Cards of earlier versions do not say what they were made for.
  const totalKg = row.loadKg ?? usualKgOf(lifter.usualLoads, row.liftKey) ?? UNKNOWN_LOAD_KG;
  const ask: CardAsk = {
    bar: set.bar,
    chart: set.chart,
    options: set.options,
    setting: row.setting,
    like: lift?.like ?? null,
    build,
    totalKg,
    handTorqueNm: rules.handTorqueNm,
    holes: station && {
      station: station.name,
      jCup: row.jCupHole,
      ...(row.safetyHole !== null || row.loadKg !== null
        ? { safety: row.safetyHole }
        : safetyByRule(set, row, lift, build, station)),
    },
    ...(row.plateMm === null
      ? {}
      : { frame: { plateDiameterMm: row.plateMm, kneesMm: null, rackMm: row.rackMm ?? null } }),
    isNew: !use || daysBetween(use.firstUsedOn, context.clock.today) < rules.newBarWeeks * 7,
  };
  return {
    id: row.id,
    address: cardAddress(context, row.id),
    set,
    lifterName: lifter.name,
    lifterKey: lifter.key,
    liftKey: row.liftKey,
    liftName: lift?.name ?? row.liftKey,
    card: withState(setupCard(ask), set, known, { totalKg, station }),
    drawing: settingSheet(ask),
    note: row.note,
    keptOn: hallDayAt(row.keptAt, context.actor.timeZone),
    totalKg,
    plateMm: row.plateMm,
    rack: station?.name ?? null,
    replacedBy: row.replacedAt ? (newer?.id ?? null) : null,
    isOld: row.chartVersion !== set.chartVersion,
    standsLikeThis: set.present ? isSameSetting(set.options, set.present, row.setting) : null,
  };
}

/** A card of a bar that may not be lifted with says so before everything else, and what should be known of it. */
function withState(
  card: SetupCard,
  { bar }: SetBar,
  { gym, rules, findings }: Awaited<ReturnType<typeof knownOfCards>>,
  { totalKg, station }: { totalKg: number; station: typeof stations.$inferSelect | null },
): SetupCard {
  const breaks = planBreaks(bar, { totalKg, station, stations: gym, marginMm: rules.rackMarginMm });
  return {
    ...card,
    refusals: [...breaks, ...card.refusals],
    first: [...planWarnings(bar, findings.get(bar.tag) ?? []), ...card.first],
  };
}

/** Where the rule puts the safeties when none were kept; nothing where it says nothing. */
function safetyByRule(
  set: SetBar,
  row: SettingRow,
  lift: Lift | undefined,
  build: Build | null,
  { kind, firstHoleMm, holePitchMm }: typeof stations.$inferSelect,
): { safety?: number | null } {
  if (kind !== "rack" || !lift || !build || firstHoleMm === null || holePitchMm === null) return {};
  const found = rackSetting(build, barAtSetting(set.bar, set.chart, row.setting), lift, { firstHoleMm, holePitchMm });
  return found ? { safety: found.safetyHole } : {};
}

/** The drawing of a bar at a setting. */
export function settingSheet(ask: CardAsk): SvgSheet {
  const title = `${ask.bar.tag} ${ask.bar.name} as it is set`;
  const frame = frameAnswerOf(ask);
  if (frame && ask.chart?.kind === "frame")
    return frameSheet(ask.chart, frame, { plateDiameterMm: ask.frame?.plateDiameterMm ?? 450, title });
  return carriedSheet(barAtSetting(ask.bar, ask.chart, ask.setting), title);
}

/** How many current settings each bar has. */
export async function settingCounts(context: Context, barIds: readonly string[]): Promise<Map<string, number>> {
  if (!may(context, "lifter.read") || barIds.length === 0) return new Map();
  const rows = await context.hall.rows(lifterSettings, {
    where: and(isNull(lifterSettings.replacedAt), inMany(lifterSettings.barId, barIds)),
  });
  const counts = new Map<string, number>();
  for (const { barId } of rows) counts.set(barId, (counts.get(barId) ?? 0) + 1);
  return counts;
}
