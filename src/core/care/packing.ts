import type { PackedRounds, PackQuestion } from "./packQuestion";

/** A hair of a minute: three thirds are one. */
const HAIR = 1e-9;

/** The question as arrays, shared by every plan made for it. */
export class Facts {
  readonly due: Float64Array;
  readonly earliest: Float64Array;
  readonly minutes: Float64Array;
  /** By job: its task's place. */
  readonly task: Int32Array;
  readonly setup: Float64Array;
  readonly day: Float64Array;
  /** Windows by day. */
  readonly byDay: Int32Array;
  readonly tasks: number;

  constructor(readonly question: PackQuestion) {
    const { jobs, windows, setupMinutes } = question;
    const names = [...new Set(jobs.map(({ task }) => task))];
    this.tasks = names.length;
    this.due = Float64Array.from(jobs, ({ due }) => due);
    this.earliest = Float64Array.from(jobs, ({ earliest }) => earliest);
    this.minutes = Float64Array.from(jobs, ({ minutes }) => minutes);
    this.task = Int32Array.from(jobs, ({ task }) => names.indexOf(task));
    this.setup = Float64Array.from(names, (name) => setupMinutes[name] ?? 0);
    this.day = Float64Array.from(windows, ({ day }) => day);
    this.byDay = Int32Array.from(windows.map((_, w) => w).sort((x, y) => windows[x]!.day - windows[y]!.day || x - y));
  }
}

/** One way of placing jobs, changed job by job; what it costs is kept in step. */
export class Packing {
  /** By job: its window's place, or −1. */
  readonly at: Int32Array;
  /** By window: minutes that are left. */
  private readonly left: Float64Array;
  /** By window and task: how many jobs of it are in it. */
  private readonly counts: Int32Array;
  private readonly sizes: Int32Array;
  private readonly members: Set<number>[];
  lateness = 0;
  placed = 0;

  constructor(
    private readonly facts: Facts,
    readonly effort: { left: number } = { left: Infinity },
  ) {
    const { jobs, windows } = facts.question;
    this.at = new Int32Array(jobs.length).fill(-1);
    this.left = Float64Array.from(windows, ({ minutes }) => minutes);
    this.counts = new Int32Array(windows.length * facts.tasks);
    this.sizes = new Int32Array(windows.length);
    this.members = windows.map(() => new Set());
  }

  copy(): Packing {
    const other = new Packing(this.facts, this.effort);
    this.at.forEach((w, j) => other.place(j, w));
    return other;
  }

  private hasTask(j: number, w: number): boolean {
    return this.counts[w * this.facts.tasks + this.facts.task[j]!]! > 0;
  }

  /** Minutes that a job takes of a window, with getting ready where nothing of its task is in it. */
  private cost(j: number, w: number): number {
    const { minutes, setup, task } = this.facts;
    return minutes[j]! + (this.hasTask(j, w) ? 0 : setup[task[j]!]!);
  }

  private fits(j: number, w: number): boolean {
    this.effort.left -= 1;
    const { day, earliest } = this.facts;
    return day[w]! >= earliest[j]! && this.cost(j, w) <= this.left[w]! + HAIR;
  }

  lateIn(j: number, w: number): number {
    const late = this.facts.day[w]! - this.facts.due[j]!;
    return late > 0 ? late : 0;
  }

  place(j: number, w: number): void {
    if (w < 0) return;
    this.left[w]! -= this.cost(j, w);
    this.counts[w * this.facts.tasks + this.facts.task[j]!]! += 1;
    this.sizes[w]! += 1;
    this.members[w]!.add(j);
    this.at[j] = w;
    this.lateness += this.lateIn(j, w);
    this.placed += 1;
  }

  take(j: number): void {
    const w = this.at[j]!;
    if (w < 0) return;
    this.counts[w * this.facts.tasks + this.facts.task[j]!]! -= 1;
    this.left[w]! += this.cost(j, w);
    this.sizes[w]! -= 1;
    this.members[w]!.delete(j);
    this.at[j] = -1;
    this.lateness -= this.lateIn(j, w);
    this.placed -= 1;
  }

  /** The first day on which it fits. */
  earliestFor(j: number): number {
    for (const w of this.facts.byDay) if (this.fits(j, w)) return w;
    return -1;
  }

  /** The least late that it fits into; of equals one that is open, with its task in it already, then the fullest. */
  openFor(j: number, not = -1): number {
    let best = -1;
    let [leastLate, leastRank] = [Infinity, Infinity];
    for (const w of this.facts.byDay) {
      const late = this.lateIn(j, w);
      // Windows are looked at by day: later ones are later still.
      if (late > leastLate) break;
      if (w === not || !this.fits(j, w)) continue;
      const rank = (this.sizes[w]! > 0 ? 0 : 2e6) + (this.hasTask(j, w) ? 0 : 1e6) + this.left[w]!;
      if (late < leastLate || rank < leastRank) [best, leastLate, leastRank] = [w, late, rank];
    }
    return best;
  }

