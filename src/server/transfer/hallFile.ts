import "server-only";
import { ne } from "drizzle-orm";
import { FAMILY_KEYS, type FamilyKey } from "@/core/bars/families";
import type { HallFileParts } from "@/core/hallFileParts";
import type { HallDb } from "@/data/hallDb";
import { bars, stations as stationRows } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { replanCare } from "@/server/care/planning";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { type ImportReport, type IncomingBar, type OnProgress, nothingTakenIn } from "./part";
import { exportCharts, exportInspections, prepareCharts, prepareInspections } from "./parts/barRecords";
import { prepareBars } from "./parts/bars";
import { exportCareLog, prepareCareLog } from "./parts/careLog";
import { exportCareTasks, prepareCareTasks } from "./parts/careTasks";
import { exportEquipment, prepareEquipment } from "./parts/equipment";
import { type FileBar, exportBars } from "./parts/exportBars";
import { exportAir, exportRules, prepareAir, prepareRules } from "./parts/house";
import { exportLifters, prepareLifters } from "./parts/lifters";
import { exportLifts, prepareLifts } from "./parts/lifts";
import { exportMeetings, prepareMeetings } from "./parts/meetings";
import { exportSettings, prepareSettings } from "./parts/settings";

/** What a hall's file holds. */
export interface HallFile<B = FileBar> extends HallFileParts {
  bars: readonly B[];
}

/** Everything of the hall that files carry. */
export async function exportHall(context: Context): Promise<Outcome<{ file: HallFile }>> {
  const result = await exportBars(context);
  if (!result.ok) return result;
  const { hall } = context;
  const [plates, clamps, stations, lifts, meetings, lifters, careTasks, care, charts, looked, settings, rules, air] =
    await Promise.all([
      exportEquipment(hall, "plate"),
      exportEquipment(hall, "clamp"),
      exportEquipment(hall, "station"),
      exportLifts(context),
      exportMeetings(context),
      exportLifters(context),
      exportCareTasks(context),
      exportCareLog(context),
      exportCharts(context),
      exportInspections(context),
      exportSettings(context),
      exportRules(context),
      exportAir(context),
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
  context: Context,
  file: Partial<HallFile<IncomingBar>>,
  { isDryRun, onProgress = () => undefined }: { isDryRun: boolean; onProgress?: OnProgress },
): Promise<Outcome<{ report: ImportReport }>> {
  if (!may(context, "hall.import")) return forbidden("take files in");
  if (Object.values(file).every((list) => (list?.length ?? 0) === 0))
    return failed("invalid", "There is nothing in the file.");
  const { bars: rows = [], plates = [], clamps = [], stations = [], lifts = [], meetings = [], lifters = [] } = file;
  // What the file itself brings may be named by what comes after it.
  const liftKeys = lifts.flatMap(({ texts }) => texts.key ?? []);
  const rules = meetings.map((one) => one.rules);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const familyOf = await familiesKnown(hall, rows);
    const parts = [
      await prepareBars(context, rows),
      await prepareEquipment(context, "plate", plates),
      await prepareEquipment(context, "clamp", clamps),
      await prepareEquipment(context, "station", stations),
      await prepareLifts(context, lifts),
      await prepareMeetings(context, meetings, liftKeys),
      await prepareLifters(context, lifters, { lifts: liftKeys, rules }),
      await prepareCareTasks(context, file.careTasks ?? []),
      await prepareCareLog(context, file.care ?? [], [...familyOf.keys()]),
      await prepareCharts(context, file.charts ?? [], familyOf),
      await prepareInspections(context, file.inspections ?? [], familyOf),
      await prepareSettings(context, file.settings ?? [], {
        lifters: lifters.flatMap(({ texts }) => texts.key ?? []),
        tags: [...familyOf.keys()],
        lifts: liftKeys,
        stations: [
          ...(await hall.rows(stationRows)).map(({ key }) => key),
          ...stations.flatMap(({ texts }) => texts.key ?? []),
        ],
      }),
      await prepareRules(context, file.rules ?? []),
      await prepareAir(context, file.air ?? []),
    ];
    const problems = parts.flatMap((part) => part.problems);
    if (problems.length > 0) return nothingTakenIn(problems);
    if (!isDryRun) for (const { write } of parts) await write(onProgress);
    // Tasks, rules and air of the file say how often; what was planned before them is planned anew.
    const says = [file.careTasks, file.rules, file.air].some((list) => (list?.length ?? 0) > 0);
    if (!isDryRun && says) await replanCare(context);
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
