import "server-only";
import { eq } from "drizzle-orm";
import type { RunState } from "@/core/loading/run/runState";
import { stepRun } from "@/core/loading/run/runStep";
import { trimmed } from "@/core/units/format";
import { runSteps, runs } from "@/data/schema";
import { type Context, inTransaction } from "@/server/access";
import { pairsAtHand, platesAtHand } from "./platesAtHand";
import { findRun, type RunRow } from "./runRow";

/** Plates put away, counted or weighed anew since the plan: what comes is planned again, and it is said. */
export async function withPlatesOfNow(context: Context, row: RunRow): Promise<RunRow> {
  const changed = await platesChanged(context, row);
  if (changed.length === 0) return row;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const locked = (await findRun(hall, row.id, true))!;
    const changes = await platesChanged(context, locked);
    if (changes.length === 0) return locked;
    const fresh = new Map(changes.map((one) => [one.plate.id, one.plate]));
    const plates = locked.state.plates.map((plate) => fresh.get(plate.id) ?? plate);
    const { state } = stepRun(locked.state, { kind: "plates", plates });
    const [updated] = await hall.update(runs, eq(runs.id, row.id), { state, seq: locked.seq + 1 });
    await hall.insert(runSteps, {
      runId: row.id,
      arrivedAt: context.clock.now(),
      seq: locked.seq + 1,
      kind: "plates",
      setId: null,
      detail: changes.map(({ plate }) => plate),
      outcome: "taken",
      notice: `${changes.map(({ words }) => words).join(" ")} What comes was replanned.`,
      personId: context.actor.personId,
      madeAt: context.clock.now(),
    });
    await hall.tell("run", row.id);
    return updated!;
  });
}

/** Plates that count otherwise than the plan took them, or of which the hall has fewer than it may use. */
async function platesChanged(context: Context, { id, state }: RunRow) {
  const atHand = await platesAtHand(context, id);
  return state.plates.flatMap((plate) => {
    const now = atHand.get(plate.id);
    const label = now ? `${trimmed(Number(now.row.massValue), 3)} ${now.row.massUnit}` : plate.id;
    // More than was planned with is no reason to plan again; fewer is, and so is another mass.
    const pairs = Math.min(plate.pairs, now?.row.pairs ?? 0);
    const massUnits = now?.massUnits ?? plate.massUnits;
    const thicknessMm = now?.row.thicknessMm ?? plate.thicknessMm;
    if (pairs === plate.pairs && massUnits === plate.massUnits && thicknessMm === plate.thicknessMm) return [];
    const words =
      pairs < plate.pairs
        ? pairs === 0
          ? `No ${label} plates are left.`
          : `Of the ${label} plates ${pairs} ${pairs === 1 ? "pair is" : "pairs are"} left.`
        : `The ${label} plates were measured again.`;
    return [{ plate: { ...plate, pairs, massUnits, thicknessMm }, words }];
  });
}

/** The run with the pairs that other sessions leave it from now on, for planning what comes. */
export async function amongOthers(context: Context, { id, state }: RunRow): Promise<RunState> {
  const atHand = await platesAtHand(context, id);
  return {
    ...state,
    plates: state.plates.map((plate) => {
      const now = atHand.get(plate.id);
      return now ? { ...plate, pairs: pairsAtHand(now, "throughout") } : plate;
    }),
  };
}
