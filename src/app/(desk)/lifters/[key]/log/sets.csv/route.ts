import { csvText } from "@/api/csvOut";
import { LOG_COLUMNS, logFileRow } from "@/core/strength/logFile";
import { fileAnswer, logForFile } from "../logFiles";

/** A lifter's log as CSV, which the import takes. */
export async function GET(_request: Request, { params }: { params: Promise<{ key: string }> }) {
  const { key, sets } = await logForFile((await params).key);
  const rows = sets.map((set) => logFileRow({ ...set, lift: set.liftKey, bar: set.tag }));
  return fileAnswer(csvText(LOG_COLUMNS, rows), "text/csv", `${key}-log.csv`);
}
