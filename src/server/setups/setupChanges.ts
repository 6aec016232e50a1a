import "server-only";
import { and, eq, inArray, isNull, ne, sql } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import { valueOf } from "@/core/bars/bar";
import { differingTexts } from "@/core/bars/barRecord";
import type { Problem } from "@/core/problem";
import { type SetupChart, chartKindOf, chartTexts, readChart } from "@/core/setups/chartFields";
import { frameAnswer } from "@/core/setups/frame";
import { type Setting, frameSettingOf, readSetting, settingWords, sidesDiffer } from "@/core/setups/setupOptions";
import { type TypedQuantity, convertTyped } from "@/core/units/typedQuantity";
import type { HallDb } from "@/data/hallDb";
import { barSetups, bars, lifterSettings, lifters, stations } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange, recordChanges } from "@/server/kit";
import { buildOf } from "@/server/lifters";
import { type SetBar, barToSet, liftsToSet } from "./setBars";
import { stationHoles } from "./stationHoles";

const invalid = (problems: Problem[], message = "Not saved.") => failed("invalid", message, problems);

/** The bar's row of settings, made when there is none, locked. */
async function lockedSetup(hall: HallDb, barId: string) {
  await hall.insertOnce(barSetups, { barId });
  return (await hall.first(barSetups, { where: eq(barSetups.barId, barId), forUpdate: true }))!;
}

const lockedBar = (hall: HallDb, tag: string) =>
  hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")), forUpdate: true });

/**
 * Keeps what was measured of a bar's marks and pins, or holes and offsets. A stale form is refused; how the bar stands
 * is forgotten when the new chart does not have it.
 */
export async function calibrate(
  context: Context,
  form: { tag: string; version: number; texts: Record<string, string> },
): Promise<Outcome<{ chart: SetupChart }>> {
  if (!may(context, "setup.edit")) return forbidden("calibrate bars");
  const set = await barToSet(context, form.tag);
  if (!set) return notFound(`bar ${form.tag}`);
  const kind = chartKindOf(set.bar.family);
  if (!kind) return failed("impossible", `A bar like ${form.tag} has neither marks nor holes to calibrate.`);
  const read = readChart(kind, form.texts);
  const heavy =
    read.ok && read.chart.kind === "arm" && read.chart.padKg > (valueOf(set.bar, "mass") ?? Infinity)
      ? [{ path: "padKg", message: `the whole bar is ${valueOf(set.bar, "mass")} kg` }]
      : [];
  if (!read.ok) return invalid(read.problems);
  if (heavy.length > 0) return invalid(heavy);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const bar = await lockedBar(hall, form.tag);
    if (!bar) return notFound(`bar ${form.tag}`);
    const row = await lockedSetup(hall, bar.id);
    if ((set.setupVersion === 0 ? 0 : row.version) !== form.version)
      return failed("stale", "Someone else calibrated this bar meanwhile. Look at it and enter yours again.");
    const before = row.chart ? chartTexts(row.chart as SetupChart) : {};
    const differing = differingTexts(before, chartTexts(read.chart));
    if (Object.keys(differing.after).length === 0) return { ok: true, chart: read.chart };
    await hall.update(barSetups, eq(barSetups.barId, bar.id), {
      chart: read.chart,
      calibratedOn: context.clock.today,
      chartVersion: row.chartVersion + 1,
      version: row.version + 1,
    });
    await recordChange(context, { entity: "bar", entityId: bar.id, action: "calibrated", ...differing });
    return { ok: true, chart: read.chart };
  });
}

/** Notes how a bar stands now, or how it must stand when it hangs. Left and right must agree. */
export async function noteStand(
  context: Context,
  ask: { tag: string; left: Setting; right: Setting; as: "present" | "stored" },
): Promise<Outcome<{ words: string }>> {
  if (!may(context, "setup.edit")) return forbidden("note how bars stand");
  const set = await barToSet(context, ask.tag);
  if (!set) return notFound(`bar ${ask.tag}`);
  const [left, right] = [readSetting(set.options, ask.left), readSetting(set.options, ask.right)];
  if (!left.ok || !right.ok)
    return invalid([
      ...(left.ok ? [] : left.problems.map(({ path, message }) => ({ path: `left.${path}`, message }))),
      ...(right.ok ? [] : right.problems.map(({ path, message }) => ({ path: `right.${path}`, message }))),
    ]);
  const apart = sidesDiffer(set.options, left.setting, right.setting);
  if (apart) return failed("impossible", apart, [{ path: "right", message: apart }]);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await lockedSetup(hall, set.id);
    const words = settingWords(set.options, left.setting) || "as built";
    await hall.update(barSetups, eq(barSetups.barId, set.id), {
      ...(ask.as === "present" ? { present: left.setting, presentAt: context.clock.now() } : { stored: left.setting }),
      version: row.version + 1,
    });
    const before = ask.as === "present" ? row.present : row.stored;
    await recordChange(context, {
      entity: "bar",
      entityId: set.id,
      action: ask.as === "present" ? "set" : "storage setting",
      before: before && { setting: settingWords(set.options, before) },
      after: { setting: words },
    });
    return { ok: true, words };
  });
}

