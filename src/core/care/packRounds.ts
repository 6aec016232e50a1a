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

/** Up to so many jobs every way is looked at. */
const FEW_JOBS = 18;
const MOST_NODES = 400_000;
/** A hair of a minute: three thirds are one. */
const HAIR = 1e-9;
/** Looks at whether a job fits into a window that mending and shaking may take; some ten million a second. */
const MENDING = 4_000_000;
const SHAKING = 6_000_000;

/**
 * Packs due work into rounds that people can do: most jobs placed, then least lateness in days, then fewest rounds.
 * Starts from earliest due date first and from filling rounds that are open already, takes the better, then mends late
 * jobs by moving others out of their way and empties rounds into others where nothing gets later for it. Few jobs are
 * searched completely. Never worse than earliest due date first.
 */
export function packRounds(question: PackQuestion): PackedRounds {
  const facts = new Facts(question);
  const effort = { left: MENDING };
  const plans = Array.from({ length: 4 }, () => new Packing(facts, effort));
  const [edd, filled, late, short] = plans as [Packing, Packing, Packing, Packing];
  const byDue = question.jobs.map((_, j) => j).sort((a, b) => order(question, a, b));
  for (const j of byDue) edd.place(j, edd.earliestFor(j));
  for (const j of byDue) filled.place(j, filled.openFor(j));
  for (const j of byDue) late.place(j, late.latestFor(j));
  // Where not everything fits, more short jobs do than long ones.
  const byLength = [...byDue].sort((a, b) => question.jobs[a]!.minutes - question.jobs[b]!.minutes);
  for (const j of byLength) short.place(j, short.openFor(j));
  for (const plan of plans) plan.mend();
  effort.left += SHAKING;
  let best = plans.reduce((a, b) => (b.isBetterThan(a) ? b : a));
  best = shaken(question, best);
  if (question.jobs.length <= FEW_JOBS) best = searched(facts, byDue, best);
  best.emptyRounds();
  return best.answer();
}

/** Earliest due date first, and nothing else: what a person with a list does. For comparison. */
export function earliestDueFirst(question: PackQuestion): PackedRounds {
  const plan = new Packing(new Facts(question));
  const byDue = question.jobs.map((_, j) => j).sort((a, b) => order(question, a, b));
  for (const j of byDue) plan.place(j, plan.earliestFor(j));
  return plan.answer();
}

function order({ jobs }: PackQuestion, a: number, b: number): number {
  return jobs[a]!.due - jobs[b]!.due || jobs[b]!.minutes - jobs[a]!.minutes || a - b;
}

/** The question as arrays, shared by every plan made for it. */
class Facts {
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

class Packing {
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

/** So many times the plan is shaken at most. */
const MOST_SHAKES = 4000;

/**
 * Takes some jobs out at random and puts them back in another order, again and again, and keeps what is better; always
 * the same way for the same question. Nothing to do where nothing is late or left out.
 */
function shaken(question: PackQuestion, known: Packing): Packing {
  let best = known;
  let state = 12345;
  const random = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  const count = question.jobs.length;
  const { effort } = known;
  for (
    let shake = 0;
    shake < MOST_SHAKES && effort.left > 0 && (best.lateness > 0 || best.placed < count);
    shake += 1
  ) {
    const plan = best.copy();
    const share = 0.15 + 0.5 * random();
    const out = question.jobs.map((_, j) => j).filter((j) => plan.at[j]! < 0 || random() < share);
    for (const j of out) plan.take(j);
    const bias = random();
    const rank = new Map(
      out.map((j) => [j, bias * question.jobs[j]!.due + (1 - bias) * question.jobs[j]!.minutes + 3 * random()]),
    );
    out.sort((a, b) => rank.get(a)! - rank.get(b)!);
    for (const j of out) plan.place(j, random() < 0.8 ? plan.openFor(j) : plan.latestFor(j));
    plan.mend();
    if (plan.isBetterThan(best)) best = plan;
  }
  return best;
}

/** Every way of placing a few jobs, cut off where it cannot become better than the best. */
function searched(facts: Facts, byDue: readonly number[], known: Packing): Packing {
  let best = known;
  let nodes = 0;
  const plan = new Packing(facts);
  // What the jobs from a place on are late at least, each as if it were alone.
  const atLeast = new Float64Array(byDue.length + 1);
  for (let depth = byDue.length - 1; depth >= 0; depth -= 1) {
    const [first] = plan.choices(byDue[depth]!);
    atLeast[depth] = atLeast[depth + 1]! + (first === undefined ? 0 : plan.lateIn(byDue[depth]!, first));
  }
  const go = (depth: number): void => {
    nodes += 1;
    if (nodes > MOST_NODES) return;
    const canPlace = plan.placed + byDue.length - depth;
    if (canPlace < best.placed) return;
    if (canPlace === best.placed && plan.lateness + atLeast[depth]! >= best.lateness) return;
    if (depth === byDue.length) {
      if (plan.isBetterThan(best)) best = plan.copy();
      return;
    }
    const j = byDue[depth]!;
    const tried: number[] = [];
    for (const w of plan.choices(j)) {
      // Of windows that are alike and empty one is enough.
      if (tried.some((other) => plan.isSameEmpty(other, w))) continue;
      tried.push(w);
      plan.place(j, w);
      go(depth + 1);
      plan.take(j);
    }
    go(depth + 1);
  };
  go(0);
  return best;
}
