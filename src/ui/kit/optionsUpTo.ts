/** Up to so many are picked from a list. */
const MAX_LISTED = 200;

/** The options of a list that may be too long to be one. */
export function optionsUpTo<T>(
  all: readonly T[],
  option: (one: T) => readonly [key: string, words: string],
): readonly (readonly [key: string, words: string])[] | null {
  return all.length > MAX_LISTED ? null : all.map(option);
}
