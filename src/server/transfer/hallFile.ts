import "server-only";
import { ne } from "drizzle-orm";
import { createHash } from "node:crypto";
import { FAMILY_KEYS } from "@/core/bars/families";
import type { HallFileParts } from "@/core/hallFileParts";
import { bars, lifters as lifterRows, stations as stationRows } from "@/data/schema";
import { type Context, inTransaction, isConfirmed, may } from "@/server/access";
import { CONFIRM_FIRST, noteAccount } from "@/server/accounts";
import { replanCare } from "@/server/care/planning";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { allLifts, meetingRules } from "@/server/lifts";
import {
  type Difference,
  type FileFacts,
  type FilePart,
  type ImportReport,
  type IncomingHall,
  type OnProgress,
  type PartKey,
  nothingTakenIn,
} from "./part";
import { airPart } from "./parts/air";
import { barsPart } from "./parts/bars";
import { carePart } from "./parts/careLog";
import { careTasksPart } from "./parts/careTasks";
import { chartsPart } from "./parts/charts";
import { clampsPart, platesPart, stationsPart } from "./parts/equipment";
import { inspectionsPart } from "./parts/inspections";
import { liftersPart } from "./parts/lifters";
import { liftsPart } from "./parts/lifts";
import { meetingsPart } from "./parts/meetings";
import type { FileBar } from "./parts/readBars";
import { rulesPart } from "./parts/rules";
import { settingsPart } from "./parts/settings";

/** What a hall's file holds. */
export interface HallFile extends HallFileParts {
  bars: readonly FileBar[];
}

/** Every part but the bars, in the order in which they are written: what is named comes before what names it. */
export const PARTS = {
  plates: platesPart,
  clamps: clampsPart,
  stations: stationsPart,
  lifts: liftsPart,
  meetings: meetingsPart,
  lifters: liftersPart,
  careTasks: careTasksPart,
  care: carePart,
  charts: chartsPart,
  inspections: inspectionsPart,
  settings: settingsPart,
  rules: rulesPart,
  air: airPart,
} satisfies { [K in PartKey]: FilePart<K> };

const ALL = Object.values(PARTS) as unknown as FilePart[];

/** Everything of the hall that files carry and somebody may read, as it stands at one moment. */
export async function exportHall(
  context: Context,
  { health = false }: { health?: boolean } = {},
): Promise<Outcome<{ file: HallFile }>> {
  if (!may(context, "hall.export")) return forbidden("export the hall");
  if (health && !mayReadHealth(context)) return forbidden("export health words");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  const result = await context.hall.snapshot(async (hall) => {
    const inside = { ...context, hall };
    const file: Record<string, unknown> = { bars: await barsPart.read(inside) };
    for (const { key, read } of ALL) {
      const items = await read(inside, { health });
      if (items !== null) file[key] = items;
    }
    return { ok: true as const, file: file as unknown as HallFile };
  });
  await noteAccount(context, "exported", health ? "with health words" : "");
  return result;
}

/** Health words need the right to them, and of a program the scope too. */
const mayReadHealth = (context: Context) =>
  may(context, "lifter.health") && (context.door.kind !== "token" || context.door.scopes.includes("health"));

/** Every bar of the hall as files carry it. */
export async function exportBars(context: Context): Promise<Outcome<{ bars: FileBar[] }>> {
  if (!may(context, "hall.export")) return forbidden("export the gym’s records");
  return { ok: true, bars: await context.hall.snapshot((hall) => barsPart.read({ ...context, hall })) };
}

export interface ImportOptions {
  /** Only says what would change: nothing is written and nothing locked. */
  isDryRun: boolean;
  /** What a dry run of the same file told: the import does just what that said, or nothing. */
  token?: string;
  onProgress?: OnProgress;
}

/**
 * Takes a hall's file in, all of it or nothing; a second time it changes nothing.
 *
 * @returns what changed or would change, and the token of it; stale when a token no longer says what would happen.
 */
