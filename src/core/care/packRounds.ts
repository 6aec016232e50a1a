import { Facts, Packing } from "./packing";
import type { PackedRounds, PackQuestion } from "./packQuestion";

/** Up to so many jobs every way is looked at. */
const FEW_JOBS = 18;
const MAX_NODES = 400_000;
/** Looks at whether a job fits into a window that mending and shaking may take; some ten million a second. */
const MENDING = 4_000_000;
const SHAKING = 6_000_000;

/**
 * Packs due work into rounds that people can do: most jobs placed, then least lateness in days, then fewest rounds.
 * Starts from earliest due date first and from filling rounds that are open already, takes the better, then mends late
 * jobs by moving others out of their way and empties rounds into others where nothing gets later for it. Few jobs are
 * searched completely. Never worse than earliest due date first.
 *
 * @returns the window of each job, null where it fits nowhere; lateness in days; how many rounds
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

/**
 * Earliest due date first, and nothing else: what a person with a list does. For comparison.
 *
 * @returns as `packRounds`
 */
export function earliestDueFirst(question: PackQuestion): PackedRounds {
  const plan = new Packing(new Facts(question));
  const byDue = question.jobs.map((_, j) => j).sort((a, b) => order(question, a, b));
  for (const j of byDue) plan.place(j, plan.earliestFor(j));
  return plan.answer();
}

function order({ jobs }: PackQuestion, a: number, b: number): number {
  return jobs[a]!.due - jobs[b]!.due || jobs[b]!.minutes - jobs[a]!.minutes || a - b;
}

/** So many times the plan is shaken at most. */
const MAX_SHAKES = 4000;

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
  for (let shake = 0; shake < MAX_SHAKES && effort.left > 0 && (best.lateness > 0 || best.placed < count); shake += 1) {
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
    if (nodes > MAX_NODES) return;
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
