import { addDays, daysBetween, type HallDay } from "../units/hallDay";

/**
 * How fast need grows at one place, day by day: measured where it was measured, by the month's normal otherwise, in the
 * past as in the future. Need between two days is a difference of sums, and a due day is found by halving.
 */
export class ClimateClock {
  private readonly sums = new Map<number, Float64Array>();

  /**
   * @param first the first day it knows of.
   * @param factors by day from the first on: as measured, or null.
   * @param days how many days it goes on for in all.
   * @param fallback factor where not even a normal is known.
   */
  constructor(
    readonly first: HallDay,
    private readonly factors: readonly (number | null)[],
    private readonly days: number,
    private readonly fallback: number,
  ) {}

  private readonly normals = new Map<number, number>();

  /** The mean factor of a calendar month (1 to 12) over every measured day of it; the fallback where there is none. */
  normal(month: number): number {
    if (this.normals.size === 0) {
      const sums = new Map<number, [number, number]>();
      this.factors.forEach((factor, i) => {
        if (factor === null) return;
        const key = monthOf(addDays(this.first, i));
        const [sum, count] = sums.get(key) ?? [0, 0];
        sums.set(key, [sum + factor, count + 1]);
      });
      for (let key = 1; key <= 12; key += 1) {
        const [sum, count] = sums.get(key) ?? [this.fallback, 1];
        this.normals.set(key, sum / count);
      }
    }
    return this.normals.get(month)!;
  }

  /** Measured on that day, or the month's normal. */
  factorOn(day: HallDay): number {
    return this.factors[daysBetween(this.first, day)] ?? this.normal(monthOf(day));
  }

  isMeasured(day: HallDay): boolean {
    return (this.factors[daysBetween(this.first, day)] ?? null) !== null;
  }

  /** Sum of factor^share over the days from the first up to and without the i-th. */
  private sumsOf(share: number): Float64Array {
    let sums = this.sums.get(share);
    if (!sums) {
      sums = new Float64Array(this.days + 1);
      const normals = Array.from({ length: 13 }, (_, month) => (month > 0 ? this.normal(month) ** share : 0));
      const start = new Date(`${this.first}T00:00:00Z`).getTime();
      for (let i = 0; i < this.days; i += 1) {
        const factor = this.factors[i];
        const speed =
          factor === null || factor === undefined
            ? normals[new Date(start + i * 86_400_000).getUTCMonth() + 1]!
            : factor ** share;
        sums[i + 1] = sums[i]! + speed;
      }
      this.sums.set(share, sums);
    }
    return sums;
  }

  /**
   * Days that pass, each counted by its factor to the power of `share`, after one day and up to another. Outside the
   * days it knows of the nearest one is taken.
   */
  passed(after: HallDay, until: HallDay, share: number): number {
    const sums = this.sumsOf(share);
    return sums[this.at(until)]! - sums[this.at(after)]!;
  }

  /** The same for every one of some days from one on: counted days passed by the end of each. */
  passedDaily(after: HallDay, from: HallDay, days: number, share: number): Float64Array {
    const sums = this.sumsOf(share);
    const [start, first] = [this.at(after), this.at(from)];
    const passed = new Float64Array(days);
    for (let i = 0; i < days; i += 1) passed[i] = sums[Math.min(this.days, first + i)]! - sums[start]!;
    return passed;
  }

  /** The first day by whose end so many counted days have passed after a day; the last it knows of when they never do. */
  dayWhen(after: HallDay, counted: number, share: number): HallDay {
    const sums = this.sumsOf(share);
    const target = sums[this.at(after)]! + counted;
    let [low, high] = [this.at(after), this.days];
    while (low < high) {
      const middle = (low + high) >> 1;
      // A hair: twenty days of exactly one are twenty.
      if (sums[middle]! >= target - 1e-9) high = middle;
      else low = middle + 1;
    }
    return addDays(this.first, low - 1);
  }

  /** Places in the sums count to the end of a day. */
  private at(day: HallDay): number {
    return Math.min(this.days, Math.max(0, daysBetween(this.first, day) + 1));
  }
}

const monthOf = (day: HallDay) => Number(day.slice(5, 7));
