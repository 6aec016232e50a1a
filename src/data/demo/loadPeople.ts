import { readFields } from "@/core/bars/fieldText";
import { LIFTER_FIELDS, readMeetings, readUsualLoads } from "@/core/matching/lifterFields";
import { LIFT_KEYS } from "@/core/matching/lifts";
import { BUILT_IN_RULES } from "@/core/matching/meetingRules";
import { addDays, type HallDay } from "@/core/units/hallDay";
import { convertTyped, readTyped } from "@/core/units/typedQuantity";
import type { HallDb } from "../hallDb";
import * as schema from "../schema";
import { DEMO_CLASS, DEMO_LIFTERS, DEMO_MEETING_SPECS, DEMO_USE } from "./demoHall";

interface World {
  /** Ids by name of person and by tag of bar. */
  people: Record<string, string>;
  bars: ReadonlyMap<string, string>;
  today: HallDay;
}

/** The lifters of the demo hall, what they use, their meetings' rules and tonight's class. */
export async function loadPeople(hall: HallDb, { people, bars, today }: World): Promise<void> {
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
