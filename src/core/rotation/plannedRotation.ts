/** One week of one lifter's session. */
export interface PlannedWeek {
  barId: string;
  targetPct: number;
  /** What the bar is worth to them, in percent of the straight one. */
  ratioPct: number;
  /** Expected load of a set, what the plates can make of it, in kg; null while nothing is known of their strength. */
  loadKg: number | null;
  isLight: boolean;
  /** The bar is new to them that week: light, and no heaviest attempt. */
  isLearning: boolean;
  isCompetition: boolean;
}

export interface PlannedRow {
  lifterId: string;
  session: number;
  weeks: PlannedWeek[];
}

/** What was planned for a rotation. */
export interface PlannedRotation {
  rows: PlannedRow[];
  value: number;
  bound: number;
  isProven: boolean;
}
