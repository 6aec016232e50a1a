import { platesHandled } from "../handled";
import type { SessionQuestion } from "./sessionQuestion";

/** Within the slack of the wish; where nothing is, the nearest, below rather than above. */
const isNearEnough = (mass: number, limit: number, off: number, slack: number) =>
  off <= slack ? Math.abs(mass - limit) <= slack : Math.abs(mass - limit) === off;

/** Fewest plates handled by trying every ordered stack of every set: slow and obvious, for small sessions. */
export function exhaustiveSession(question: SessionQuestion): number {
  const { sets, plates, barUnits, clampPairUnits, roomMm, start, endsEmpty, changesSetupEmpty } = question;
  const slack = Math.floor((question.toleranceUnits ?? 0) / 2);
  const plateOf = new Map(plates.map((plate) => [plate.id, plate]));
  /** Going outwards nothing is heavier, and of equal mass nothing is known to be larger. */
  const isLargerInside = (stack: readonly string[]) =>
    stack.every((id, i) => {
      const [inner, outer] = [plateOf.get(stack[i - 1] ?? id)!, plateOf.get(id)!];
      if (outer.massUnits !== inner.massUnits) return outer.massUnits < inner.massUnits;
      return !(outer.diameterMm && inner.diameterMm && outer.diameterMm > inner.diameterMm);
    });
  let states: { stack: readonly string[]; cost: number }[] = [{ stack: start, cost: 0 }];
  sets.forEach((set, i) => {
    const limit = Math.max(0, Math.floor((set.targetUnits - barUnits - clampPairUnits) / 2));
    const rated = question.ratedUnits ?? Infinity;
    const heaviest = Math.max(0, ...plates.map(({ massUnits }) => massUnits));
    // On the floor a load may be over its target, never over the rating, and nothing goes on a bar that is too heavy already.
    const most = !question.isFloor
      ? limit + slack
      : limit === 0
        ? 0
        : Math.max(
            limit,
            Math.min(limit + Math.max(slack, heaviest), Math.floor((rated - barUnits - clampPairUnits) / 2)),
          );
    const found: { stack: string[]; mass: number }[] = [];
    const grow = (stack: string[], mass: number, thickness: number) => {
      found.push({ stack: [...stack], mass });
      plates.forEach(({ id, massUnits, thicknessMm, pairs }, k) => {
        if (mass + massUnits > most || (roomMm !== null && thickness + thicknessMm > roomMm)) return;
        if (stack.filter((one) => one === id).length >= (set.pairs?.[k] ?? pairs)) return;
        stack.push(id);
        grow(stack, mass + massUnits, thickness + thicknessMm);
        stack.pop();
      });
    };
    grow([], 0, 0);
    const best = Math.max(...found.filter(({ mass }) => mass <= limit).map(({ mass }) => mass));
    const off = Math.min(...found.map(({ mass }) => Math.abs(mass - limit)));
    const stacks = found
      .filter(({ mass }) => (question.isFloor ? isNearEnough(mass, limit, off, slack) : Math.abs(mass - best) <= slack))
      .map(({ stack }) => stack)
      .filter((stack) => question.order !== "larger-inside" || isLargerInside(stack));
    const isEmptied = changesSetupEmpty && i > 0 && set.setup !== sets[i - 1]!.setup;
    states = stacks.map((stack) => ({
      stack,
      cost: Math.min(
        ...states.map(
          (before) =>
            before.cost + (isEmptied ? before.stack.length + stack.length : platesHandled(before.stack, stack)),
        ),
      ),
    }));
  });
  return Math.min(...states.map(({ stack, cost }) => cost + (endsEmpty ? stack.length : 0)));
}
