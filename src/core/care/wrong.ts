/** Ready answers for what is wrong with a bar; free words may follow. Common practice, no source. */
export const WRONG_KINDS = ["crack", "bend", "rust", "stuck sleeve", "end cap", "loose part"] as const;
export type WrongKind = (typeof WRONG_KINDS)[number];

/**
 * What was found, in one line: the ready answer, then what somebody added.
 *
 * @returns words; empty when nothing was said
 */
export const wrongText = (kind: string, words: string): string =>
  [WRONG_KINDS.find((one) => one === kind) ?? "", words.trim()].filter(Boolean).join(": ");
