import "server-only";
import { database } from "@/data/client";
import { inTransaction } from "@/data/hallDb";
import { exportBars, type FileBar } from "./barFiles";
import { nothingTakenIn, prepareBars, type ImportReport, type IncomingBar, type OnProgress } from "./barImport";
import { exportCareLog, prepareCareLog, type FileCare } from "./careLogFile";
import { replanCare } from "./carePlanning";
import { exportCareTasks, prepareCareTasks } from "./careTasks";
import { exportEquipment, prepareEquipment, type FileEquipment } from "./equipmentChanges";
import type { FileRow } from "./fieldFiles";
import { exportLifters, prepareLifters, type FileLifter } from "./lifters";
import { exportLifts, prepareLifts } from "./lifts";
import { exportMeetings, prepareMeetings, type FileMeeting } from "./meetings";
import { failed, forbidden, type Outcome } from "./outcome";
import { may } from "./permissions";
import { hallDb, type Who } from "./who";

/** What a hall's file holds. */
export interface HallFile<B = FileBar> {
  bars: readonly B[];
  plates: readonly FileEquipment[];
  clamps: readonly FileEquipment[];
  stations: readonly FileEquipment[];
  lifts: readonly FileRow[];
  /** The hall's own meeting rules. */
  meetings: readonly FileMeeting[];
  /** Only in the file of whoever may read them. */
  lifters?: readonly FileLifter[];
  careTasks: readonly FileRow[];
  care: readonly FileCare[];
}

/** Everything of the hall that files carry. */
export async function exportHall(who: Who): Promise<Outcome<{ file: HallFile }>> {
  const result = await exportBars(who);
  if (!result.ok) return result;
  const hall = hallDb(who);
  const [plates, clamps, stations, lifts, meetings, lifters, careTasks, care] = await Promise.all([
    exportEquipment(hall, "plate"),
    exportEquipment(hall, "clamp"),
    exportEquipment(hall, "station"),
    exportLifts(who),
    exportMeetings(who),
    exportLifters(who),
    exportCareTasks(who),
    exportCareLog(who),
  ]);
  return {
    ok: true,
    file: {
      bars: result.bars,
      plates,
      clamps,
      stations,
      lifts,
      meetings,
      ...(lifters ? { lifters } : {}),
      careTasks,
      care,
    },
  };
}

/** Takes a hall's file in, all of it or nothing; a second time it changes nothing. */
export async function importHall(
  who: Who,
  file: Partial<HallFile<IncomingBar>>,
  { isDryRun, onProgress = () => undefined }: { isDryRun: boolean; onProgress?: OnProgress },
): Promise<Outcome<{ report: ImportReport }>> {
  if (!may(who, "hall.import")) return forbidden("take files in");
  if (Object.values(file).every((list) => (list?.length ?? 0) === 0))
    return failed("invalid", "There is nothing in the file.");
  const { bars = [], plates = [], clamps = [], stations = [], lifts = [], meetings = [], lifters = [] } = file;
  // What the file itself brings may be named by what comes after it.
  const liftKeys = lifts.flatMap(({ texts }) => texts.key ?? []);
  const rules = meetings.map((one) => one.rules);
  const tags = bars.flatMap(({ texts }) => (texts.tag && texts.state !== "retired" ? [texts.tag] : []));
  return inTransaction(database(), who.hallId, async (hall) => {
    const parts = [
      await prepareBars(hall, who, bars),
      await prepareEquipment(hall, who, "plate", plates),
      await prepareEquipment(hall, who, "clamp", clamps),
      await prepareEquipment(hall, who, "station", stations),
      await prepareLifts(hall, who, lifts),
      await prepareMeetings(hall, who, meetings, liftKeys),
      await prepareLifters(hall, who, lifters, { lifts: liftKeys, rules }),
      await prepareCareTasks(hall, who, file.careTasks ?? []),
      await prepareCareLog(hall, who, file.care ?? [], tags),
    ];
    const problems = parts.flatMap((part) => part.problems);
    if (problems.length > 0) return nothingTakenIn(problems);
    if (!isDryRun) for (const { write } of parts) await write(onProgress);
    // Tasks of the file say how often; what was planned before them is planned anew.
    if (!isDryRun && (file.careTasks ?? []).length > 0) await replanCare(hall, who);
    const sum = (key: "added" | "changed" | "unchanged") => parts.reduce((total, { report }) => total + report[key], 0);
    return {
      ok: true,
      report: {
        added: sum("added"),
        changed: sum("changed"),
        unchanged: sum("unchanged"),
        changes: parts.flatMap(({ report }) => report.changes),
      },
    };
  });
}
