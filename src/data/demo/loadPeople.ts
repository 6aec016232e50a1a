import { readFields } from "@/core/bars/fieldText";
import { LIFTER_FIELDS, readMeetings, readUsualLoads } from "@/core/matching/lifterFields";
import { LIFT_KEYS } from "@/core/matching/lifts";
import { BUILT_IN_RULES } from "@/core/matching/meetingRules";
import { addDays, type HallDay } from "@/core/units/hallDay";
import { convertTyped, readTyped } from "@/core/units/typedQuantity";
import type { HallDb } from "../hallDb";
import * as schema from "../schema";
import { chartKindOf, readChart } from "@/core/setups/chartFields";
import { loadLogs } from "./loadLogs";
import { loadOffers } from "./loadOffers";
import { DEMO_BARS } from "./demoBars";
import {
  DEMO_CHARTS,
  DEMO_CLASS,
  DEMO_HALL,
  DEMO_LIFTERS,
  DEMO_MEETING_SPECS,
  DEMO_SETTINGS,
  DEMO_USE,
} from "./demoHall";

interface World {
  /** Ids by name of person and by tag of bar. */
  people: Record<string, string>;
  bars: ReadonlyMap<string, string>;
  today: HallDay;
}

/** The lifters of the demo hall, what they use, their meetings' rules and tonight's class. */
export async function loadPeople(hall: HallDb, world: World): Promise<void> {
  const { people, bars, today } = world;
  const lifters = new Map(
    (
      await hall.insert(
        schema.lifters,
        DEMO_LIFTERS.map((texts) => lifterRow(texts, people, today)),
      )
    ).map(({ key, id }) => [key, id]),
  );
  await hall.insert(
    schema.lifterBars,
    DEMO_USE.map(([lifter, tag, first, last, setting]) => ({
      lifterId: lifters.get(lifter)!,
      barId: bars.get(tag)!,
      firstUsedOn: addDays(today, -first),
      lastUsedOn: addDays(today, -last),
      setting,
    })),
  );
  await loadLogs(hall, { bars, lifters, today });
  await loadOffers(hall, { today, currency: DEMO_HALL.currency });
  await loadSetups(hall, world, lifters);
  await hall.insert(schema.meetingSpecs, [...DEMO_MEETING_SPECS]);
  const { entries, ...facts } = DEMO_CLASS;
  const [made] = await hall.insert(schema.classes, { ...facts, heldOn: today });
  await hall.insert(
    schema.classEntries,
    entries.map(([lifter, liftKey, load, purpose, lockedBlock, tag]) => {
      const typed = readTyped(load, "kg")!;
      return {
        classId: made!.id,
        lifterId: lifters.get(lifter)!,
        liftKey,
        loadValue: typed.value,
        loadUnit: typed.unit,
        loadKg: convertTyped(typed),
        purpose,
        lockedBlock,
        lockedBarId: tag && bars.get(tag)!,
      };
    }),
  );
}

/** A lifter as a coach would have entered one; what the demo says wrongly stops the load. "+63" is that many days on. */
function lifterRow(texts: Record<string, string>, people: Record<string, string>, today: HallDay) {
  const meetings = (texts.meetings ?? "").replace(/\+(\d+)/g, (_, days) => addDays(today, Number(days)));
  const read = readFields(LIFTER_FIELDS, { ...texts, meetings });
  if (!read.ok) throw new Error(`demo lifter ${texts.key}: ${JSON.stringify(read.problems)}`);
  const { values } = read;
  const usual = readUsualLoads((values.usualLoads as string[] | null) ?? [], LIFT_KEYS);
  const coming = readMeetings(
    (values.meetings as string[] | null) ?? [],
    BUILT_IN_RULES.map(({ rules }) => rules),
  );
  const problems = [...usual.problems, ...coming.problems];
  if (problems.length > 0) throw new Error(`demo lifter ${texts.key}: ${JSON.stringify(problems)}`);
  return {
    ...(values as unknown as typeof schema.lifters.$inferInsert),
    usualLoads: usual.loads,
    meetings: coming.meetings,
    confirmed: texts.confirmed?.split(" | ") ?? null,
    personId: people[texts.name!] ?? null,
  };
}

/** Calibrations, how bars stand, and how they were set for lifters. */
async function loadSetups(hall: HallDb, { people, bars, today }: World, lifters: ReadonlyMap<string, string>) {
  const coach = people["Joss Kettleby"]!;
  for (const [tag, { texts, present }] of Object.entries(DEMO_CHARTS)) {
    const kind = chartKindOf(DEMO_BARS.find((bar) => bar.tag === tag)!.family)!;
    const read = readChart(kind, texts);
    if (!read.ok) throw new Error(`demo chart of ${tag}: ${JSON.stringify(read.problems)}`);
    await hall.insert(schema.barSetups, {
      barId: bars.get(tag)!,
      chart: read.chart,
      calibratedOn: addDays(today, -120),
      chartVersion: 1,
      present,
      presentAt: noonOf(addDays(today, -3)),
    });
  }
  const last = new Map<string, number>(
    DEMO_SETTINGS.map(([lifter, tag, lift], i) => [`${lifter} ${tag} ${lift}`, i] as const),
  );
  await hall.insert(
    schema.lifterSettings,
    DEMO_SETTINGS.map(([lifter, tag, liftKey, setting, stationKey, jCupHole, note, daysAgo], i) => ({
      lifterId: lifters.get(lifter)!,
      barId: bars.get(tag)!,
      liftKey,
      setting: { ...setting },
      chartVersion: tag in DEMO_CHARTS ? 1 : 0,
      stationKey,
      jCupHole,
      note,
      personId: coach,
      keptAt: noonOf(addDays(today, -daysAgo)),
      replacedAt: last.get(`${lifter} ${tag} ${liftKey}`) === i ? null : noonOf(addDays(today, -daysAgo + 1)),
    })),
  );
}

const noonOf = (day: HallDay) => new Date(`${day}T12:00:00Z`);
