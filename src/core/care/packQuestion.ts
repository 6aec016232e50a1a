/** One task on one bar, to be done once. Days are counted from any day on. */
export interface CareJob {
  id: string;
  task: string;
  minutes: number;
  /** Not before this day: care done too early is done too often. */
  earliest: number;
  due: number;
}

/** When somebody can do a round: so many minutes on a day. */
export interface RoundWindow {
  id: string;
  day: number;
  minutes: number;
}

export interface PackQuestion {
  jobs: readonly CareJob[];
  windows: readonly RoundWindow[];
  /** Minutes to get ready for a task, once a round, however many bars: fetch the oil, turn all bars over. */
  setupMinutes: Readonly<Record<string, number>>;
}

export interface PackedRounds {
  /** By job: the window it is done in; null where it fits nowhere. */
  windowOf: (string | null)[];
  /** Days late over all placed jobs. */
  lateness: number;
  rounds: number;
  /** Jobs that fit into no window at all. */
  unplaced: string[];
}
