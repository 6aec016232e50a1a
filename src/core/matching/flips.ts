import type { Bar } from "../bars/bar";
import type { HallDay } from "../units/hallDay";
import type { MatchingRules } from "./houseRules";
import type { Lift } from "./lifts";
import type { MatchLifter } from "./lifter";
import { gradeBar } from "./match";
import type { Verdict } from "./verdict";

/** A verdict that other rules would change. */
export interface Flip {
  tag: string;
  lift: string;
  liftName: string;
  loadKg: number;
  /** Null for anybody. */
  lifter: string | null;
  before: Verdict;
  after: Verdict;
}

interface Question {
  bars: readonly Bar[];
  lifts: readonly Lift[];
  lifters: readonly { name: string; as: (lift: Lift) => MatchLifter }[];
  today: HallDay;
  before: MatchingRules;
  after: MatchingRules;
}

/**
 * Every verdict that differs between two sets of rules: all bars in all lifts at the lift's usual load for anybody, and
 * for every lifter at the load they usually work with. A lifter's flip that anybody's says already is left out.
 *
 * @returns what differs, and how many verdicts were looked at
 */
export function flips({ bars, lifts, lifters, today, before, after }: Question): { flips: Flip[]; graded: number } {
  const found: Flip[] = [];
  let graded = 0;
  for (const lift of lifts)
    for (const bar of bars) {
      const ask = (lifter: MatchLifter | null, loadKg: number, name: string | null) => {
        graded += 1;
        const options = { lifter, today };
        const was = gradeBar(bar, lift, loadKg, { ...options, rules: before });
        const is = gradeBar(bar, lift, loadKg, { ...options, rules: after });
        return was === is
          ? null
          : { tag: bar.tag, lift: lift.key, liftName: lift.name, loadKg, lifter: name, before: was, after: is };
      };
      const general = ask(null, lift.usualKg, null);
      if (general) found.push(general);
      for (const { name, as } of lifters) {
        const lifter = as(lift);
        if (lifter.usualKg === null && lifter.build === null) continue;
        const own = ask(lifter, lifter.usualKg ?? lift.usualKg, name);
        if (own && !(general && general.before === own.before && general.after === own.after)) found.push(own);
      }
    }
  return { flips: found, graded };
}
