import "server-only";
import { eq } from "drizzle-orm";
import { capacityKey, readClass } from "@/core/classes/readClass";
import { PURPOSES } from "@/core/matching/lifter";
import type { Problem } from "@/core/problem";
import { convertTyped, readTyped } from "@/core/units/typedQuantity";
import { bars, classEntries, classes, lifters } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { listStations } from "@/server/equipment";
import { careFollows } from "@/server/care/planning";
import { type Outcome, failed, forbidden, notFound, recordChange, stale } from "@/server/kit";
import { allLifts } from "@/server/lifts";
import { expecting } from "@/server/logbook";
import type { ClassRow } from "./classes";
import { START_SET } from "./followLog";

export interface ClassForm {
  id: string | null;
  version: number;
  name: string;
  heldOn: string;
  startsAt: string;
  blockMinutes: string;
  blocks: string;
  /** How many share each station, as typed; empty where it is not used. */
  capacities: Record<string, string>;
}

/** Enters a class, or changes when it is and where. What was assigned before no longer holds then. */
export async function saveClass(context: Context, form: ClassForm): Promise<Outcome<{ id: string }>> {
  if (!may(context, "class.edit")) return forbidden("enter classes");
  const { name, heldOn, startsAt, blockMinutes, blocks, capacities: asked } = form;
  const shares = Object.fromEntries(Object.entries(asked).map(([key, text]) => [capacityKey(key), text]));
  const read = readClass(
    { name, heldOn, startsAt, blockMinutes, blocks, ...shares },
    (await listStations(context)).items,
  );
  if (!read.ok) return failed("invalid", "Nothing was changed.", read.problems);
  const { value } = read;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    if (form.id === null) {
      const [made] = await hall.insert(classes, value);
      await recordChange(context, { entity: "class", entityId: made!.id, action: "entered", after: value });
      return { ok: true, id: made!.id };
    }
    const row = await hall.first(classes, { where: eq(classes.id, form.id), forUpdate: true });
    if (!row) return notFound("such class");
    if (row.version !== form.version)
      return stale(
        `Someone else changed ${row.name} meanwhile: it is now on ${row.heldOn} at ${row.startsAt}, ${row.blocks} × ${row.blockMinutes} min. Nothing was changed; what you typed is still here.`,
        row.version,
      );
    await hall.update(classes, eq(classes.id, row.id), { ...value, plan: null, version: row.version + 1 });
    if (row.plan !== null) await careFollows(context);
    await recordChange(context, { entity: "class", entityId: row.id, action: "edited", after: value });
    return { ok: true, id: row.id };
  });
}

export interface EntryForm {
  classId: string;
  lifter: string;
  lift: string;
  load: string;
  purpose: string;
}

/**
 * Puts a lifter's lift into a class. Without a load it follows the log: it is set anew for the bar that they get.
 *
 * @param bout which of their bars in this lift, in the order of the evening.
 */
export async function addEntry(context: Context, form: EntryForm, bout = 1): Promise<Outcome<{ id: string }>> {
  if (!may(context, "class.edit")) return forbidden("change classes");
  const followsLog = form.load.trim() === "";
  const said = followsLog ? await startText(context, form) : form.load.trim();
  const typed = readTyped(said, "kg");
  const kg = typed && (typed.unit === "kg" || typed.unit === "lb") ? convertTyped(typed) : NaN;
  const problems: Problem[] = [];
  if (!(kg > 0 && kg <= 2000))
    problems.push({
      path: "load",
      message:
        said === "" ? "load: nothing is logged to start from; write 80 kg" : `load: “${said}” is none; write 80 kg`,
    });
  const lift = (await allLifts(context)).find(({ key }) => key === form.lift);
  if (!lift) problems.push({ path: "lift", message: "lift: choose one" });
  const purpose = PURPOSES.find((key) => key === form.purpose) ?? "general";
  return changeClass(context, form.classId, `${form.lifter} enters`, async (context) => {
    const { hall } = context;
    const lifter = await hall.first(lifters, { where: eq(lifters.key, form.lifter) });
    if (!lifter || lifter.retiredAt) problems.push({ path: "lifter", message: "lifter: choose one" });
    if (lifter && lift) {
      const same = await hall.rows(classEntries, { where: eq(classEntries.classId, form.classId) });
      if (same.some((one) => one.lifterId === lifter.id && one.liftKey === lift.key && one.bout === bout))
        problems.push({ path: "lift", message: `lift: ${lifter.name} does the ${lift.name} in this class already` });
    }
    if (problems.length > 0) return failed("invalid", "Nothing was changed.", problems);
    const [made] = await hall.insert(classEntries, {
      classId: form.classId,
      lifterId: lifter!.id,
      liftKey: lift!.key,
      loadValue: typed!.value,
      loadUnit: typed!.unit,
      loadKg: kg,
      ...{ followsLog, bout, purpose },
    });
    return { ok: true, id: made!.id };
  });
}