export async function importHall(
  context: Context,
  file: IncomingHall,
  { isDryRun, token, onProgress = () => undefined }: ImportOptions,
): Promise<Outcome<{ report: ImportReport; token: string }>> {
  if (!may(context, "hall.import")) return forbidden("import files");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  if (Object.values(file).every((list) => (list?.length ?? 0) === 0)) return failed("invalid", "The file is empty.");
  if (isDryRun)
    return context.hall.snapshot(async (hall) => {
      const parts = await differences({ ...context, hall }, file, false);
      const problems = parts.flatMap((part) => part.problems);
      return problems.length > 0 ? nothingTakenIn(problems) : { ok: true, ...reportOf(file, parts) };
    });
  return inTransaction(context, async (context) => {
    const parts = await differences(context, file, true);
    const problems = parts.flatMap((part) => part.problems);
    if (problems.length > 0) return nothingTakenIn(problems);
    const told = reportOf(file, parts);
    if (token !== undefined && token !== told.token)
      return failed("stale", "Something changed since this file was checked. Nothing imported; check it again.");
    for (const { write } of parts) await write(onProgress);
    await noteAccount(context, "imported", `${told.report.added} added, ${told.report.changed} changed`);
    // Tasks, rules and air of the file say how often; what was planned before them is planned anew.
    if ([file.careTasks, file.rules, file.air].some((list) => (list?.length ?? 0) > 0)) await replanCare(context);
    return { ok: true, ...told };
  });
}

async function differences(context: Context, file: IncomingHall, isLocking: boolean): Promise<Difference[]> {
  const facts = await factsOf(context, file, isLocking);
  const all = [await barsPart.diff(context, file.bars ?? [], isLocking)];
  for (const { key, diff } of ALL) {
    const incoming = file[key];
    if (incoming && incoming.length > 0) all.push(await diff(context, incoming, facts));
  }
  return all;
}

/** What changes in all, and what tells it from any other change: the file and everything it would do. */
function reportOf(file: IncomingHall, parts: readonly Difference[]): { report: ImportReport; token: string } {
  const sum = (key: "added" | "changed" | "unchanged") => parts.reduce((total, { report }) => total + report[key], 0);
  const report = {
    added: sum("added"),
    changed: sum("changed"),
    unchanged: sum("unchanged"),
    changes: parts.flatMap(({ report: { changes } }) => changes),
  };
  const token = createHash("sha256")
    .update(JSON.stringify([file, report]))
    .digest("base64url");
  return { report, token };
}

/** What the hall has and the file brings, by name. */
async function factsOf(context: Context, file: IncomingHall, isLocking: boolean): Promise<FileFacts> {
  const { hall } = context;
  const keysOf = (rows: readonly { texts: Record<string, string> }[] = []) =>
    rows.flatMap(({ texts }) => texts.key ?? []);
  const familyOf = new Map(
    (await hall.summary(bars, { tag: bars.tag, family: bars.family }, { where: ne(bars.state, "retired") })).map(
      ({ tag, family }) => [tag, family],
    ),
  );
  for (const { texts } of file.bars ?? []) {
    const family = FAMILY_KEYS.find((key) => key === texts.family);
    if (texts.tag && family && texts.state !== "retired") familyOf.set(texts.tag, family);
  }
  return {
    isLocking,
    familyOf,
    lifts: new Set([...(await allLifts(context)).map(({ key }) => key), ...keysOf(file.lifts)]),
    rules: new Set([
      ...(await meetingRules(context)).map(({ rules }) => rules),
      ...(file.meetings ?? []).map(({ rules }) => rules),
    ]),
    lifters: new Set([...(await hall.rows(lifterRows)).map(({ key }) => key), ...keysOf(file.lifters)]),
    stations: new Set([...(await hall.rows(stationRows)).map(({ key }) => key), ...keysOf(file.stations)]),
  };
}
