import type { Verdict } from "@/core/matching/verdict";

/** A verdict as it stands in a sentence. */
export const verdictWords = (verdict: Verdict): string => (verdict === "never" ? "nothing" : verdict.replace("-", " "));
