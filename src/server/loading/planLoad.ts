import "server-only";
import { ratedTotalKg, valueOf } from "@/core/bars/bar";
import { outOfUseText } from "@/core/bars/fitness";
import { type Blow, blowOf } from "@/core/loading/blow";
import { type Ending, IRON_TO_RUBBER, type IronToRubber } from "@/core/loading/endings";
import type { KeptAway } from "@/core/loading/keptAway";
import type { LoadAnswer } from "@/core/loading/load";
import type { LoadQuestion, Rounding } from "@/core/loading/question";
import type { Policies } from "@/core/matching/policies";
import { massUnitsFromKg } from "@/core/units/exactMass";
import type { Context } from "@/server/access";
import type { ListedBar } from "@/server/bars";
import type { ClampRow, PlateRow } from "@/server/equipment";
import { compute } from "@/server/computing";
import { type Outcome, failed } from "@/server/kit";
import { matchingRules } from "@/server/rules";
import { activeRuns } from "./activeRuns";
import { type PlateAtHand, pairsAtHand, plateKindAtHand, platesAtHand } from "./platesAtHand";

export interface LoadWish {
  targetKg: number;
  clamps: ClampRow | null;
  ending: Ending;
  /** "nearest": within the tolerance of the target, either way, the fewest plates win. */
  rounding: Rounding;
  /** Null for the house's. */
  toleranceKg: number | null;
  /** Plates of one unit only, or all the hall has. */
  only: "kg" | "lb" | null;
  /** Keys of the plates on each side now, inside first; plates the hall does not have are left out. */
  onBar: readonly string[];
}

export interface LoadPlan {
  question: LoadQuestion;
  answer: LoadAnswer;
  /** What keeps it away from the target. */
  away: readonly KeptAway[];
  /** Every plate of the hall, by key. */
  plates: Map<string, PlateRow>;
  /** What is on the bar now, as far as the hall has such plates. */
  onBar: string[];
  barKg: number;
  /** What the bar counts as by the house's rule on masses. */
  countedKg: number;
  /** Plates that sessions at other bars hold now, as far as there are any. */
  heldElsewhere: { key: string; pairs: number; where: string }[];
  /** What lending plates from them would make of it; null where that is no nearer. */
  /** How the floor takes it when it is dropped; of what the load would be where dropping it is refused. */
  blow: { perSide: string[]; totalUnits: number; blow: Blow } | null;
  borrow: { achievedUnits: number; errorUnits: number; from: { key: string; pairs: number; where: string[] }[] } | null;
}

/** What the house lets hang among rubber when a bar is dropped (handbook §10). */
const IRON_POLICIES: Record<Policies["iron"], IronToRubber> = {
  "30": IRON_TO_RUBBER,
  "20": { warn: 0.15, refuse: 0.2 },
};

