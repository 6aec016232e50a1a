import type { MassUnits } from "../units/exactMass";
import { IRON_TO_RUBBER, ironShareVerdict, isBlowCarried, MAX_KG_PER_RUBBER_MM } from "./endings";
import { STEP_BUDGET, type Budget, type Label } from "./labelSearch";
import { loadWarnings, type LoadWarning } from "./loadWarnings";
import { largerFirst, type PlateKind } from "./plateKind";
import type { LoadQuestion, Rounding } from "./question";
import { EMPTY_SIDE, sideOf, type Side } from "./side";
import { isLabelAllowed, labelFinder, tableFinder, type SideFinder, type SideLimits } from "./sideFinder";

export interface LoadOption {
  achievedUnits: MassUnits;
  /** Plate ids of one side, inside first. */
  perSide: string[];
}

export type LoadAnswer =
  | ({
      ok: true;
      /** Achieved minus target. */
      errorUnits: MassUnits;
      warnings: LoadWarning[];
      /** Other loads near the target, nearest first. */
      alternatives: LoadOption[];
    } & LoadOption)
  | { ok: false; code: "bar-over-target" | "over-rating" | "ending-forbids"; message: string };

/**
 * Which plates go on each side.
 *
 * Exact: masses are whole numbers, and bar + clamps + 2 × side is compared with the target, never a halved target.
 * Preferred, in this order: nearest to the target (at or below it, unless asked otherwise); when the bar is
 * loaded already, fewest plates handled; fewest plates; larger plates inside.
 *
 * A plain table over mass and count answers most questions. Where its answer does not fit the sleeve or the way
 * the set ends, all ways that can matter are searched.
 *
 * @returns plates of one side, inside first, with what is achieved and its error in mass units, warnings and alternatives; or why it cannot be
 */
export function load(question: LoadQuestion): LoadAnswer {
  const { targetUnits, barUnits, clampPairUnits, ratedUnits } = question;
  const needUnits = targetUnits - barUnits - clampPairUnits;
  if (needUnits < 0)
    return {
      ok: false,
      code: "bar-over-target",
      message: "The bar and its clamps alone are heavier than the wished load.",
    };
  if (ratedUnits !== null && targetUnits > ratedUnits)
    return { ok: false, code: "over-rating", message: "The wished load is over what the bar may carry." };

  // A search near the target settles nearly every question; only where nothing is near does it look everywhere.
  const answer =
    search(question, needUnits, tableFinder, Infinity) ??
    search(question, needUnits, labelFinder, NEAR_UNITS) ??
    search(question, needUnits, labelFinder, Infinity)!;
  if (question.ending === "dropped" && answer.perSide.length === 0 && canHoldAPlate(question, needUnits))
    return { ok: false, code: "ending-forbids", message: DROP_FORBIDS };
  return answer;
}

/** How near to the target a search looks first: 2.5 kg a side. */
const NEAR_UNITS = 25_000_000_000;

/** Whether any plate could go on if it did not matter how the set ends. */
function canHoldAPlate({ plates, roomMm }: LoadQuestion, needUnits: number): boolean {
  return plates.some(
    ({ pairs, massUnits, thicknessMm }) =>
      pairs > 0 && 2 * massUnits <= needUnits && (roomMm === null || (thicknessMm ?? 0) <= roomMm),
  );
}

const DROP_FORBIDS =
  "No way to load it may be dropped: iron is over the gym’s share of the rubber, or too little full-diameter rubber reaches the floor.";

type MakeFinder = (kinds: readonly PlateKind[], start: Side, limits: SideLimits, budget: Budget) => SideFinder | null;

