import "server-only";
import type { FileRow } from "@/core/hallFileParts";
import { careTasks } from "@/data/schema";
import type { Context } from "@/server/access";
import { KIND, careTaskTexts, careTasksOf } from "@/server/care/planning";
import { prepareRows } from "../listPart";
import type { PreparedPart } from "../part";

/** Every task as files carry it, in the order people list them. */
export const exportCareTasks = async (context: Context): Promise<FileRow[]> =>
  (await careTasksOf(context)).map((row) => ({ texts: careTaskTexts(row) }));

/** Reads tasks of a file against the hall's; which tasks there are is not a file's to say. */
export const prepareCareTasks = async (context: Context, incoming: readonly FileRow[]): Promise<PreparedPart> =>
  prepareRows(context, KIND, {
    rows: await context.hall.rows(careTasks),
    incoming,
    noNew: "there is no such care task, and a file makes none",
  });
