/** How far back the logbook looks, in words; the longest last. */
export const LOG_SPANS = [
  [7, "7 days"],
  [28, "4 weeks"],
  [91, "13 weeks"],
  [365, "12 months"],
] as const;
