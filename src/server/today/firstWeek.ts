import "server-only";
import { ne, sql } from "drizzle-orm";
import { bars, lifters, barMeasurements, people, plates, staffHours, stations } from "@/data/schema";
import { type Context, may } from "@/server/access";

/** One thing to do in the first week; done is what the gym has, not what somebody ticked. */
export interface FirstStep {
  key: string;
  title: string;
  because: string;
  href: string;
  isDone: boolean;
}

/**
 * What a new gym does first, in order, each ticked by what is there. Nothing for whoever may not set a gym up, and
 * nothing once everything is done.
 */
export async function firstWeek(context: Context): Promise<FirstStep[]> {
  if (!may(context, "rule.edit") || !may(context, "bar.edit")) return [];
  const { hall } = context;
  const count = { count: sql<number>`count(*)::int` };
  const [wall, read, plate, station, crew, lifting, hours] = await Promise.all([
    hall.summary(
      bars,
      {
        ...count,
        hung: sql<number>`(count(*) filter (where ${bars.placeId} is not null))::int`,
      },
      { where: ne(bars.state, "retired") },
    ),
    hall.summary(barMeasurements, count, {}),
    hall.summary(plates, count, {}),
    hall.summary(stations, count, {}),
    hall.summary(people, count, {}),
    hall.summary(lifters, count, {}),
    hall.summary(staffHours, count, {}),
  ]);
  const some = (rows: readonly { count: number }[], least = 1) => (rows[0]?.count ?? 0) >= least;
  const [first] = wall;
  const steps: FirstStep[] = [
    step("bars", "Add your bars", "Five minutes each with the label, or import a list.", "/bars/new", some(wall)),
    step(
      "weigh",
      "Measure one",
      "Weigh it first: labels are off by up to a kilogram, and so is every load.",
      "/bars/measure",
      some(read),
    ),
    step(
      "hang",
      "Say where bars hang",
      "A round walks the wall in that order.",
      "/setups/storage",
      (first?.hung ?? 0) > 0,
    ),
    step("plates", "Add plates", "Then Load says which go on each side.", "/bars/equipment", some(plate)),
    step(
      "stations",
      "Add racks and platforms",
      "Then bars are matched to what they fit.",
      "/bars/equipment",
      some(station),
    ),
    step(
      "people",
      "Invite a colleague",
      "Coach, care crew or a tablet, each sees their own.",
      "/settings/people",
      some(crew, 2),
    ),
    step("lifters", "Add a lifter", "Height, what is not comfortable, usual loads.", "/lifters/new", some(lifting)),
    step(
      "hours",
      "Say when someone is in for care",
      "Then rounds are planned into those hours.",
      "/care/plan",
      some(hours),
    ),
  ];
  return steps.every(({ isDone }) => isDone) ? [] : steps;
}

const step = (key: string, title: string, because: string, href: string, isDone: boolean): FirstStep => ({
  ...{ key, title, because, href, isDone },
});