export interface SettingForm {
  lifter: string;
  tag: string;
  lift: string;
  setting: Record<string, string>;
  /** Short name of the rack or bench, and the hole used there; empty when it is not racked. */
  station: string;
  jCupHole: string;
  note: string;
  /** What the card is made for: total on the bar in kg, diameter of the largest plate in mm. */
  totalKg?: number;
  plateDiameterMm?: number;
}

/**
 * Keeps a setting for one lifter, bar and lift; the one before stays as history. A frame whose hands are off the axis,
 * or that meets floor or knees, is refused with the reason.
 */
export async function keepSetting(context: Context, form: SettingForm): Promise<Outcome<{ id: string }>> {
  if (!may(context, "setup.edit")) return forbidden("keep settings of lifters");
  const [set, lifts] = [await barToSet(context, form.tag), await liftsToSet(context)];
  if (!set) return notFound(`bar ${form.tag}`);
  const lift = lifts.find(({ key }) => key === form.lift);
  const problems: Problem[] = [];
  if (!lift) problems.push({ path: "lift", message: "choose the lift" });
  if (set.wantsChart && !set.chart)
    problems.push({ path: "setting", message: `${form.tag} has no chart yet: calibrate it first` });
  const read = readSetting(set.options, form.setting);
  if (!read.ok) problems.push(...read.problems);
  const hole = form.jCupHole.trim() === "" ? null : Number(form.jCupHole);
  if (hole !== null && !(Number.isInteger(hole) && hole >= 1 && hole <= 99))
    problems.push({ path: "jCupHole", message: "a hole is a whole number from 1 to 99" });
  if (hole !== null && form.station === "")
    problems.push({ path: "station", message: "say at which rack or bench the hole is" });
  if (form.totalKg !== undefined && !(form.totalKg >= 0 && form.totalKg <= 2000))
    problems.push({ path: "totalKg", message: "a load is from 0 to 2000 kg" });
  if (form.plateDiameterMm !== undefined && !(form.plateDiameterMm >= 100 && form.plateDiameterMm <= 1000))
    problems.push({ path: "plateMm", message: "a plate is from 100 to 1000 mm across" });
  if (form.note.length > 200) problems.push({ path: "note", message: "at most 200 characters" });
  if (problems.length > 0 || !read.ok || !lift) return invalid(problems);
  const reasons = refusalsOf(set, read.setting, form);
  if (reasons.length > 0)
    return failed(
      "impossible",
      `Not saved: ${reasons.join(" ")}`,
      reasons.map((message) => ({ path: "setting", message })),
    );
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const lifter = await hall.first(lifters, {
      where: and(eq(lifters.key, form.lifter), isNull(lifters.retiredAt)),
      forUpdate: true,
    });
    if (!lifter) return invalid([{ path: "lifter", message: "choose the lifter" }]);
    if (form.station && !(await hall.first(stations, { where: eq(stations.key, form.station) })))
      return invalid([{ path: "station", message: `there is no station ${form.station}` }]);
    const holes = await stationHoles(context, {
      set,
      setting: read.setting,
      lift,
      build: buildOf(lifter),
      lifterId: lifter.id,
    });
    const at = holes.find(({ key }) => key === form.station) ?? null;
    return {
      ok: true,
      ...(await writeSetting(context, {
        lifterId: lifter.id,
        barId: set.id,
        liftKey: lift.key,
        setting: read.setting,
        chartVersion: set.chartVersion,
        stationKey: form.station || null,
        jCupHole: hole,
        safetyHole: hole === null ? null : (at?.safetyHole ?? null),
        loadKg: form.totalKg ?? null,
        plateMm: form.plateDiameterMm ?? null,
        rackMm: at?.supportSpacingMm ?? null,
        note: form.note.trim() || null,
        words: `${form.tag}, ${lift.name}: ${settingWords(set.options, read.setting) || "as built"}`,
      })),
    };
  });
}

/** Why a setting must not be used whoever it is for; for frames only, others have nothing to tip. */
function refusalsOf(set: SetBar, setting: Setting, { totalKg, plateDiameterMm }: SettingForm): string[] {
  if (set.chart?.kind !== "frame") return [];
  const barKg = valueOf(set.bar, "mass") ?? 25;
  return frameAnswer(set.chart, frameSettingOf(setting), {
    barKg,
    perSideKg: Math.max(0, (totalKg ?? barKg) - barKg) / 2,
    plateDiameterMm: plateDiameterMm ?? 450,
    kneesMm: null,
    rackMm: null,
  }).refusals.map(({ text }) => text);
}

