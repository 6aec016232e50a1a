import { trimmed } from "../../units/format";
import { meetsSpec } from "../meetingSpec";
import { isStraight, type Factor } from "../question";
import type { Purpose } from "../lifter";
import type { Verdict } from "../verdict";

const YOKE_BARS = ["yoke", "cambered-yoke", "adjustable-yoke"];
const HUNG_BARS = ["cambered", "cambered-yoke"];

type Opinion = [atBest: Verdict, text: string];

/** Which bar serves which purpose in squats and hinges. Opinion, and marked as such; common practice, no source. */
const ON_THE_BACK: Partial<Record<Purpose, (family: string, isStraight: boolean, yokeBuilds: boolean) => Opinion>> = {
  "upper-back": (family, _, yokeBuilds) => {
    if (!YOKE_BARS.includes(family))
      return ["good", "the load ahead of the back, as a safety squat bar has it, asks more of the upper back"];
    return yokeBuilds
      ? ["made-for", "a yoke pulls forward, and the upper back holds it up"]
      : ["good", "by the gym’s rule a yoke only shows the weak link"];
  },
  hips: (family, straight) =>
    straight || family === "low-yoke" || HUNG_BARS.includes(family)
      ? ["made-for", "low or hung, it lets the hips do the work"]
      : ["good", "it sits high or ahead and asks more of the knees"],
  "weak-link": (family, _, yokeBuilds) => {
    if (HUNG_BARS.includes(family)) return ["made-for", "a swinging load shows at once where it runs away"];
    if (!YOKE_BARS.includes(family)) return ["good", "a straight bar hides what a specialty bar shows"];
    return yokeBuilds
      ? ["good", "by the gym’s rule safety squat bars are for building"]
      : ["made-for", "folding on it shows what to train"];
  },
};

/**
 * What the set is for.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const purpose: Factor = ({ bar, lift, lifter, purpose: wanted, rules }) => {
  const base = { factor: "purpose", basis: "common-practice" } as const;
  if (wanted === "general" || wanted === "learning") return null;
  if (wanted === "carry-over") {
    const spec = lifter?.meeting?.spec;
    if (spec) return null;
    return isStraight(bar)
      ? {
          ...base,
          atBest: "made-for",
          text: () => "Opinion: a straight bar carries over best to a competition’s straight bar.",
        }
      : {
          ...base,
          atBest: "usable",
          text: () => "Opinion: a specialty bar carries over less to a competition’s straight bar.",
          wouldChange: () => "A straight bar, or another purpose.",
        };
  }
  if (wanted === "spare-joint") {
    const isSparing = !isStraight(bar);
    return {
      ...base,
      atBest: isSparing ? "made-for" : "usable",
      text: () =>
        isSparing
          ? "Opinion: it was built to spare a joint that a straight shaft loads."
          : "Opinion: a straight shaft spares no joint.",
      ...(isSparing ? {} : { wouldChange: () => "A specialty bar, or another purpose." }),
    };
  }
  const opinion =
    lift.contact === "back"
      ? ON_THE_BACK[wanted]?.(bar.family, isStraight(bar), rules.policies.yoke === "builds")
      : null;
  if (!opinion) return null;
  const [atBest, text] = opinion;
  return { ...base, atBest, text: () => `Opinion: ${text}.` };
};

/**
 * The bar of the next meeting, when it is near or the set is for it.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const meeting: Factor = ({ bar, lifter, purpose: wanted, rules }) => {
  const next = lifter?.meeting ?? null;
  if (!next) return null;
  const isNear = next.inDays >= 0 && next.inDays <= 7 * rules.meetingWeeks;
  if (!isNear && wanted !== "carry-over") return null;
  const { result, off, missing } = meetsSpec(bar, next.spec);
  const when = () => `${next.spec.name} in ${trimmed(next.inDays / 7, 0)} weeks`;
  const base = { factor: "meeting", basis: "published", isPrivate: true } as const;
  if (result === "meets")
    return { ...base, atBest: "made-for", text: () => `It is the bar of the competition: ${when()}.` };
  if (result === "unknown")
    return {
      ...base,
      basis: "data",
      atBest: "usable",
      text: () => `${when()}: whether it is that bar cannot be said, ${missing.join(", ")} unknown.`,
      wouldChange: () => `Measure or enter ${missing.join(", ")}.`,
    };
  return {
    ...base,
    atBest: "good",
    text: () => `${when()}, and this is another bar: ${off.join("; ")}.`,
    wouldChange: () => "The competition’s bar.",
  };
};
