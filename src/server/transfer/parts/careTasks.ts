import "server-only";
import { careTasks } from "@/data/schema";
import { CARE_TASK_KIND, careTaskTexts, careTasksOf } from "@/server/care/planning";
import { diffRows } from "../listPart";
import type { FilePart } from "../part";

/** Care tasks in the order people list them; which tasks there are is not a file's to say. */
export const careTasksPart: FilePart<"careTasks"> = {
  key: "careTasks",
  read: async (context) => (await careTasksOf(context)).map((row) => ({ texts: careTaskTexts(row) })),
  diff: async (context, incoming) =>
    diffRows(context, CARE_TASK_KIND, {
      rows: await context.hall.rows(careTasks),
      incoming,
      noNew: "there is no such care task, and a file makes none",
    }),
};