/** Null when the finder cannot be used, when one of its answers is not allowed, or when nothing is as near as asked. */
function search(
  question: LoadQuestion,
  needUnits: number,
  makeFinder: MakeFinder,
  nearUnits: number,
): (LoadAnswer & { ok: true }) | null {
  const kinds = largerFirst(question.plates.filter(({ pairs }) => pairs > 0));
  const limits = limitsOf(question, needUnits, kinds, nearUnits + question.toleranceUnits + (question.floorUnits ?? 0));
  const budget: Budget = { steps: STEP_BUDGET };
  const fresh = makeFinder(kinds, EMPTY_SIDE, limits, budget);
  if (!fresh) return null;
  const nearest = nearestOf(fresh, needUnits, question.floorUnits === undefined ? question.rounding : "nearest");
  if (!nearest || limits.aimUnits - nearest.side.massUnits > nearUnits) return null;
  const [from, to] = equallyNear(needUnits, nearest.side.massUnits, question);

  const chosen = question.onBar
    ? fewestHandled(question, kinds, limits, fresh, [from, to], (left, start) =>
        budget.steps > 0 ? makeFinder(left, start, limits, budget) : null,
      )
    : stackOf(kinds, fresh.best(from, to));
  if (!chosen || !isLabelAllowed(chosen.label, limits)) return null;

  const others = neighbours(
    fresh,
    chosen.label.side.massUnits,
    needUnits,
    question.floorUnits === undefined ? question.toleranceUnits : 2 * question.floorUnits,
  );
  if (!others.every((label) => isLabelAllowed(label, limits))) return null;
  const total = (side: Side) => question.barUnits + question.clampPairUnits + 2 * side.massUnits;
  const achievedUnits = total(chosen.label.side);
  return {
    ok: true,
    achievedUnits,
    errorUnits: achievedUnits - question.targetUnits,
    perSide: chosen.ids,
    warnings: loadWarnings(question, chosen.label.side, achievedUnits, chosen.ids, budget.steps > 0),
    alternatives: others.map((label) => ({ achievedUnits: total(label.side), perSide: idsOf(kinds, label) })),
  };
}

interface Stack {
  ids: string[];
  label: Label;
}

function limitsOf(
  question: LoadQuestion,
  needUnits: number,
  kinds: readonly PlateKind[],
  slackUnits: number,
): SideLimits {
  const own = question.barUnits + question.clampPairUnits;
  const beyond = Math.floor(needUnits / 2) + (kinds[0]?.massUnits ?? 0);
  const rated = question.ratedUnits === null ? Infinity : Math.floor((question.ratedUnits - own) / 2);
  const rule = question.ironToRubber ?? IRON_TO_RUBBER;
  const maxKgPerMm = question.maxKgPerRubberMm ?? MAX_KG_PER_RUBBER_MM;
  return {
    mostUnits: Math.min(beyond, rated),
    aimUnits: Math.floor(needUnits / 2),
    slackUnits,
    roomMm: question.roomMm,
    concerns: { thickness: question.roomMm !== null, dropping: question.ending === "dropped" },
    isAllowed: (side) =>
      question.ending !== "dropped" ||
      (ironShareVerdict(side, rule) !== "refuse" &&
        isBlowCarried(side, own + 2 * side.massUnits, maxKgPerMm) !== false),
  };
}

function nearestOf(finder: SideFinder, needUnits: number, rounding: Rounding): Label | null {
  const half = Math.floor(needUnits / 2);
  const below = finder.atOrBelow(half);
  if (rounding === "at-or-below") return below;
  const above = finder.above(half);
  if (!above || !below) return below ?? above;
  return 2 * above.side.massUnits - needUnits < needUnits - 2 * below.side.massUnits ? above : below;
}

/** The masses of a side that count as equally near, from the least to the greatest, inclusive. */
function equallyNear(
  needUnits: number,
  nearestUnits: number,
  { rounding, toleranceUnits, floorUnits }: LoadQuestion,
): [number, number] {
  if (floorUnits !== undefined) {
    const off = Math.abs(needUnits - 2 * nearestUnits);
    return off > floorUnits
      ? [nearestUnits, nearestUnits]
      : [Math.ceil((needUnits - floorUnits) / 2), Math.floor((needUnits + floorUnits) / 2)];
  }
  const reach = Math.abs(needUnits - 2 * nearestUnits) + toleranceUnits;
  const from = Math.ceil((needUnits - reach) / 2);
  return [from, Math.floor((rounding === "nearest" ? needUnits + reach : needUnits) / 2)];
}

