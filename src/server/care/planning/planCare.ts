import "server-only";
import { and, desc, eq, isNull, ne } from "drizzle-orm";
import type { CareHouse } from "@/core/care/careDue";
import type { BarRow } from "@/data/barRows";
import { carePlanRow } from "@/data/carePlanRows";
import type { HallDb } from "@/data/hallDb";
import { bars, careLog, carePlan, careTasks } from "@/data/schema";
import type { Context } from "@/server/access";
import { careHouse } from "./meterHouse";

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

/** Works out every due day anew: after a change of rules, readings or tasks, and once a day. */
export async function replanCare(context: Context): Promise<number> {
  const { hall } = context;
  const house = await careHouse(context);
  const [rows, tasks, known] = [
    await hall.rows(bars, { where: ne(bars.state, "retired") }),
    await hall.rows(careTasks),
    await hall.rows(carePlan),
  ];
  const last = new Map(known.map(({ barId, taskId, lastDoneOn }) => [`${barId} ${taskId}`, lastDoneOn]));
  const plan = rows.flatMap((row) =>
    tasks.flatMap((task) => carePlanRow(row, task, house, last.get(`${row.id} ${task.id}`) ?? null) ?? []),
  );
  await hall.putMany(carePlan, [carePlan.barId, carePlan.taskId], plan);
  return plan.length;
}
