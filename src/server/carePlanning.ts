import "server-only";
import { and, desc, eq, isNull } from "drizzle-orm";
import type { CareHouse } from "@/core/care/careDue";
import { rulesFrom, type MatchingRules } from "@/core/matching/houseRules";
import type { BarRow } from "@/data/barRows";
import { carePlanRow } from "@/data/carePlanRows";
import type { HallDb } from "@/data/hallDb";
import { careLog, carePlan, careTasks, houseRules } from "@/data/schema";
import type { Who } from "./who";

/** Under this the house's rules for matching, loading and care are stored. */
export const MATCHING_KEY = "matching";

/** The house's rules as they stand; inside a transaction it sees what the transaction wrote. */
export async function storedRules(hall: HallDb): Promise<MatchingRules & { version: number }> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, MATCHING_KEY) });
  return { ...rulesFrom(row?.value), version: row?.version ?? 0 };
}

/** What the house decides about care. */
export async function careHouse(hall: HallDb, who: Pick<Who, "climateClass">): Promise<CareHouse> {
  const { schools } = await storedRules(hall);
  return { climate: who.climateClass, isAllRoundBusiest: schools.bars === "one-all-round" };
}

/** Care follows from family, finish and sleeves: sets the plan of every task that this bar needs, and drops the rest. */
export async function planCare(hall: HallDb, house: CareHouse, row: BarRow): Promise<void> {
  for (const task of await hall.rows(careTasks)) {
    const latest = await hall.first(careLog, {
      where: and(eq(careLog.barId, row.id), eq(careLog.taskId, task.id), isNull(careLog.undoneAt)),
      orderBy: [desc(careLog.doneOn), desc(careLog.enteredAt)],
    });
    const plan = carePlanRow(row, task, house, latest?.doneOn ?? null);
    if (plan) await hall.put(carePlan, [carePlan.barId, carePlan.taskId], plan);
    else await hall.remove(carePlan, and(eq(carePlan.barId, row.id), eq(carePlan.taskId, task.id)));
  }
}
