import { notFound } from "next/navigation";
import { may, requestContext } from "@/server/access";
import { type LogItem, lifterByKey, logOf } from "@/server/logbook";

/** A lifter's whole log for a file; only for whoever may read lifters. */
export async function logForFile(key: string): Promise<{ key: string; sets: LogItem[] }> {
  const context = await requestContext();
  const row = may(context, "lifter.read") ? await lifterByKey(context, key) : null;
  if (!row) notFound();
  return { key: row.key, sets: await logOf(context.hall, row.id) };
}

/** A log as a file to save. */
export const fileAnswer = (text: string, type: string, name: string): Response =>
  new Response(text, {
    headers: {
      "content-type": `${type}; charset=utf-8`,
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });
