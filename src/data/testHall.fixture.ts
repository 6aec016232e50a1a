import type { ClimateClass } from "@/core/care/climateClass";
import type { Units } from "@/core/units/shown";
import { testDatabase } from "./testDatabase.fixture";
import { HallDb } from "./hallDb";
import { bars, carePlan, careTasks, halls, people, ROLES } from "./schema";

/** A hall of a test's own: one person of each role, one bar, one task due. Nothing else in the database is touched. */
export async function makeHall(name: string) {
  const [row] = await testDatabase()
    .insert(halls)
    .values({ name, timeZone: "UTC", climateClass: "salt-humid" })
    .returning();
  const hall = new HallDb(testDatabase(), row!.id);
  const roles = ROLES;
  const persons = await hall.insert(
    people,
    roles.map((role) => ({ name: `${role} of ${name}`, role })),
  );
  const [bar] = await hall.insert(bars, {
    tag: "T1",
    name: "Test bar",
    family: "power",
    state: "in-service",
    knownSince: "2026-01-01",
    finish: "bare",
    sleeveRotation: "bushing",
  });
  const [task] = await hall.insert(careTasks, {
    key: "shaft",
    name: "brush",
    listOrder: 1,
    steps: ["brush"],
    minutes: 3,
    dryDays: 30,
    temperateDays: 20,
    saltHumidDays: 10,
    dependsOnFinish: true,
  });
  await hall.insert(carePlan, {
    barId: bar!.id,
    taskId: task!.id,
    lastDoneOn: "2026-03-01",
    dueOn: "2026-03-11",
    intervalDays: 10,
    reason: "bare shaft: every 10 days",
  });
  const actor = (role: (typeof roles)[number]) => ({
    personId: persons[roles.indexOf(role)]!.id,
    name: role,
    role,
    hallId: row!.id,
    hallName: name,
    timeZone: "UTC",
    climateClass: "salt-humid" as ClimateClass,
    massUnit: "kg" as "kg" | "lb",
    units: { mass: "kg", length: "mm" } as Units,
    gymLengthUnit: "mm" as "mm" | "in",
    locale: "en-GB",
    currency: "EUR",
    isDemo: false,
  });
  return { hall, actor, bar: bar!, task: task! };
}