/** Loads a real bar with the plates of the hall, counting its measured mass. */
export async function planLoad(
  context: Context,
  { bar }: ListedBar,
  wish: LoadWish,
): Promise<Outcome<{ plan: LoadPlan }>> {
  const out = outOfUseText(bar);
  if (out) return failed("impossible", `${out} Take another bar.`);
  const barKg = valueOf(bar, "mass");
  if (barKg === null)
    return failed("impossible", `The mass of ${bar.tag} is unknown, so no load can be worked out. Weigh it first.`);
  const [own, { policies, loadToleranceKg }] = [
    (await activeRuns(context)).find((run) => run.tag === bar.tag),
    await matchingRules(context),
  ];
  // What is on this very bar is at hand.
  const atHand = await platesAtHand(context, own?.id);
  // By the house's rule the bar counts as whole kilograms; the caller says what that hides.
  const countedKg = policies.mass === "rounded" ? Math.round(barKg) : barKg;
  const plates = new Map([...atHand].map(([key, { row, massUnits }]) => [key, { ...row, massUnits }]));
  const chosen = [...atHand.values()].filter(({ row }) => wish.only === null || row.massUnit === wish.only);
  const onBar = owned(
    wish.onBar.filter((key) => wish.only === null || plates.get(key)?.massUnit === wish.only),
    plates,
  );
  const sleeve = valueOf(bar, "sleeveLength");
  const rated = ratedTotalKg(bar);
  const question: LoadQuestion = {
    targetUnits: massUnitsFromKg(wish.targetKg),
    barUnits: massUnitsFromKg(countedKg),
    clampPairUnits: wish.clamps?.pairMassUnits ?? 0,
    roomMm: sleeve === null ? null : Math.max(0, sleeve - (wish.clamps?.widthMm ?? 0)),
    ratedUnits: rated === null ? null : massUnitsFromKg(rated),
    // What is on the bar is at hand, whatever others hold.
    plates: chosen.map((plate) =>
      plateKindAtHand(plate, Math.max(pairsAtHand(plate, "now"), onBar.filter((key) => key === plate.row.key).length)),
    ),
    ending: wish.ending,
    ironToRubber: IRON_POLICIES[policies.iron],
    rounding: wish.rounding,
    ...nearEnough(wish, loadToleranceKg),
    order: policies.stack,
    onBar: onBar.length > 0 ? onBar : null,
  };
  const { answer, away } = await compute(context, "loadAndWhy", question);
  const heldElsewhere = chosen.flatMap(({ row, held }) =>
    held.flatMap(({ where, now }) => (now > 0 ? [{ key: row.key, pairs: now, where }] : [])),
  );
  const borrow = heldElsewhere.length === 0 ? null : await borrowed(context, question, answer, chosen);
  return {
    ok: true,
    plan: {
      question,
      answer,
      away,
      plates,
      onBar,
      barKg,
      countedKg,
      heldElsewhere,
      borrow,
      blow: await dropped(context, question, answer),
    },
  };
}

/** How near is near enough: round the target, or, where nothing may be over it, below the nearest. */
function nearEnough({ rounding, toleranceKg }: LoadWish, houseKg: number) {
  const units = massUnitsFromKg(toleranceKg ?? houseKg);
  return rounding === "nearest" ? { toleranceUnits: 0, floorUnits: units } : { toleranceUnits: units };
}

/** The blow of what is dropped, or, where that is refused, of what it would be. */
async function dropped(context: Context, question: LoadQuestion, answer: LoadAnswer): Promise<LoadPlan["blow"]> {
  if (question.ending !== "dropped") return null;
  const wouldBe = answer.ok ? answer : await compute(context, "load", { ...question, ending: "racked" });
  if (!wouldBe.ok) return null;
  const perSide = wouldBe.perSide.map((id) => question.plates.find((plate) => plate.id === id)!);
  return {
    perSide: wouldBe.perSide,
    totalUnits: wouldBe.achievedUnits,
    blow: blowOf(perSide, wouldBe.achievedUnits, question.ironToRubber, question.maxKgPerRubberMm),
  };
}

/** The load with every plate of the hall, where that comes nearer, and which would have to be fetched from where. */
async function borrowed(
  context: Context,
  question: LoadQuestion,
  answer: LoadAnswer,
  chosen: readonly PlateAtHand[],
): Promise<LoadPlan["borrow"]> {
  const plates = chosen.map((plate) => plateKindAtHand(plate, plate.row.pairs));
  const all = await compute(context, "load", { ...question, plates });
  if (!all.ok || (answer.ok && Math.abs(all.errorUnits) >= Math.abs(answer.errorUnits))) return null;
  const from = chosen.flatMap((plate) => {
    const pairs = all.perSide.filter((key) => key === plate.row.key).length - pairsAtHand(plate, "now");
    const where = plate.held.filter(({ now }) => now > 0).map((held) => held.where);
    return pairs > 0 ? [{ key: plate.row.key, pairs, where }] : [];
  });
  return from.length === 0 ? null : { achievedUnits: all.achievedUnits, errorUnits: all.errorUnits, from };
}

/** The stack up to the first plate that the hall does not have, or has no more pairs of. */
function owned(stack: readonly string[], plates: ReadonlyMap<string, PlateRow>): string[] {
  const used = new Map<string, number>();
  const end = stack.findIndex((key) => {
    used.set(key, (used.get(key) ?? 0) + 1);
    return used.get(key)! > (plates.get(key)?.pairs ?? 0);
  });
  return stack.slice(0, end < 0 ? undefined : end);
}
