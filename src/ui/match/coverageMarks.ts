import type { Verdict } from "@/core/matching/verdict";

/** A mark for each verdict, so that nothing hangs on a colour. */
export const MARKS: Record<Verdict, string> = { "made-for": "●", good: "◐", usable: "○", poor: "·", never: "" };
export const MARK_WORDS: Record<Verdict, string> = {
  "made-for": "made for",
  good: "good",
  usable: "usable",
  poor: "poor",
  never: "never",
};
