import "server-only";
import { ne } from "drizzle-orm";
import { FAMILY_KEYS, type FamilyKey } from "@/core/bars/families";
import type { HallFileParts } from "@/core/hallFileParts";
import { database } from "@/data/client";
import { inTransaction, type HallDb } from "@/data/hallDb";
import { bars, stations as stationRows } from "@/data/schema";
import { exportBars, type FileBar } from "./barFiles";
import { nothingTakenIn, prepareBars, type ImportReport, type IncomingBar, type OnProgress } from "./barImport";
import { exportCharts, exportInspections, prepareCharts, prepareInspections } from "./barRecordFiles";
import { exportCareLog, prepareCareLog } from "./careLogFile";
import { replanCare } from "./carePlanning";
import { exportCareTasks, prepareCareTasks } from "./careTasks";
import { exportEquipment, prepareEquipment } from "./equipmentChanges";
import { exportAir, exportRules, prepareAir, prepareRules } from "./houseFiles";
import { exportLifters, prepareLifters } from "./lifters";
import { exportLifts, prepareLifts } from "./lifts";
import { exportMeetings, prepareMeetings } from "./meetings";
import { failed, forbidden, type Outcome } from "./outcome";
import { may } from "./permissions";
import { exportSettings, prepareSettings } from "./settingFiles";
import { hallDb, type Who } from "./who";

/** What a hall's file holds. */
export interface HallFile<B = FileBar> extends HallFileParts {
  bars: readonly B[];
}

/** Everything of the hall that files carry. */
export async function exportHall(who: Who): Promise<Outcome<{ file: HallFile }>> {
  const result = await exportBars(who);
  if (!result.ok) return result;
  const hall = hallDb(who);
  const [plates, clamps, stations, lifts, meetings, lifters, careTasks, care, charts, looked, settings, rules, air] =
    await Promise.all([
      exportEquipment(hall, "plate"),
      exportEquipment(hall, "clamp"),
      exportEquipment(hall, "station"),
      exportLifts(who),
      exportMeetings(who),
      exportLifters(who),
      exportCareTasks(who),
      exportCareLog(who),
      exportCharts(who),
      exportInspections(who),
      exportSettings(who),
      exportRules(who),
      exportAir(who),
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
      charts,
      inspections: looked,
      ...(settings ? { settings } : {}),
      rules,
      air,
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
  const { bars: rows = [], plates = [], clamps = [], stations = [], lifts = [], meetings = [], lifters = [] } = file;
  // What the file itself brings may be named by what comes after it.
  const liftKeys = lifts.flatMap(({ texts }) => texts.key ?? []);
  const rules = meetings.map((one) => one.rules);
  return inTransaction(database(), who.hallId, async (hall) => {
    const familyOf = await familiesKnown(hall, rows);
    const parts = [
      await prepareBars(hall, who, rows),
      await prepareEquipment(hall, who, "plate", plates),
      await prepareEquipment(hall, who, "clamp", clamps),
      await prepareEquipment(hall, who, "station", stations),
      await prepareLifts(hall, who, lifts),
      await prepareMeetings(hall, who, meetings, liftKeys),
      await prepareLifters(hall, who, lifters, { lifts: liftKeys, rules }),
      await prepareCareTasks(hall, who, file.careTasks ?? []),
      await prepareCareLog(hall, who, file.care ?? [], [...familyOf.keys()]),
      await prepareCharts(hall, who, file.charts ?? [], familyOf),
      await prepareInspections(hall, who, file.inspections ?? [], familyOf),
      await prepareSettings(hall, who, file.settings ?? [], {
        lifters: lifters.flatMap(({ texts }) => texts.key ?? []),
        tags: [...familyOf.keys()],
        lifts: liftKeys,
        stations: [
          ...(await hall.rows(stationRows)).map(({ key }) => key),
          ...stations.flatMap(({ texts }) => texts.key ?? []),
        ],
      }),
      await prepareRules(hall, who, file.rules ?? []),
      await prepareAir(hall, who, file.air ?? []),
    ];
    const problems = parts.flatMap((part) => part.problems);
    if (problems.length > 0) return nothingTakenIn(problems);
    if (!isDryRun) for (const { write } of parts) await write(onProgress);
    // Tasks, rules and air of the file say how often; what was planned before them is planned anew.
    const says = [file.careTasks, file.rules, file.air].some((list) => (list?.length ?? 0) > 0);
    if (!isDryRun && says) await replanCare(hall, who);
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

/** Families of the bars of the hall and of those that a file brings, by tag; retired ones are left out. */
async function familiesKnown(hall: HallDb, incoming: readonly IncomingBar[]): Promise<Map<string, FamilyKey>> {
  const rows = await hall.rows(bars, { where: ne(bars.state, "retired") });
  const known = new Map(rows.map(({ tag, family }) => [tag, family as FamilyKey]));
  for (const { texts } of incoming) {
    const family = FAMILY_KEYS.find((key) => key === texts.family);
    if (texts.tag && family && texts.state !== "retired") known.set(texts.tag, family);
  }
  return known;
}
