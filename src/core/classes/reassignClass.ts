import { assignClass } from "./assignClass";
import { conflictsOf } from "./classPlates";
import { clashWords, classProblem, describePlan, platesOf, type ClassQuestion, type PlannedClass } from "./planClass";
import type { ClassPlan, ClassProblem } from "./problem";

export interface Reassigned extends PlannedClass {
  /** Entries whose station, block or bar is another than before though nothing was wrong with it. */
  moved: string[];
}

/** More than so many who were not concerned are not moved one by one: then the class is assigned anew. */
const MAX_MOVED = 3;

/**
 * The class again after something of its plan broke, changing as little as possible: everybody whose plan holds stays
 * where they are with their bar, unless somebody would have no place then; of the ways that move fewest of them the one
 * that suits best. Those concerned keep block and station where a bar can be found for them there.
 *
 * @param broken ids of entries whose bar may not be lifted with as planned.
 * @param mayGoOn asked between attempts; false ends the search with the best there is.
 * @returns as `planClass`, and who was moved though nothing was wrong with their place
 */
export function reassignClass(
  question: ClassQuestion,
  before: PlannedClass,
  broken: ReadonlySet<string>,
  mayGoOn: () => boolean = () => true,
): Reassigned {
  const problem = classProblem(question);
  const { entries, stations, bars } = question;
  const held = entries.map((entry): { slot: number; bar: number } | null => {
    const was = before.entries.find(({ id }) => id === entry.id);
    if (!was || was.block === null || broken.has(entry.id)) return null;
    const station = stations.findIndex(({ key }) => key === was.station);
    const bar = bars.findIndex(({ tag }) => tag === was.tag);
    const slot = was.block * stations.length + station;
    // What no longer can be is as good as broken.
    return station < 0 || bar < 0 || problem.slots[slot]?.bars[bar] !== true ? null : { slot, bar };
  });
  const stay = entries.map((entry): number | null => {
    const was = before.entries.find(({ id }) => id === entry.id);
    const station = stations.findIndex(({ key }) => key === was?.station);
    return was?.block == null || station < 0 ? null : was.block * stations.length + station;
  });
  const keeping = held.flatMap((one, e) => (one ? [e] : []));
  const whole = assignClass(problem);
  const target = placedOf(whole);
  let best: ClassPlan | null = null;
  const consider = (free: ReadonlySet<number>, staysAtStation: boolean) => {
    const plan = assignClass(heldProblem(problem, held, free, staysAtStation ? stay : null));
    // Nobody whose place holds makes room for somebody else.
    const staysPut = keeping.every((e) => free.has(e) || plan.slotOf[e]! >= 0);
    if (staysPut && placedOf(plan) === target && (!best || plan.total > best.total)) best = plan;
  };
  consider(new Set(), true);
  if (!best) consider(new Set(), false);
  for (let moved = 1; !best && moved <= Math.min(MAX_MOVED, keeping.length); moved += 1)
    for (const free of subsets(keeping, moved)) {
      if (!mayGoOn()) break;
      consider(new Set(free), false);
    }
  const answer = best ?? whole;
  const moved = keeping.filter((e) => {
    const slot = answer.slotOf[e]!;
    return slot !== held[e]!.slot || answer.barOf[slot] !== held[e]!.bar;
  });
  const clashes = question.pool ? conflictsOf(problem, platesOf(question, question.pool), answer) : [];
  const isProven = answer.total === whole.total && whole.isProven && clashes.length === 0;
  return {
    ...describePlan(question, problem, answer, isProven),
    ...(question.pool
      ? { plates: { isServed: clashes.length === 0, clashes: clashWords(question, question.pool, clashes) } }
      : {}),
    moved: moved.map((e) => entries[e]!.id),
  };
}

const placedOf = ({ slotOf }: ClassPlan) => slotOf.filter((slot) => slot >= 0).length;

/** The problem with those held in their places who are not free. */
function heldProblem(
  { entries, slots }: ClassProblem,
  held: readonly ({ slot: number; bar: number } | null)[],
  free: ReadonlySet<number>,
  stay: readonly (number | null)[] | null,
): ClassProblem {
  return {
    slots,
    entries: entries.map((entry, e) => {
      const place = free.has(e) ? null : held[e]!;
      if (place)
        return {
          ...entry,
          fit: entry.fit.map((points, bar) => (bar === place.bar ? Math.max(0, points) : -1)),
          slots: entry.slots.map((_, slot) => slot === place.slot),
        };
      const station = stay?.[e] ?? null;
      return station === null ? entry : { ...entry, slots: entry.slots.map((can, slot) => can && slot === station) };
    }),
  };
}

function* subsets(of: readonly number[], count: number, from = 0): Generator<number[]> {
  if (count === 0) yield [];
  else
    for (let i = from; i <= of.length - count; i += 1)
      for (const rest of subsets(of, count - 1, i + 1)) yield [of[i]!, ...rest];
}