/** What a lifter starts with on a straight bar by their log, to the nearest 2.5 kg; empty without one. */
async function startText(context: Context, { lifter: key, lift }: EntryForm): Promise<string> {
  const lifter = await context.hall.first(lifters, { where: eq(lifters.key, key) });
  if (!lifter) return "";
  const expected = (await expecting(context, [lifter.id], lift)).of(lifter.id, {
    ...{ barId: "", family: "power" as const, setting: "", handsHelped: false },
    ...START_SET,
  });
  return expected ? `${Math.floor(expected.value / 2.5) * 2.5} kg` : "";
}

/** Takes an entry out of a class again. */
export function removeEntry(context: Context, classId: string, entryId: string): Promise<Outcome<{ id: string }>> {
  return changeClass(context, classId, "an entry leaves", async (context) => {
    const { hall } = context;
    const entry = await hall.first(classEntries, { where: eq(classEntries.id, entryId) });
    if (!entry || entry.classId !== classId) return notFound("such entry");
    await hall.remove(classEntries, eq(classEntries.id, entryId));
    return { ok: true, id: entryId };
  });
}

/** What is fixed of an entry now. */
async function pinOf({ hall }: Context, entry: typeof classEntries.$inferSelect) {
  const bar = entry.lockedBarId ? await hall.first(bars, { where: eq(bars.id, entry.lockedBarId) }) : null;
  return { block: entry.lockedBlock, station: entry.lockedStation, tag: bar?.tag ?? null };
}

/**
 * Fixes block, station or bar of an entry; null frees it.
 *
 * @param was what the screen showed as fixed; another choice since then is not overwritten.
 */
export function lockEntry(
  context: Context,
  classId: string,
  entryId: string,
  lock: { block: number | null; station: string | null; tag: string | null },
  was?: { block: number | null; station: string | null; tag: string | null },
): Promise<Outcome<{ id: string }>> {
  return changeClass(context, classId, "a choice is fixed or freed", async (context, row) => {
    const { hall } = context;
    const entry = await hall.first(classEntries, { where: eq(classEntries.id, entryId) });
    if (!entry || entry.classId !== classId) return notFound("such entry");
    if (was) {
      const held = await pinOf(context, entry);
      if (held.block !== was.block || held.station !== was.station || held.tag !== was.tag)
        return failed(
          "stale",
          `Someone else fixed this meanwhile: ${held.block === null ? "any block" : `block ${held.block}`}, ${held.station ?? "any station"}, ${held.tag ?? "any bar"}. Nothing was changed.`,
        );
    }
    if (lock.block !== null && !(lock.block >= 1 && lock.block <= row.blocks)) return notFound("such block");
    if (lock.station !== null && !(lock.station in row.capacities)) return notFound("such station in the class");
    const bar = lock.tag === null ? null : (await barsOnTheWall(context)).find((one) => one.bar.tag === lock.tag);
    if (lock.tag !== null && !bar) return notFound(`bar ${lock.tag}`);
    await hall.update(classEntries, eq(classEntries.id, entryId), {
      lockedBlock: lock.block,
      lockedStation: lock.station,
      lockedBarId: bar?.id ?? null,
    });
    return { ok: true, id: entryId };
  });
}

/** Every change of what a class asks makes what was assigned stale. */
async function changeClass<T extends object>(
  context: Context,
  classId: string,
  action: string,
  work: (context: Context, row: ClassRow) => Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  if (!may(context, "class.edit")) return forbidden("change classes");
  if (!/^[0-9a-f-]{36}$/.test(classId)) return notFound("such class");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(classes, { where: eq(classes.id, classId), forUpdate: true });
    if (!row) return notFound("such class");
    const result = await work(context, row);
    if (!result.ok) return result;
    await hall.update(classes, eq(classes.id, classId), { plan: null, version: row.version + 1 });
    // What was assigned counted as use.
    if (row.plan !== null) await careFollows(context);
    await recordChange(context, { entity: "class", entityId: classId, action });
    return result;
  });
}