/** Keeps 0, 1, … all of the plates on the bar, inside first, and fills up from there; least handled wins. */
function fewestHandled(
  { onBar: now, order }: LoadQuestion,
  kinds: readonly PlateKind[],
  limits: SideLimits,
  fresh: SideFinder,
  [from, to]: readonly [number, number],
  finderFrom: (left: readonly PlateKind[], start: Side) => SideFinder | null,
): Stack | null {
  const onBar = now!;
  const rank = new Map(kinds.map((kind, k) => [kind.id, k]));
  let best: { handled: number; stack: Stack } | null = null;
  for (let kept = onBar.length; kept >= 0; kept -= 1) {
    const removed = onBar.length - kept;
    if (best && removed > best.handled) break;
    const prefix = onBar.slice(0, kept);
    if (order === "larger-inside" && prefix.some((id, i) => i > 0 && rank.get(id)! < rank.get(prefix[i - 1]!)!))
      continue;
    // Larger inside: what comes on is no larger than what is outermost.
    const outermost = order === "larger-inside" && kept > 0 ? rank.get(prefix.at(-1)!)! : 0;
    const left = kinds.map((kind, k) => ({
      ...kind,
      pairs: k < outermost ? 0 : kind.pairs - prefix.filter((id) => id === kind.id).length,
    }));
    const start = sideOf(prefix.map((id) => kinds[rank.get(id)!]!));
    if (start.massUnits > limits.mostUnits) continue;
    const finder = kept === 0 ? fresh : finderFrom(left, start);
    const label = finder?.best(from, to);
    if (!label) continue;
    const ids = [...prefix, ...idsOf(kinds, label)];
    const handled = removed + ids.length - kept;
    const isBetter =
      !best || handled < best.handled || (handled === best.handled && compareStacks(ids, best.stack.ids, rank) < 0);
    if (isBetter) best = { handled, stack: { ids, label } };
  }
  return best?.stack ?? null;
}

function compareStacks(a: readonly string[], b: readonly string[], rank: ReadonlyMap<string, number>): number {
  if (a.length !== b.length) return a.length - b.length;
  const at = a.findIndex((id, i) => id !== b[i]);
  return at < 0 ? 0 : rank.get(a[at]!)! - rank.get(b[at]!)!;
}

function stackOf(kinds: readonly PlateKind[], label: Label | null): Stack | null {
  return label && { ids: idsOf(kinds, label), label };
}

function idsOf(kinds: readonly PlateKind[], label: Label): string[] {
  const ids: string[] = [];
  for (let k = 0; k < kinds.length; k += 1) for (let n = label.counts[k]!; n > 0; n -= 1) ids.push(kinds[k]!.id);
  return ids;
}

/**
 * The next loads below and above, two of each, nearest to the target first. With a tolerance they are that far apart,
 * and each is the one of fewest plates within it: a mixed collection has many loads a few grams from one another.
 */
function neighbours(finder: SideFinder, units: number, needUnits: number, toleranceUnits: number): Label[] {
  const gap = Math.floor(toleranceUnits / 2);
  const lower = (from: number) => {
    const next = finder.atOrBelow(from - 1 - gap);
    return next && finder.best(next.side.massUnits - gap, next.side.massUnits);
  };
  const higher = (from: number) => {
    const next = finder.above(from + gap);
    return next && finder.best(next.side.massUnits, next.side.massUnits + gap);
  };
  const below = lower(units);
  const above = higher(units);
  const all = [below, below && lower(below.side.massUnits), above, above && higher(above.side.massUnits)];
  const off = (label: Label) => Math.abs(needUnits - 2 * label.side.massUnits);
  return all.filter((label) => label !== null).sort((a, b) => off(a) - off(b));
}
