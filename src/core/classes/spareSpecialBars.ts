import { bestAssignment } from "./assignment";
import { worthOf, type ClassPlan, type ClassProblem } from "./problem";

/**
 * The same places with other bars where that costs nobody anything: among bars that suit everybody there as well, the
 * plain ones first, so that specialty bars stay for whoever needs them, then those that hang near. Never a lesser total.
 *
 * @param isPlain by bar.
 * @returns a plan of the same worth; the plan given is not changed
 */
export function spareSpecialBars(
  problem: ClassProblem,
  plan: ClassPlan,
  isPlain: readonly boolean[],
  isNear: (slot: number, bar: number) => boolean = () => false,
): ClassPlan {
  const barOf = [...plan.barOf];
  let total = 0;
  for (const block of new Set(problem.slots.map((slot) => slot.block))) {
    const own = problem.slots.flatMap((slot, k) => (slot.block === block && plan.slotOf.includes(k) ? [k] : []));
    const sums = own.map((k) => {
      const there = plan.slotOf.flatMap((slot, e) => (slot === k ? [e] : []));
      return isPlain.map((_, bar) => {
        const worths = there.map((e) => worthOf(problem, e, k, bar));
        return worths.includes(-1) ? 0 : worths.reduce((sum, worth) => sum + worth, 0);
      });
    });
    // One point of fit outweighs every plain bar of the block together, and one plain bar everything that hangs near.
    const near = own.length + 1;
    const weight = near * near;
    const liking = (k: number, bar: number) => near * Number(isPlain[bar]) + Number(isNear(k, bar));
    const chosen = bestAssignment(
      sums.map((row, i) => row.map((sum, bar) => (sum > 0 ? weight * sum + liking(own[i]!, bar) : 0))),
    );
    own.forEach((k, i) => {
      barOf[k] = chosen[i]!;
      total += sums[i]![chosen[i]!]!;
    });
  }
  return { slotOf: plan.slotOf, barOf, total };
}