type NewSetting = Omit<typeof lifterSettings.$inferInsert, "hallId" | "personId" | "keptAt"> & { words: string };

/** Keeps a setting; the one before stays as history. Call it in the transaction of whatever keeps it. */
async function writeSetting(context: Context, setting: NewSetting): Promise<{ id: string }> {
  return { id: (await writeSettings(context, [setting]))[0]! };
}

/**
 * Keeps settings, one at most for each lifter, bar and lift; those before stay as history.
 *
 * @returns their ids, in the order given.
 */
export async function writeSettings(context: Context, items: readonly NewSetting[]): Promise<string[]> {
  const { hall, actor, clock } = context;
  const keyOf = ({ lifterId, barId, liftKey }: Pick<NewSetting, "lifterId" | "barId" | "liftKey">) =>
    `${lifterId} ${barId} ${liftKey}`;
  const now = clock.now();
  const replaced = await hall.update(
    lifterSettings,
    and(
      isNull(lifterSettings.replacedAt),
      inArray(lifterSettings.barId, [...new Set(items.map(({ barId }) => barId))]),
      inArray(
        sql`${lifterSettings.lifterId} || ' ' || ${lifterSettings.barId} || ' ' || ${lifterSettings.liftKey}`,
        items.map(keyOf),
      ),
    ),
    { replacedAt: now },
  );
  const before = new Map(replaced.map((row) => [keyOf(row), row]));
  const ids = items.map(() => randomUUID() as string);
  await hall.insertMany(
    lifterSettings,
    items.map(({ words: _, ...values }, i) => ({ ...values, id: ids[i]!, personId: actor.personId, keptAt: now })),
  );
  await recordChanges(
    context,
    items.map(({ words, ...values }) => {
      const was = before.get(keyOf(values));
      return {
        entity: "lifter",
        entityId: values.lifterId,
        action: "setting kept",
        before: was && { setting: was.setting, jCupHole: was.jCupHole },
        after: { words, jCupHole: values.jCupHole },
      };
    }),
  );
  return ids;
}

/**
 * Copies a setting to another lifter: marks, pins and grips as they are, the J-cup hole by that lifter's own height
 * where the rule knows one, else left open.
 */
export async function copySetting(
  context: Context,
  ask: { id: string; lifter: string },
): Promise<Outcome<{ id: string }>> {
  if (!may(context, "setup.edit")) return forbidden("keep settings of lifters");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(lifterSettings, { where: eq(lifterSettings.id, ask.id) });
    if (!row) return notFound("setting like that");
    const lifter = await hall.first(lifters, {
      where: and(eq(lifters.key, ask.lifter), isNull(lifters.retiredAt)),
      forUpdate: true,
    });
    if (!lifter) return invalid([{ path: "lifter", message: "choose the lifter" }]);
    if (lifter.id === row.lifterId)
      return invalid([{ path: "lifter", message: "it is this lifter’s setting already" }]);
    const bar = await hall.first(bars, { where: eq(bars.id, row.barId) });
    const set = bar && (await barToSet(context, bar.tag));
    if (!set) return notFound("bar of that setting any more");
    const lift = (await liftsToSet(context)).find(({ key }) => key === row.liftKey) ?? null;
    const holes = await stationHoles(context, {
      set,
      setting: row.setting,
      lift,
      build: buildOf(lifter),
      lifterId: null,
    });
    const at = holes.find(({ key }) => key === row.stationKey);
    return {
      ok: true,
      ...(await writeSetting(context, {
        lifterId: lifter.id,
        barId: row.barId,
        liftKey: row.liftKey,
        setting: row.setting,
        chartVersion: row.chartVersion,
        stationKey: at?.ruleHole ? row.stationKey : null,
        jCupHole: at?.ruleHole ?? null,
        safetyHole: at?.ruleHole ? (at.safetyHole ?? null) : null,
        // The load is the other lifter's own where it is known, else what this card was made for.
        loadKg: usualKgOf(lifter.usualLoads, row.liftKey) ?? row.loadKg,
        plateMm: row.plateMm,
        rackMm: at?.ruleHole ? at.supportSpacingMm : null,
        note: null,
        words: `${set.bar.tag}, ${lift?.name ?? row.liftKey}: copied`,
      })),
    };
  });
}

/** What a lifter usually loads on a lift, in kg; null when nobody entered it. */
export function usualKgOf(usual: Record<string, { value: string; unit: string }> | null, liftKey: string) {
  const typed = usual?.[liftKey] as TypedQuantity | undefined;
  return typed ? convertTyped(typed) : null;
}
