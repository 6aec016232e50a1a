import { planSession } from "./planSession";
import {
  leftThroughout,
  spanOf,
  type PoolPlan,
  type PoolQuestion,
  type Shortage,
  type StationQuestion,
  type StationSet,
} from "./poolQuestion";
import type { SessionPlan } from "./sessionQuestion";
import { shortagesOf } from "./shortages";

export interface PoolOptions {
  /** Told how much of the work is done, from 0 to 1; answers whether to go on. */
  onProgress?: (share: number) => boolean;
  /** How often stations are planned again around the others. */
  passes?: number;
  /** Sessions planned at most to fill shortages. */
  repairs?: number;
  /** A plan of the same stations that is possible with these plates too: what is short is filled, the rest left. */
  from?: PoolPlan;
  /** By set id, in units, where it is known what each could have alone. */
  wished?: ReadonlyMap<string, number>;
}

const REPAIRS = 80;
/** Of the progress, what the first passes count; shortages to fill may be none or many. */
const PASSES_SHARE = 0.7;
/** Orders of a short station's lifters that are tried at most. */
const MAX_ORDERS = 6;

/**
 * All stations at once with one pool of plates: at no moment are more of a plate on bars than there are. Stations are
 * planned one after the other around what the others hold, those that move most mass first, then again in turn while
 * that spares plates or fills a shortage. Where something is short still, a station that holds what is missing is asked
 * to do without, and lifters of the short one to change places; what loads more in all, or the same with fewer plates
 * handled, is taken. What remains short is said set by set. A heuristic: nothing of it is proven but that it is
 * possible. Null when it was cancelled.
 *
 * @returns a plan for each station; null when it was stopped
 */
export function planStations(question: PoolQuestion, options: PoolOptions = {}): PoolPlan | null {
  return new StationPool(question, options).plan();
}

class StationPool {
  private readonly asked: readonly StationQuestion[];
  private readonly lowerBound: number;
  private readonly wished: ReadonlyMap<string, number>;
  /** Stations by the mass they move, most first. */
  private readonly turns: readonly number[];
  private readonly stations: StationQuestion[];
  private readonly plans: (SessionPlan | null)[];
  /** Counts changes of each station's plan. */
  private readonly versions: number[];
  /** What was tried in vain; not tried again until one of its two stations has another plan. */
  private readonly tried = new Set<string>();
  private readonly passSteps: number;
  private steps = 0;

  constructor(
    private readonly question: PoolQuestion,
    private readonly options: PoolOptions,
  ) {
    const { plates, stations } = question;
    this.asked = stations;
    const { from, wished } = options;
    this.stations = stations.map((station, s) => (from ? { ...station, sets: from.stations[s]!.sets } : station));
    this.plans = stations.map((_, s) => from?.stations[s]!.plan ?? null);
    this.versions = stations.map(() => 0);
    if (wished) {
      this.wished = wished;
      this.lowerBound = from?.lowerBound ?? 0;
    } else {
      const alone = stations.map((station) => planSession({ ...station, plates }));
      this.wished = new Map(alone.flatMap(({ sets }) => sets.map(({ id, achievedUnits }) => [id, achievedUnits])));
      this.lowerBound = sum(alone, ({ lowerBound }) => lowerBound);
    }
    const mass = (s: number) => stations[s]!.sets.reduce((total, { id }) => total + this.wished.get(id)!, 0);
    this.turns = stations.map((_, s) => s).sort((a, b) => mass(b) - mass(a) || a - b);
    this.passSteps = from ? 0 : (1 + (options.passes ?? 2)) * stations.length;
  }

  plan(): PoolPlan | null {
    for (let step = 0; step < this.passSteps; step += 1) {
      if (!this.goesOn()) return null;
      this.replan(this.turns[step % this.turns.length]!);
    }
    for (;;) {
      const isBettered = this.fillOne();
      if (isBettered === null) return null;
      if (!isBettered) break;
    }
    // Whatever the last change left free is used.
    while (this.turns.some((s) => this.replan(s, true)));
    this.options.onProgress?.(1);
    return this.answer();
  }

  private answer(): PoolPlan {
    const plans = this.done();
    return {
      stations: this.stations.map(({ key, sets }, s) => ({
        key,
        plan: plans[s]!,
        sets,
        isReordered: sets.some(({ id }, i) => id !== this.asked[s]!.sets[i]!.id),
      })),
      handled: sum(plans, ({ handled }) => handled),
      lowerBound: this.lowerBound,
      shortages: this.shortages(),
    };
  }

  private readonly done = () => this.plans.map((plan) => plan!);

  private shortages(): Shortage[] {
    const plans = this.done();
    return this.stations.flatMap((_, s) => shortagesOf(this.question.plates, this.stations, plans, this.wished, s));
  }

  private goesOn(): boolean {
    const { passSteps, steps } = this;
    const repairs = this.options.repairs ?? REPAIRS;
    this.steps += 1;
    const share =
      steps < passSteps
        ? (PASSES_SHARE * steps) / passSteps
        : PASSES_SHARE + ((1 - PASSES_SHARE) * (steps - passSteps)) / Math.max(1, repairs);
    return this.options.onProgress?.(Math.min(1, share)) ?? true;
  }

  private isTired(): boolean {
    return this.steps >= this.passSteps + (this.options.repairs ?? REPAIRS);
  }

