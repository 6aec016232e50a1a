/**
 * How many plates two stacks share from the inside out, without a break.
 *
 * @returns a count of plates
 */
export function commonInnerPart(before: readonly string[], after: readonly string[]): number {
  let shared = 0;
  while (shared < before.length && shared < after.length && before[shared] === after[shared]) shared += 1;
  return shared;
}

/**
 * Plates handled on one side between two loadings. A sleeve is a stack: to take an inner plate,
 * every plate outside it is handled too. |before| + |after| − 2 × common inner part.
 *
 * @returns a count of plates, one side
 */
export function platesHandled(before: readonly string[], after: readonly string[]): number {
  return before.length + after.length - 2 * commonInnerPart(before, after);
}
