import { platesHandled } from "../handled";
import type { SessionQuestion } from "./sessionQuestion";

/** Fewest plates handled by trying every ordered stack of every set: slow and obvious, for small sessions. */
export function exhaustiveSession(question: SessionQuestion): number {
  const { sets, plates, barUnits, clampPairUnits, roomMm, start, endsEmpty, changesSetupEmpty } = question;
  let states: { stack: readonly string[]; cost: number }[] = [{ stack: start, cost: 0 }];
  sets.forEach((set, i) => {
    const limit = Math.max(0, Math.floor((set.targetUnits - barUnits - clampPairUnits) / 2));
    const stacks: string[][] = [];
    let best = 0;
    const grow = (stack: string[], mass: number, thickness: number) => {
      if (mass > best) {
        best = mass;
        stacks.length = 0;
      }
      if (mass === best) stacks.push([...stack]);
      plates.forEach(({ id, massUnits, thicknessMm, pairs }, k) => {
        if (mass + massUnits > limit || (roomMm !== null && thickness + thicknessMm > roomMm)) return;
        if (stack.filter((one) => one === id).length >= (set.pairs?.[k] ?? pairs)) return;
        stack.push(id);
        grow(stack, mass + massUnits, thickness + thicknessMm);
        stack.pop();
      });
    };
    grow([], 0, 0);
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