  /** One station planned around the others, with less than they leave where something is to be spared. */
  private around(s: number, station: StationQuestion = this.stations[s]!, spare?: Spare): SessionPlan {
    const { plates } = this.question;
    return planSession({
      ...station,
      plates,
      sets: station.sets.map((set, i) => {
        const span = spanOf(station, i);
        const left = leftThroughout(plates, this.stations, this.plans, s, span);
        const isSpared = spare && span[0] < spare.to && span[1] > spare.from;
        return { ...set, pairs: isSpared ? left.map((n, k) => Math.max(0, n - spare.pairs[k]!)) : left };
      }),
    });
  }

  /** Around the others as they are now the fresh plan is the least; it replaces only what it betters. */
  private replan(s: number, onlyForMass = false): boolean {
    const fresh = this.around(s);
    const known = this.plans[s];
    if (known && (onlyForMass ? massOf(fresh) <= massOf(known) : !isBetter([fresh], [known]))) return false;
    this.take(s, fresh);
    return true;
  }

  private take(s: number, plan: SessionPlan, station: StationQuestion = this.stations[s]!): void {
    this.plans[s] = plan;
    this.stations[s] = station;
    this.versions[s]! += 1;
  }

  private isNew(what: string, s: number, other: number): boolean {
    const key = [what, other, this.versions[s], this.versions[other]].join(" ");
    return this.tried.has(key) ? false : (this.tried.add(key), true);
  }

  /** Betters one shortage in one way; false when no way is left or enough was tried, null when it was cancelled. */
  private fillOne(): boolean | null {
    for (const short of this.shortages()) {
      const s = this.stations.findIndex(({ key }) => key === short.station);
      for (const isFilled of this.ways(short, s)) {
        if (isFilled) return true;
        if (this.isTired()) return false;
        if (!this.goesOn()) return null;
      }
    }
    return false;
  }

  /** The ways to better a shortage, each tried when it is asked for. */
  private *ways(short: Shortage, s: number): Generator<boolean> {
    // What others gave up since may be enough.
    if (this.isNew("again", s, s)) yield this.replan(s);
    for (const name of short.heldBy) {
      const holder = this.stations.findIndex(({ key }) => key === name);
      if (this.isNew(short.set, s, holder)) yield this.yields(s, holder, short);
    }
    if (this.isNew("order", s, s))
      for (const order of ordersOf(this.stations[s]!)) {
        const turned = inOrder(this.stations[s]!, order);
        const fresh = this.around(s, turned);
        const isTaken = isBetter([fresh], [this.plans[s]!]);
        if (isTaken) this.take(s, fresh, turned);
        yield isTaken;
      }
  }

  /** One station does without the plates that another lacks, and that one is planned again; taken if it is better. */
  private yields(s: number, holder: number, { set, missing }: Shortage): boolean {
    const before = [this.plans[s]!, this.plans[holder]!] as const;
    const station = this.stations[s]!;
    const [from, to] = spanOf(
      station,
      station.sets.findIndex(({ id }) => id === set),
    );
    const pairs = this.question.plates.map(({ id }) => missing.find((one) => one.id === id)?.pairs ?? 0);
    this.plans[holder] = this.around(holder, this.stations[holder], { from, to, pairs });
    this.plans[s] = this.around(s);
    // What was spared in vain is taken back.
    this.plans[holder] = this.around(holder);
    if (isBetter([this.plans[s], this.plans[holder]], before)) {
      this.versions[s]! += 1;
      this.versions[holder]! += 1;
      return true;
    }
    [this.plans[s], this.plans[holder]] = before;
    return false;
  }
}

interface Spare {
  from: number;
  to: number;
  /** By plate. */
  pairs: readonly number[];
}

const massOf = ({ sets }: SessionPlan) => sets.reduce((sum, { achievedUnits }) => sum + achievedUnits, 0);
const sum = (plans: readonly SessionPlan[], of: (plan: SessionPlan) => number) =>
  plans.reduce((total, plan) => total + of(plan), 0);

/** More mass loaded in all, or as much with fewer plates handled. */
function isBetter(fresh: readonly SessionPlan[], known: readonly SessionPlan[]): boolean {
  const more = sum(fresh, massOf) - sum(known, massOf);
  return more > 0 || (more === 0 && sum(fresh, ({ handled }) => handled) < sum(known, ({ handled }) => handled));
}

/** Other orders of a station's lifters: each one moved up by so many places, and the whole turned round. */
function ordersOf({ sets }: StationQuestion): number[][] {
  if (sets.some(({ lifter, round }) => lifter === undefined || round === undefined)) return [];
  const lifters = [...new Set(sets.map(({ lifter }) => lifter!))];
  if (lifters.length < 2) return [];
  const turned = lifters.slice(1).map((_, i) => [...lifters.slice(i + 1), ...lifters.slice(0, i + 1)]);
  return [lifters.toReversed(), ...turned].slice(0, MAX_ORDERS);
}

/** The same sets with the lifters in another order within every round; times stay with the places. */
function inOrder(station: StationQuestion, order: readonly number[]): StationQuestion {
  const rounds = [...new Set(station.sets.map(({ round }) => round))];
  const sets = rounds.flatMap((round) =>
    station.sets
      .filter((set) => set.round === round)
      .sort((a, b) => order.indexOf(a.lifter!) - order.indexOf(b.lifter!)),
  );
  return {
    ...station,
    sets: sets.map((set, i): StationSet => ({ ...set, atMinutes: station.sets[i]!.atMinutes })),
  };
}
