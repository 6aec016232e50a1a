/** Rules of the house that the matcher obeys. Where practitioners disagree, the manager picks. */
export interface MatchingRules {
  /** A bar heavier than this share of the wished load is poor. */
  emptyShareLimit: number;
  /** Over this share of the rating the match warns. */
  ratingWarnShare: number;
  /** A margin of yield over stress under this is poor. */
  leastMargin: number;
  /** Centre knurl wanted, unwanted, or by the lift alone. */
  centreKnurl: "wanted" | "unwanted" | "by-lift";
  /** Whether the sleeve type decides for fast lifts, or hardly matters below competition. */
  sleeveDecides: boolean;
}

export const MATCHING_RULES: MatchingRules = {
  emptyShareLimit: 0.6,
  ratingWarnShare: 0.8,
  leastMargin: 2,
  centreKnurl: "by-lift",
  sleeveDecides: true,
};
