import type { InspectionFacts } from "./inspection";

/** An inspection in which nothing was looked at. */
export const NOTHING_LOOKED_AT: InspectionFacts = {
  dialMm: null,
  hops: null,
  crackSeen: null,
  spinLeftS: null,
  spinRightS: null,
  endPlayMm: null,
  knurl: null,
  rust: null,
  parts: {},
};