  /** The last day in time on which it fits, or the first after that. */
  latestFor(j: number): number {
    let best = -1;
    for (const w of this.facts.byDay) {
      if (!this.fits(j, w)) continue;
      if (this.lateIn(j, w) > 0) return best >= 0 ? best : w;
      best = w;
    }
    return best;
  }

  isBetterThan(other: Packing): boolean {
    return this.placed > other.placed || (this.placed === other.placed && this.lateness < other.lateness);
  }

  /** Mends late and unplaced jobs: moved by themselves, or into the place of one that can go elsewhere. */
  mend(): void {
    const { jobs } = this.facts.question;
    for (let isMended = true, rounds = 0; isMended && rounds < 30; rounds += 1) {
      isMended = false;
      const troubled = jobs
        .map((_, j) => j)
        .filter((j) => this.at[j]! < 0 || this.lateIn(j, this.at[j]!) > 0)
        .sort((a, b) => this.trouble(b) - this.trouble(a));
      for (const j of troubled) if (this.effort.left > 0 && this.mendOne(j)) isMended = true;
    }
  }

  private trouble(j: number): number {
    return this.at[j]! < 0 ? Infinity : this.lateIn(j, this.at[j]!);
  }

  private mendOne(j: number): boolean {
    const [from, lateness, placed] = [this.at[j]!, this.lateness, this.placed];
    const isBetter = () => this.placed > placed || (this.placed === placed && this.lateness < lateness);
    this.take(j);
    const w = this.openFor(j);
    if (w >= 0) {
      this.place(j, w);
      if (isBetter()) return true;
      this.take(j);
    }
    const limit = from < 0 ? Infinity : this.lateIn(j, from);
    for (const target of this.facts.byDay) {
      if (this.effort.left <= 0) break;
      if (this.facts.day[target]! < this.facts.earliest[j]!) continue;
      if (this.lateIn(j, target) >= limit) break;
      for (const k of [...this.members[target]!].sort((a, b) => a - b)) {
        this.effort.left -= 10;
        this.take(k);
        if (this.fits(j, target)) {
          this.place(j, target);
          const other = this.openFor(k, target);
          if (other >= 0) {
            this.place(k, other);
            if (isBetter()) return true;
            this.take(k);
          }
          this.take(j);
        }
        this.place(k, target);
      }
    }
    if (from >= 0) this.place(j, from);
    return false;
  }

  /** Empties rounds into others that are open where nothing gets later for it, the smallest first. */
  emptyRounds(): void {
    const open = [...this.facts.byDay]
      .filter((w) => this.sizes[w]! > 0)
      .sort((a, b) => this.sizes[a]! - this.sizes[b]!);
    for (const w of open) {
      const own = [...this.members[w]!];
      const before = this.lateness;
      const moved: number[] = [];
      for (const j of own.sort((a, b) => this.facts.minutes[b]! - this.facts.minutes[a]!)) {
        const late = this.lateIn(j, w);
        this.take(j);
        const target = this.openInto(j, w, late);
        if (target < 0) {
          this.place(j, w);
          break;
        }
        this.place(j, target);
        moved.push(j);
      }
      if (moved.length === own.length && this.lateness <= before) continue;
      for (const j of moved) {
        this.take(j);
        this.place(j, w);
      }
    }
  }

  private openInto(j: number, not: number, most: number): number {
    let best = -1;
    for (const w of this.facts.byDay)
      if (w !== not && this.sizes[w]! > 0 && this.lateIn(j, w) <= most && this.fits(j, w))
        if (best < 0 || this.left[w]! < this.left[best]!) best = w;
    return best;
  }

  answer(): PackedRounds {
    const { jobs, windows } = this.facts.question;
    return {
      windowOf: Array.from(this.at, (w) => (w < 0 ? null : windows[w]!.id)),
      lateness: this.lateness,
      rounds: this.sizes.reduce((count, size) => count + (size > 0 ? 1 : 0), 0),
      unplaced: jobs.flatMap(({ id }, j) => (this.at[j]! < 0 ? [id] : [])),
    };
  }

  /** For the complete search: every window that a job fits into, the least late first. */
  choices(j: number): number[] {
    return [...this.facts.byDay].filter((w) => this.fits(j, w)).sort((a, b) => this.lateIn(j, a) - this.lateIn(j, b));
  }

  isSameEmpty(a: number, b: number): boolean {
    const { windows } = this.facts.question;
    const [one, other] = [windows[a]!, windows[b]!];
    return this.sizes[a] === 0 && this.sizes[b] === 0 && one.day === other.day && one.minutes === other.minutes;
  }
}
