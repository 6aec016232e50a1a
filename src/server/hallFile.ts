import "server-only";
import { database } from "@/data/client";
import { inTransaction } from "@/data/hallDb";
import { exportBars, type FileBar } from "./barFiles";
import { nothingTakenIn, prepareBars, type ImportReport, type IncomingBar, type OnProgress } from "./barImport";
import { exportEquipment, prepareEquipment, type FileEquipment } from "./equipmentChanges";
import { failed, forbidden, type Outcome } from "./outcome";
import { may } from "./permissions";
import { hallDb, type Who } from "./who";

/** What a hall's file holds. */
export interface HallFile<B = FileBar> {
  bars: readonly B[];
  plates: readonly FileEquipment[];
  clamps: readonly FileEquipment[];
  stations: readonly FileEquipment[];
}

/** Everything of the hall that files carry. */
export async function exportHall(who: Who): Promise<Outcome<{ file: HallFile }>> {
  const result = await exportBars(who);
  if (!result.ok) return result;
  const hall = hallDb(who);
  const [plates, clamps, stations] = await Promise.all([
    exportEquipment(hall, "plate"),
    exportEquipment(hall, "clamp"),
    exportEquipment(hall, "station"),
  ]);
  return { ok: true, file: { bars: result.bars, plates, clamps, stations } };
}

/** Takes a hall's file in, all of it or nothing; a second time it changes nothing. */
export async function importHall(
  who: Who,
  { bars, plates = [], clamps = [], stations = [] }: Partial<HallFile<IncomingBar>>,
  { isDryRun, onProgress = () => undefined }: { isDryRun: boolean; onProgress?: OnProgress },
): Promise<Outcome<{ report: ImportReport }>> {
  if (!may(who, "hall.import")) return forbidden("take files in");
  if ([bars, plates, clamps, stations].every((list = []) => list.length === 0))
    return failed("invalid", "There is nothing in the file.");
  return inTransaction(database(), who.hallId, async (hall) => {
    const parts = [
      await prepareBars(hall, who, bars ?? []),
      await prepareEquipment(hall, who, "plate", plates),
      await prepareEquipment(hall, who, "clamp", clamps),
      await prepareEquipment(hall, who, "station", stations),
    ];
    const problems = parts.flatMap((part) => part.problems);
    if (problems.length > 0) return nothingTakenIn(problems);
    if (!isDryRun) for (const { write } of parts) await write(onProgress);
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
