import { placePeople, type PlacedPeople } from "./placePeople";
import type { ClassPlan, ClassProblem } from "./problem";
import { layoutOf, offers, relax, seatBound, type Layout, type Prices, type Relaxation } from "./relaxation";

export interface ClassAnswer extends ClassPlan {
  /** No plan has a greater total. */
  bound: number;
  isProven: boolean;
}

/** Rounds of pricing at the root and at each later node, and how many nodes are looked at. */
const ROOT_ROUNDS = 200;
const NODE_ROUNDS = 40;
const MAX_NODES = 1500;
/** How many changes of one bar are tried before a plan counts as good for now. */
const MAX_IDEAS = 12;

type Allowed = readonly (readonly boolean[])[];

/**
 * Stations, blocks and bars for everybody: no bar in two places at once, nobody in two places at once, nobody with a
 * bar that is never for them, as many placed as can be and among those the greatest total fit.
 *
 * Branch and bound over which bar stands where. The bound prices the rules that tie slots together (Lagrangian
 * relaxation with subgradient steps, after Held and Karp); the bars it proposes are filled exactly. Proven when nothing
 * greater is left; else the bound says how far off the plan may be.
 *
 * @returns the plan, its worth in points, a bound on what any plan is worth, and whether it is proven best
 */
export function assignClass(problem: ClassProblem): ClassAnswer {
  const { entries, slots } = problem;
  if (entries.length === 0 || slots.length === 0)
    return { slotOf: entries.map(() => -1), barOf: slots.map(() => -1), total: 0, bound: 0, isProven: true };
  return new Search(layoutOf(problem), commonStep(problem)).run();
}

/** Totals are whole multiples of this, so a bound may be rounded down to one. */
function commonStep({ entries }: ClassProblem): number {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  let step = 1000;
  for (const { fit } of entries) for (const value of fit) if (value > 0) step = gcd(step, value);
  return step;
}

class Search {
  private best: ClassPlan;
  private readonly tried = new Set<string>();
  private nodes = 0;
  /** The greatest bound of what was left unlooked at. */
  private openBound = -Infinity;

  constructor(
    private readonly layout: Layout,
    private readonly step: number,
  ) {
    const { entries, slots } = layout.problem;
    this.best = { slotOf: entries.map(() => -1), barOf: slots.map(() => -1), total: 0 };
  }

  run(): ClassAnswer {
    const { slots } = this.layout.problem;
    const allowed = slots.map(({ bars }) => [...bars]);
    this.tryBars(greedyBars(this.layout));
    this.look(allowed, null, ROOT_ROUNDS);
    const { slotOf, total } = this.best;
    const isTaken = new Set(slotOf);
    const barOf = this.best.barOf.map((bar, k) => (isTaken.has(k) ? bar : -1));
    return { slotOf, barOf, total, bound: Math.max(total, this.openBound), isProven: this.openBound <= total };
  }

  private floor(bound: number): number {
    return this.step * Math.floor((bound + 1e-6) / this.step);
  }

  private look(allowed: Allowed, from: Prices | null, rounds: number): void {
    this.nodes += 1;
    const seats = seatBound(this.layout, allowed);
    if (this.floor(seats.bound) <= this.best.total) return;
    const prices = from ? copied(from) : seats.prices;
    const { bound, split } = this.price(allowed, prices, this.floor(seats.bound), rounds);
    if (bound <= this.best.total) return;
    if (!split) {
      // One bar a slot is left: what the exact filling finds is all there is.
      this.tryBars(allowed.map((own) => this.layout.bars.find((bar) => own[bar]) ?? -1));
      return;
    }
    if (this.nodes >= MAX_NODES) {
      this.openBound = Math.max(this.openBound, bound);
      return;
    }
    const [slot, bar] = split;
    const block = this.layout.blocks[this.layout.blockOf[slot]!]!;
    const twins = this.twinsOf(slot, allowed);
    const without = (own: readonly boolean[]) => own.map((is, j) => is && j !== bar);
    const withBar = allowed.map((own, k) =>
      k === slot ? own.map((_, j) => j === bar) : block.includes(k) ? without(own) : own,
    );
    this.look(withBar, prices, NODE_ROUNDS);
    // Where slots are alike, "not here" means "not in any of them": else it would stand here by another name.
    this.look(
      allowed.map((own, k) => (twins.includes(k) ? without(own) : own)),
      prices,
      NODE_ROUNDS,
    );
  }

  /** Slots that can change places with this one as things stand, itself included. */
  private twinsOf(slot: number, allowed: Allowed): number[] {
    const { blocks, blockOf, classOf } = this.layout;
    const isSame = (a: number, b: number) =>
      classOf[a] === classOf[b] && allowed[a]!.every((is, j) => is === allowed[b]![j]);
    const own = blocks[blockOf[slot]!]!;
    const at = own.indexOf(slot);
    const alike = blocks.filter((other) => other.length === own.length && other.every((k, i) => isSame(k, own[i]!)));
    return [
      ...own.filter((k) => isSame(k, slot)),
      ...alike.filter((other) => other !== own).map((other) => other[at]!),
    ];
  }

