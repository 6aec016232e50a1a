import { nestedPlan, type NestedQuestion } from "./nestedPlan";

export interface RollingOptions {
  /** Sets planned at once; half of them are kept before the next are looked at. */
  window: number;
  isOver: () => boolean;
}

/**
 * A long session planned a window at a time, each from the stack that the one before left: not the least, but near it,
 * and nearer the longer the window.
 *
 * @returns the stack of each set, inside first; null when a window cannot be tabulated or time is over
 */
export function rollingPlan(question: NestedQuestion, { window, isOver }: RollingOptions): number[][] | null {
  const { ways, isEmptiedBefore } = question;
  const stacks: number[][] = [];
  let start = question.start;
  for (let from = 0; from < ways.length;) {
    const to = Math.min(ways.length, from + window);
    const plan = nestedPlan(
      {
        ...question,
        ways: ways.slice(from, to),
        isEmptiedBefore: isEmptiedBefore.slice(from, to).map((is, i) => i > 0 && is),
        start: isEmptiedBefore[from] && from > 0 ? [] : start,
        endsEmpty: question.endsEmpty && to === ways.length,
      },
      { isOver },
    );
    if (!plan) return null;
    const kept = to === ways.length ? to - from : Math.ceil(window / 2);
    stacks.push(...plan.stacks.slice(0, kept));
    start = stacks.at(-1)!;
    from += kept;
  }
  return stacks;
}
