import "server-only";
import { eq } from "drizzle-orm";
import { type Bar, valueOf } from "@/core/bars/bar";
import { blockTimes } from "@/core/classes/blockTimes";
import type { ClassQuestion, PlannedClass, PlatePool } from "@/core/classes/planClass";
import { kgFromMassUnits, massUnitsFromKg } from "@/core/units/exactMass";
import { trimNumeric } from "@/data/barRecordRows";
import { classEntries, classes } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { careFollows } from "@/server/care/planning";
import { compute } from "@/server/computing";
import { listClamps, listStations } from "@/server/equipment";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { plateKindAtHand, platesAtHand } from "@/server/loading";
import { matchingRules } from "@/server/rules";
import { USUAL_WARM_UP, classPool } from "./classPool";
import { type ClassRow, classDetails, entriesOf } from "./classes";
import { type Assigned, assignedByLog, keepLoads, loadsOnBars } from "./followLog";

/** Whoever assigns a class waits for it. */
export const ASSIGN_MS = 30_000;

/** What the assignment of a class is asked. */
export async function questionOf(context: Context, row: ClassRow): Promise<ClassQuestion> {
  const [asked, rules, { items: stations }] = [
    await entriesOf(context, row),
    await matchingRules(context),
    await listStations(context),
  ];
  return {
    entries: asked.entries,
    // What is out of use takes nobody, whatever the class asked for.
    stations: stations.flatMap(({ key, name, kind, supportSpacingMm, ratedKg, nearPlace, outOfUse }) =>
      row.capacities[key] && !outOfUse
        ? [{ key, name, kind, supportSpacingMm, ratedKg, nearPlace, capacity: row.capacities[key] }]
        : [],
    ),
    blocks: row.blocks,
    bars: asked.bars,
    placeOf: asked.placeOf,
    rules,
    today: context.clock.today,
    pool: await platesOfGym(context, asked.bars, rules),
  };
}

/** The plates that the stations of a class share, and what its bars and clamps count. */
async function platesOfGym(
  context: Context,
  bars: readonly Bar[],
  { policies, loadToleranceKg }: Awaited<ReturnType<typeof matchingRules>>,
): Promise<PlatePool> {
  const [atHand, [clamp]] = [await platesAtHand(context), await listClamps(context)];
  return {
    plates: [...atHand.values()].map((plate) => {
      const { id, massUnits, pairs, thicknessMm, diameterMm } = plateKindAtHand(plate, plate.row.pairs);
      return { id, massUnits, pairs, diameterMm, thicknessMm: thicknessMm ?? 0 };
    }),
    names: Object.fromEntries(
      [...atHand].map(([key, { row }]) => [key, `${trimNumeric(row.massValue)} ${row.massUnit}`]),
    ),
    clampPairUnits: clamp?.pairMassUnits ?? 0,
    clampWidthMm: clamp?.widthMm ?? 0,
    toleranceUnits: massUnitsFromKg(loadToleranceKg),
    barUnits: Object.fromEntries(
      bars.flatMap((bar) => {
        const mass = valueOf(bar, "mass");
        return mass === null ? [] : [[bar.tag, massUnitsFromKg(policies.mass === "rounded" ? Math.round(mass) : mass)]];
      }),
    ),
  };
}

/** Less than this a set is not felt to be short, in kg. */
const FELT_KG = 0.5;
/** Time to plan every set around all others. */
const SETS_MS = 6_000;

/** The plan with how its sets, warm-ups too, come out when all stations share the plates. */
export async function withSets(context: Context, row: ClassRow, { plan, entries }: Assigned): Promise<PlannedClass> {
  if (!plan.plates) return plan;
  const pool = await classPool(context, row.id, USUAL_WARM_UP, { plan, entries });
  if (!pool.ok || pool.question.stations.length === 0) return plan;
  const { question, lifterOf } = pool;
  const planned = await compute(context, "platesOfClass", question, { ms: SETS_MS });
  if (!planned) return plan;
  const timeOf = (atMinutes: number) => blockTimes(row.startsAt, Math.floor(atMinutes), 2)[1]!;
  const short = planned.stations.flatMap(({ plan: own, sets }) =>
    own.sets.flatMap(({ id, errorUnits }, i) => {
      const lackKg = kgFromMassUnits(-errorUnits);
      return lackKg < FELT_KG ? [] : [{ lifter: lifterOf[id]!, time: timeOf(sets[i]!.atMinutes), lackKg }];
    }),
  );
  const count = question.stations.reduce((sum, { sets }) => sum + sets.length, 0);
  return { ...plan, plates: { ...plan.plates, sets: { count, short } } };
}

