import "server-only";
import { eq } from "drizzle-orm";
import { blockTimes } from "@/core/classes/blockTimes";
import type { ClassEntry, PlacedEntry, PlannedClass } from "@/core/classes/planClass";
import type { Verdict } from "@/core/matching/verdict";
import { classEntries } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { compute } from "@/server/computing";
import { type Outcome, failed, forbidden, notFound } from "@/server/kit";
import { ASSIGN_MS, classOf, keepPlan, questionOf } from "./assign";
import type { ClassRow } from "./classes";
import { loadsOnBars, keepLoads } from "./followLog";

/** Somebody, or a bar, put elsewhere on the board. Blocks count from 0. */
export type ClassMove =
  | { kind: "person"; entryId: string; block: number; station: string }
  | { kind: "bar"; tag: string; block: number; station: string };

/** Where an entry is, for people. */
export interface PlaceWords {
  time: string;
  station: string;
  tag: string;
  verdict: Verdict;
}

/** What a move would make of the class. */
export interface MoveCost {
  /** Shares of the greatest fit, 0 to 1, before and after. */
  fitBefore: number;
  fitAfter: number;
  /** Everybody whose block, station, bar or verdict changes; null where they have no place. */
  changes: {
    id: string;
    lifter: string;
    lift: string;
    from: PlaceWords | null;
    to: PlaceWords | null;
    /** What it costs them, in words; empty when nothing. */
    because: string;
  }[];
  /** Whether everybody who is put there can be there. */
  isPossible: boolean;
  /** Who cannot have their plates on at the same moment, in words; empty when the plates reach. */
  clashes: string[];
}

interface Moved {
  cost: MoveCost;
  plan: PlannedClass;
  entries: readonly ClassEntry[];
  question: Awaited<ReturnType<typeof questionOf>>;
  /** What is fixed by the move. */
  locks: { id: string; block: number; station: string }[];
  /** The bar that everybody put there has now; null where bars are as they were fixed. */
  tag: string | null;
  /** Entries whose bar is no longer fixed, since it is elsewhere now. */
  loosened: string[];
  row: ClassRow;
}

/**
 * What it costs to put somebody or a bar elsewhere; nothing is kept. Everybody else stays where they are unless
 * somebody would have no place then.
 */
export async function weighMove(
  context: Context,
  classId: string,
  move: ClassMove,
): Promise<Outcome<{ cost: MoveCost }>> {
  const result = await moved(context, classId, move);
  return result.ok ? { ok: true, cost: result.cost } : result;
}

/** Puts somebody or a bar elsewhere, fixed there, and keeps what it makes of the class. */
export async function moveInClass(
  context: Context,
  classId: string,
  move: ClassMove,
): Promise<Outcome<{ cost: MoveCost }>> {
  const result = await moved(context, classId, move);
  if (!result.ok) return result;
  const { row, plan, entries, question, locks, tag, loosened, cost } = result;
  if (!cost.isPossible) return failed("impossible", "Someone would be unassigned there. Choose another place.");
  const barId = tag === null ? null : (await barsOnTheWall(context)).find(({ bar }) => bar.tag === tag)?.id;
  const kept = await keepPlan(context, row, plan, "moved", async (context) => {
    const { hall } = context;
    for (const { id, block, station } of locks)
      await hall.update(classEntries, eq(classEntries.id, id), {
        ...{ lockedBlock: block + 1, lockedStation: station },
        ...(barId ? { lockedBarId: barId } : {}),
      });
    for (const id of loosened) await hall.update(classEntries, eq(classEntries.id, id), { lockedBarId: null });
    await keepLoads(context, question.entries, entries);
  });
  return kept.ok ? { ok: true, cost } : kept;
}

async function moved(context: Context, classId: string, move: ClassMove): Promise<Outcome<Moved>> {
  if (!may(context, "class.edit")) return forbidden("change classes");
  const row = await classOf(context, classId);
  if (!row) return notFound("such class");
  const before = row.plan as PlannedClass | null;
  if (!before) return failed("impossible", "This class is not assigned yet. Assign it first.");
  if (!(move.block >= 0 && move.block < row.blocks)) return notFound("such block");
  if (!(move.station in row.capacities)) return notFound("such station in the class");
  const question = await questionOf(context, row);
  const at = (block: number, station: string) =>
    before.entries.filter((one) => one.block === block && one.station === station).map(({ id }) => id);
  const put = move.kind === "person" ? [move.entryId] : at(move.block, move.station);
  const names = new Set(question.entries.map(({ id }) => id));
  if (put.length === 0 || put.some((id) => !names.has(id)))
    return failed(
      "impossible",
      move.kind === "bar" ? "Nobody lifts there. Add someone there first." : "Nobody of that name is in this class.",
    );
  if (move.kind === "bar" && !question.bars.some(({ tag }) => tag === move.tag))
    return failed("impossible", `${move.tag} may not be lifted with now. Take another bar.`);
  const tag = move.kind === "bar" ? move.tag : null;
  const locks = put.map((id) => ({ id, block: move.block, station: move.station }));
  const freed = new Set(put);
  // A bar is at one station at a time: whoever had it in the same block gets another.
  if (move.kind === "bar")
    for (const { id, block, tag: had } of before.entries) if (had === move.tag && block === move.block) freed.add(id);
  const loosened = question.entries
    .filter((entry) => freed.has(entry.id) && !put.includes(entry.id) && entry.tag === tag)
    .map(({ id }) => id);
  const plan: PlannedClass = await compute(
    context,
    "classAgain",
    {
      ...question,
      entries: question.entries.map((entry) =>
        put.includes(entry.id)
          ? { ...entry, block: move.block, station: move.station, tag: tag ?? entry.tag }
          : loosened.includes(entry.id)
            ? { ...entry, tag: null }
            : entry,
      ),
      before,
      broken: [...freed],
    },
    { ms: ASSIGN_MS },
  );
  const entries = await loadsOnBars(context, row, question, plan);
  return {
    ok: true,
    ...{ row, plan, entries, question, locks, tag, loosened },
    cost: costOf(row, question, before, plan, put),
  };
}

function costOf(
  row: ClassRow,
  { entries, stations }: Awaited<ReturnType<typeof questionOf>>,
  before: PlannedClass,
  after: PlannedClass,
  put: readonly string[],
): MoveCost {
  const times = blockTimes(row.startsAt, row.blockMinutes, row.blocks);
  const wordsOf = (placed: PlacedEntry | undefined): PlaceWords | null =>
    placed && placed.block !== null && placed.tag !== null && placed.verdict !== null
      ? {
          time: times[placed.block]!,
          station: stations.find(({ key }) => key === placed.station)?.name ?? placed.station!,
          tag: placed.tag,
          verdict: placed.verdict,
        }
      : null;
  const becauseOf = (id: string) => after.entries.find((one) => one.id === id)?.tradeOff ?? "";
  return {
    isPossible: put.every((id) => after.entries.some((one) => one.id === id && one.block !== null)),
    fitBefore: before.fit,
    fitAfter: after.fit,
    changes: entries.flatMap(({ id, personName, lift }) => {
      const [from, to] = [before, after].map((plan) => wordsOf(plan.entries.find((one) => one.id === id)));
      const isSame = JSON.stringify(from) === JSON.stringify(to);
      return isSame ? [] : [{ id, lifter: personName, lift: lift.name, from: from!, to: to!, because: becauseOf(id) }];
    }),
    clashes: after.plates?.clashes ?? [],
  };
}