  /** Moves the prices to a good bound; tells where to branch, or null when every slot has one bar left. */
  private price(allowed: Allowed, prices: Prices, start: number, rounds: number) {
    const { layout } = this;
    let least = start;
    let scale = 1;
    let stale = 0;
    const seen = layout.problem.slots.map(() => new Map<number, number>());
    for (let round = 0; round < rounds; round += 1) {
      const answer = relax(layout, prices, allowed);
      if (answer.bound < least - 1e-9) {
        least = answer.bound;
        stale = 0;
      } else if ((stale += 1) >= 5) {
        scale *= 0.7;
        stale = 0;
      }
      if (round < 5 || round % 3 === 0) this.tryBars(answer.barOf);
      if (this.floor(least) <= this.best.total) break;
      if (round * 2 >= rounds) answer.barOf.forEach((bar, k) => seen[k]!.set(bar, (seen[k]!.get(bar) ?? 0) + 1));
      if (!movePrices(prices, answer, scale, this.best.total)) break;
    }
    return { bound: this.floor(least), split: this.splitOf(allowed, seen) };
  }

  /** The slot and bar about which the relaxation is least sure. */
  private splitOf(allowed: Allowed, seen: readonly Map<number, number>[]): [slot: number, bar: number] | null {
    let found: [number, number] | null = null;
    let nearest = Infinity;
    allowed.forEach((own, k) => {
      const open = this.layout.bars.filter((bar) => own[bar]);
      if (open.length < 2) return;
      const total = [...seen[k]!.values()].reduce((sum, n) => sum + n, 0) || 1;
      for (const bar of open) {
        const unsure = Math.abs((seen[k]!.get(bar) ?? 0) / total - 0.6);
        if (unsure < nearest) [nearest, found] = [unsure, [k, bar]];
      }
    });
    return found;
  }

  private tryBars(barOf: readonly number[]): void {
    const key = barOf.join();
    if (this.tried.has(key)) return;
    this.tried.add(key);
    let plan = placePeople(this.layout.problem, barOf, this.best.total);
    let now = barOf;
    while (plan) {
      this.best = plan;
      plan = this.better(plan, now);
      // A slot that an idea left without a bar stays without: its bar stands elsewhere in the block now.
      if (plan) now = plan.barOf;
    }
  }

  /** A plan that one other bar makes better, looked for where the prices of the plan promise most; null when none is. */
  private better({ prices }: PlacedPeople, barOf: readonly number[]): PlacedPeople | null {
    const { layout } = this;
    const { bars, problem, blockOf, people, blocks } = layout;
    const at = { entry: Float64Array.from(prices), person: new Float64Array(people * blocks.length) };
    const ideas: { gain: number; barOf: number[] }[] = [];
    barOf.forEach((now, k) => {
      const offered = offers(layout, at, k);
      const had = offered[bars.indexOf(now)] ?? 0;
      bars.forEach((bar, i) => {
        const gain = offered[i]! - had;
        if (bar === now || gain <= 1e-6 || !problem.slots[k]!.bars[bar]) return;
        // A bar that stands elsewhere in the block changes places with the one here.
        const other = barOf.findIndex((one, slot) => one === bar && blockOf[slot] === blockOf[k]);
        if (other >= 0 && now >= 0 && !problem.slots[other]!.bars[now]) return;
        ideas.push({ gain, barOf: barOf.map((one, slot) => (slot === k ? bar : slot === other ? now : one)) });
      });
    });
    ideas.sort((a, b) => b.gain - a.gain);
    for (const idea of ideas.slice(0, MAX_IDEAS)) {
      const plan = placePeople(problem, idea.barOf, this.best.total);
      if (plan) return { ...plan, barOf: idea.barOf };
    }
    return null;
  }
}

/** A first guess: slot by slot the bar that serves most of those who have no place yet. */
function greedyBars({ problem, bars, worth, blockOf, classOf, openTo }: Layout): number[] {
  const { slots } = problem;
  const barOf = slots.map(() => -1);
  const isPlaced = problem.entries.map(() => false);
  for (let n = 0; n < slots.length; n += 1) {
    let [most, slot, chosen, served]: [number, number, number, number[]] = [0, -1, -1, []];
    slots.forEach(({ capacity, bars: own }, k) => {
      if (barOf[k]! >= 0) return;
      bars.forEach((bar, i) => {
        if (!own[bar] || barOf.some((other, at) => other === bar && blockOf[at] === blockOf[k])) return;
        const there = [...openTo[classOf[k]!]!]
          .filter((e) => !isPlaced[e] && worth[i]![e]! >= 0)
          .sort((a, b) => worth[i]![b]! - worth[i]![a]!)
          .slice(0, capacity);
        const sum = there.reduce((total, e) => total + worth[i]![e]!, 0);
        if (sum > most) [most, slot, chosen, served] = [sum, k, bar, there];
      });
    });
    if (slot < 0) break;
    barOf[slot] = chosen;
    for (const e of served) isPlaced[e] = true;
  }
  return barOf;
}

const copied = ({ entry, person }: Prices): Prices => ({ entry: entry.slice(), person: person.slice() });

/** A subgradient step; false when both rules are kept already, so that there is nowhere to go. */
function movePrices(prices: Prices, { bound, placed, present }: Relaxation, scale: number, best: number): boolean {
  // A rule that is kept with room to spare and costs nothing pulls nowhere.
  const pull = (price: number, count: number) => (price <= 0 && count <= 1 ? 0 : count - 1);
  let size = 0;
  prices.entry.forEach((price, e) => (size += pull(price, placed[e]!) ** 2));
  prices.person.forEach((price, i) => (size += pull(price, present[i]!) ** 2));
  if (size === 0) return false;
  const step = (scale * Math.max(bound - best, 1)) / size;
  prices.entry.forEach((price, e) => (prices.entry[e] = Math.max(0, price + step * pull(price, placed[e]!))));
  prices.person.forEach((price, i) => (prices.person[i] = Math.max(0, price + step * pull(price, present[i]!))));
  return true;
}
