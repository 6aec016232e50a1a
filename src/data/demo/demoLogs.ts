/** One lifter's months in one lift: made up, with a truth behind it that the estimates can be held against. */
export interface DemoLog {
  lifter: string;
  lift: string;
  /** Straight single nine months ago, and how it moves: percent a week. */
  straightKg: number;
  trendPct: number;
  straightTag: string;
  /** Weekdays of sessions, 0 is Monday. */
  weekdays: readonly number[];
  /** Bars that are not straight: true worth at first, weeks of nine months in which they are used, how it ends. */
  bars: readonly { tag: string; ratio: number; fromWeek: number; toRatio?: number; setting?: string }[];
  /** Weeks away, from and to. */
  away?: readonly [number, number];
}

/** Weeks of logs. */
export const DEMO_LOG_WEEKS = 39;

/** Bram's cambered yoke overtakes his yoke; Cato is new to the yoke; Isla stopped in winter and came back. */
export const DEMO_LOGS: readonly DemoLog[] = [
  {
    ...{ lifter: "bram", lift: "back-squat-high", straightKg: 165, trendPct: 0.15, straightTag: "K16" },
    weekdays: [0, 3],
    bars: [
      { tag: "K20", ratio: 0.91, fromWeek: 0, toRatio: 0.78 },
      { tag: "K19", ratio: 0.78, fromWeek: 4, toRatio: 0.97 },
    ],
  },
  {
    ...{ lifter: "isla", lift: "back-squat-low", straightKg: 138, trendPct: 0.2, straightTag: "K11" },
    weekdays: [0, 2, 4],
    bars: [{ tag: "K21", ratio: 0.95, fromWeek: 2 }],
    away: [20, 27],
  },
  {
    ...{ lifter: "emeric", lift: "back-squat-low", straightKg: 225, trendPct: 0.1, straightTag: "K11" },
    weekdays: [1, 4],
    bars: [
      { tag: "K20", ratio: 0.83, fromWeek: 0 },
      { tag: "K21", ratio: 0.97, fromWeek: 3 },
    ],
  },
  {
    ...{ lifter: "runa", lift: "back-squat-low", straightKg: 128, trendPct: 0.35, straightTag: "K11" },
    weekdays: [1, 4],
    bars: [
      { tag: "K20", ratio: 0.74, fromWeek: 8, toRatio: 0.86 },
      { tag: "K22", ratio: 0.94, fromWeek: 14 },
    ],
  },
  {
    ...{ lifter: "hale", lift: "back-squat-high", straightKg: 190, trendPct: 0.1, straightTag: "K16" },
    weekdays: [0, 3],
    bars: [{ tag: "K20", ratio: 0.89, fromWeek: 1 }],
  },
  {
    ...{ lifter: "cato", lift: "back-squat-high", straightKg: 62, trendPct: 0.8, straightTag: "K06" },
    weekdays: [2, 5],
    bars: [{ tag: "K20", ratio: 0.87, fromWeek: 37 }],
  },
  {
    ...{ lifter: "nia", lift: "bench", straightKg: 58, trendPct: 0.15, straightTag: "K06" },
    weekdays: [1, 3],
    bars: [{ tag: "K25", ratio: 0.93, fromWeek: 0 }],
  },
  {
    ...{ lifter: "hale", lift: "deadlift", straightKg: 232, trendPct: 0.1, straightTag: "K04" },
    weekdays: [4],
    bars: [],
  },
];
