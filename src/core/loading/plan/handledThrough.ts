interface Course {
  start: readonly number[];
  isEmptiedBefore: readonly boolean[];
  endsEmpty: boolean;
}

/**
 * Plates taken off and put on, one side, from the start through all stacks.
 *
 * @param stacks kinds of every set's stack, inside first
 * @returns a count of plates
 */
export function handledThrough(
  stacks: readonly (readonly number[])[],
  { start, isEmptiedBefore, endsEmpty }: Course,
): number {
  let before = start;
  let handled = 0;
  stacks.forEach((stack, i) => {
    let kept = 0;
    if (!isEmptiedBefore[i]) while (kept < stack.length && before[kept] === stack[kept]) kept += 1;
    handled += before.length + stack.length - 2 * kept;
    before = stack;
  });
  return handled + (endsEmpty ? before.length : 0);
}