/** Works out who is where with what, and keeps it. */
export async function assignTonight(context: Context, classId: string): Promise<Outcome<{ plan: PlannedClass }>> {
  if (!may(context, "class.edit")) return forbidden("assign classes");
  const row = await classOf(context, classId);
  if (!row) return notFound("such class");
  const question = await questionOf(context, row);
  if (question.entries.length === 0) return failed("impossible", "Nobody is in this class yet.");
  const assigned = await assignedByLog(context, row, question, (asked) =>
    compute(context, "classPlan", asked, { ms: ASSIGN_MS }),
  );
  return keepPlan(context, row, await withSets(context, row, assigned), "assigned", (context) =>
    keepLoads(context, question.entries, assigned.entries),
  );
}

/**
 * Works a class out again of which something broke, changing as little as possible: bars that nobody may lift with any
 * more are no longer fixed, and whose plan holds stays where they are if that can be.
 *
 * @returns the plan, and how many were moved though nothing was wrong with their place
 */
export async function reassignTonight(
  context: Context,
  classId: string,
): Promise<Outcome<{ plan: PlannedClass; changed: number; moved: number }>> {
  if (!may(context, "class.edit")) return forbidden("assign classes");
  const result = await classDetails(context, classId);
  if (!result.ok) return result;
  const { row, plan: before, breaks } = result.details;
  if (!before) return failed("impossible", "This class is not assigned yet. Assign it first.");
  if (breaks.size === 0) return { ok: true, plan: before, changed: 0, moved: 0 };
  const question = await questionOf(context, row);
  const usable = new Set(question.bars.map(({ tag }) => tag));
  const freed = question.entries.filter(({ tag, id }) => tag !== null && (breaks.has(id) || !usable.has(tag)));
  const free = new Set(freed.map(({ id }) => id));
  const { moved, ...found } = await compute(
    context,
    "classAgain",
    {
      ...question,
      entries: question.entries.map((entry) => (free.has(entry.id) ? { ...entry, tag: null } : entry)),
      before,
      broken: [...breaks.keys()],
    },
    { ms: ASSIGN_MS },
  );
  const assigned = { plan: found, entries: await loadsOnBars(context, row, question, found) };
  const plan = await withSets(context, row, assigned);
  const kept = await keepPlan(context, row, plan, "reassigned", async (context) => {
    const { hall } = context;
    for (const { id } of freed) await hall.update(classEntries, eq(classEntries.id, id), { lockedBarId: null });
    await keepLoads(context, question.entries, assigned.entries);
  });
  return kept.ok ? { ...kept, changed: breaks.size, moved: moved.length } : kept;
}

export const classOf = async ({ hall }: Context, id: string): Promise<ClassRow | null> =>
  /^[0-9a-f-]{36}$/.test(id) ? hall.first(classes, { where: eq(classes.id, id) }) : null;

/** Keeps a plan unless somebody changed the class meanwhile. */
export function keepPlan(
  context: Context,
  row: ClassRow,
  plan: PlannedClass,
  action: string,
  more?: (context: Context) => Promise<void>,
): Promise<Outcome<{ plan: PlannedClass }>> {
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const now = await hall.first(classes, { where: eq(classes.id, row.id), forUpdate: true });
    if (!now || now.version !== row.version)
      return failed("stale", "Someone else changed the class meanwhile. Assign it once more.");
    await more?.(context);
    await hall.update(classes, eq(classes.id, row.id), { plan });
    await careFollows(context);
    await recordChange(context, { entity: "class", entityId: row.id, action });
    return { ok: true, plan };
  });
}
