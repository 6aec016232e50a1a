import { CARE_TASK_KEYS, CARE_TASKS } from "@/core/care/careTasks";
import type { ClimateClass } from "@/core/care/climateClass";
import { LIFT_KEYS, LIFTS } from "@/core/matching/lifts";
import type { Database } from "./client";
import { HallDb } from "./hallDb";
import { careTasks, halls, lifts, people } from "./schema";

/** What has to be known of a gym before anything else. */
export interface NewHall {
  name: string;
  timeZone: string;
  climateClass: ClimateClass;
  currency: string;
  /** Name of the person who looks after it. */
  manager: string;
}

/** Makes an empty hall with its manager; bars and plates are the gym's to add. */
export async function makeEmptyHall(db: Database, { manager, ...facts }: NewHall): Promise<void> {
  await db.transaction(async (tx) => {
    const hall = new HallDb(tx, await makeHallIn(tx, facts), { isNew: true });
    await hall.insert(people, { name: manager, role: "manager" });
  });
}

/** Makes a hall with the usual lifts and the usual care and nobody in it, within a transaction; answers its id. */
export async function makeHallIn(
  tx: Parameters<Parameters<Database["transaction"]>[0]>[0],
  facts: Omit<NewHall, "manager"> & { massUnit?: "kg" | "lb" },
): Promise<string> {
  const [row] = await tx.insert(halls).values(facts).returning();
  const hall = new HallDb(tx, row!.id, { isNew: true });
  await insertUsualLifts(hall);
  await insertUsualCare(hall);
  return row!.id;
}

/** The lifts that every hall begins with. */
export async function insertUsualLifts(hall: HallDb): Promise<void> {
  await hall.insert(
    lifts,
    LIFT_KEYS.map((key, i) => ({ ...LIFTS[key], listOrder: i + 1 })),
  );
}

/** The care tasks that every hall begins with. */
export async function insertUsualCare(hall: HallDb): Promise<(typeof careTasks.$inferSelect)[]> {
  return hall.insert(
    careTasks,
    CARE_TASK_KEYS.map((key, i) => {
      const { name, steps, materials, cautions, minutes, baseDays, dependsOnFinish } = CARE_TASKS[key];
      return {
        key,
        name,
        listOrder: i + 1,
        steps: [...steps],
        materials: [...materials],
        cautions: [...cautions],
        minutes,
        dependsOnFinish,
        dryDays: baseDays.dry,
        temperateDays: baseDays.temperate,
        saltHumidDays: baseDays["salt-humid"],
      };
    }),
  );
}
