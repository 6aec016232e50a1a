import { type Bar, valueOf } from "../../bars/bar";
import { FAMILIES, type FamilyKey } from "../../bars/families";
import { daysBetween } from "../../units/hallDay";
import { listed, trimmed } from "../../units/format";
import { LIMIT_WORDS, type Limit } from "../lifter";
import { isStraight, type Factor } from "../question";
import type { Finding, Verdict } from "../verdict";

const YOKED = ["yoke", "low-yoke", "cambered-yoke", "adjustable-yoke"];
const isYoked = (family: string) => YOKED.includes(family);

/** What a bar asks of a joint in a lift, and how much that takes from a verdict. Common practice, no source. */
const ASKS: Record<Limit, (bar: { family: string }, lift: LiftFacts) => [Verdict, string] | null> = {
  reach: ({ family }, { contact }) => {
    if (contact !== "back" || isYoked(family)) return null;
    return family === "bowed"
      ? ["usable", "the hands still have to reach back"]
      : ["poor", "the hands have to reach back to the shaft"];
  },
  shoulder: ({ family }, { contact, isOverhead, isPress, key }) => {
    if (isYoked(family) || family === "multi-grip") return null;
    if (contact === "back")
      return [key === "back-squat-low" ? "poor" : "usable", "the shoulders turn out to hold the shaft"];
    if (isOverhead) return ["usable", "it is held overhead at arm's length"];
    return isPress && family !== "bowed" ? ["usable", "a straight shaft fixes the shoulders' turn"] : null;
  },
  elbow: ({ family }, { contact, isPress, key }) => {
    if (isYoked(family) || family === "multi-grip" || family === "curl") return null;
    if (contact === "back") return ["usable", "the elbows are bent back under the shaft"];
    return isPress || key === "curl" || key === "triceps-extension"
      ? ["usable", "a straight shaft fixes the elbows' turn"]
      : null;
  },
  wrist: ({ family }, { contact, isPress, isTurned, key }) => {
    if (isYoked(family) || ["multi-grip", "curl", "open-frame", "closed-frame"].includes(family)) return null;
    if (contact === "front" || isTurned) return ["usable", "the wrists are bent back under the shaft"];
    return isPress || key === "curl" ? ["usable", "a straight shaft fixes the wrists"] : null;
  },
  back: (_, { loadsBack }) => (loadsBack ? ["good", "it loads the back"] : null),
};

interface LiftFacts {
  key: string;
  contact: string;
  isOverhead: boolean;
  isPress: boolean;
  isTurned: boolean;
  loadsBack: boolean;
}

const OVERHEAD = ["overhead-press", "push-press", "jerk", "snatch", "thruster"];
const PRESSES = ["bench", "close-grip-bench", ...OVERHEAD];

/**
 * What the lifter says is not comfortable, against what the bar asks in this lift.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const comfort: Factor = ({ bar, lift, lifter }) => {
  if (!lifter || lifter.limits.length === 0) return null;
  const facts: LiftFacts = {
    key: lift.like,
    contact: lift.contact,
    isOverhead: OVERHEAD.includes(lift.like),
    isPress: PRESSES.includes(lift.like),
    isTurned: lift.speed === "fast",
    loadsBack: lift.contact !== "hands" || lift.start === "floor",
  };
  let found: Finding | null = null;
  let rank = -1;
  for (const limit of lifter.limits) {
    const ask = ASKS[limit](bar, facts);
    if (!ask) continue;
    const [atBest, why] = ask;
    const weight = ["made-for", "good", "usable", "poor", "never"].indexOf(atBest);
    if (weight <= rank) continue;
    rank = weight;
    found = {
      factor: "comfort",
      basis: "common-practice",
      atBest,
      isPrivate: true,
      text: () =>
        limit === "reach"
          ? `This lifter ${LIMIT_WORDS.reach}, and ${why}.`
          : limit === "back"
            ? "This lifter says the back is not comfortable, and this loads it; what is safe for it, a doctor or physiotherapist decides."
            : `This lifter's ${LIMIT_WORDS[limit]} is not comfortable, and ${why}.`,
      wouldChange: () =>
        limit === "back" ? "What the lifter, the coach and the doctor agree on." : "A bar that asks less of it.",
    };
  }
  return found ?? spared(bar, lifter.limits, facts);
};

/** What a bar does instead of what a straight shaft asks. */
function sparedBy(family: FamilyKey, limit: Limit): string {
  if (!isYoked(family)) return family === "curl" ? "the grips are turned in" : "the palms can face each other";
  if (limit === "elbow") return "the hands hold handles in front";
  return limit === "wrist" ? "the wrists stay straight" : "nothing to reach back for";
}

/** A bar that asks nothing of a joint of which a straight bar asks something in this lift: that is why it is here. */
function spared(bar: Bar, limits: readonly Limit[], facts: LiftFacts): Finding | null {
  const eased = limits.filter((limit) => limit !== "back" && ASKS[limit]({ family: "power" }, facts));
  if (isStraight(bar) || eased.length === 0) return null;
  const joints = eased.map((limit) => (limit === "reach" ? "shoulder" : limit));
  return {
    factor: "comfort",
    basis: "common-practice",
    atBest: "made-for",
    isPrivate: true,
    text: () => `Spares the ${listed([...new Set(joints)])}: ${sparedBy(bar.family, eased[0]!)}.`,
  };
}

/** Under this a hand is small, over that it is large, wrist crease to fingertip. Common practice, no source. */
const SMALL_HAND_MM = 175;
const LARGE_HAND_MM = 205;

/**
 * Thickness against this lifter's hand. A hook grip wants the thumb round the shaft; hand length is what people measure.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const hands: Factor = ({ bar, lift, lifter }) => {
  const diameter = valueOf(bar, "shaftDiameter");
  const hand = lifter?.handLengthMm ?? null;
  const isPulled = lift.contact === "hands" && (lift.start === "floor" || lift.speed === "fast");
  if (diameter === null || hand === null || !isPulled || !isStraight(bar)) return null;
  const base = {
    factor: "hands",
    basis: "common-practice",
    isPrivate: true,
    value: diameter,
    unit: "mm",
  } as const;
  if (hand < SMALL_HAND_MM && diameter > 26)
    return {
      ...base,
      atBest: "good",
      text: () => `A ${trimmed(diameter, 1)} mm shaft is thick for this lifter's hands.`,
      wouldChange: () => "A 25 mm bar.",
    };
  if (hand > LARGE_HAND_MM && diameter < 26)
    return {
      ...base,
      atBest: "good",
      text: () => `A ${trimmed(diameter, 1)} mm shaft is thin for this lifter's hands.`,
      wouldChange: () => "A 28 mm bar.",
    };
  if (hand < SMALL_HAND_MM)
    return { ...base, atBest: "made-for", text: () => "The thin shaft suits this lifter's hands." };
  return null;
};

const HINGES = ["good-morning", "romanian-deadlift"];
export const HINGE_ON_STRAIGHT = "hinge-on-straight";

/**
 * Beginners and swinging bars, and what a coach confirms first.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const readiness: Factor = ({ bar, lift, lifter, purpose }) => {
  const swings = FAMILIES[bar.family].form === "cambered";
  const isLearning = lifter?.experience === "learning" || purpose === "learning";
  const isPrivate = lifter ? ({ isPrivate: true } as const) : {};
  if (swings && isLearning)
    return {
      factor: "experience",
      basis: "common-practice",
      atBest: "poor",
      ...isPrivate,
      text: () => "A bar that swings is not for someone who is learning.",
      wouldChange: () => "The lift learnt on a straight bar first.",
    };
  if (swings && HINGES.includes(lift.like) && !lifter?.confirmed.includes(HINGE_ON_STRAIGHT))
    return {
      factor: "prerequisite",
      basis: "common-practice",
      atBest: lifter ? "poor" : "usable",
      ...isPrivate,
      text: () => "A hinge on a swinging bar comes after the same hinge on a straight one.",
      wouldChange: () => "A coach confirms the hinge on the straight bar.",
    };
  const { prerequisite } = lift;
  if (prerequisite && !lifter?.confirmed.includes(lift.key))
    return {
      factor: "prerequisite",
      basis: "house-rule",
      atBest: lifter ? "poor" : "usable",
      ...isPrivate,
      text: () => `Before this lift: ${prerequisite}.`,
      wouldChange: () => "A coach confirms it.",
    };
  return null;
};

/** Over this share of the usual load a first set on a new bar is not light. Common practice, no source. */
const LIGHT_SHARE = 0.7;
const BLOCK_DAYS = 28;

/**
 * Whether the lifter knows the bar, and what the house thinks of changing.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const familiarity: Factor = ({ bar, lifter, loadKg, today, rules }) => {
  if (!lifter) return null;
  const own = lifter.used.get(bar.tag);
  const isNew = !own || daysBetween(own.first, today) < 7 * rules.newBarWeeks;
  const base = { factor: "familiarity", isPrivate: true } as const;
  if (isNew && !isStraight(bar)) {
    const isLight = lifter.usualKg !== null && loadKg <= LIGHT_SHARE * lifter.usualKg;
    return {
      factor: "familiarity",
      basis: "common-practice",
      atBest: isLight || lifter.usualKg === null ? "made-for" : "good",
      isPrivate: true,
      text: () =>
        lifter.usualKg === null
          ? "New to this lifter: start light, with a spotter and the safeties set."
          : `New to this lifter: start light, well under their usual ${trimmed(lifter.usualKg, 1)} kg.`,
      wouldChange: isLight ? undefined : () => `${rules.newBarWeeks} weeks on it, or a lighter set.`,
    };
  }
  const { rotation } = rules.policies;
  const isRecent = (days: number) => own !== undefined && daysBetween(own.last, today) <= days;
  if (rotation === "weekly" && isRecent(7))
    return {
      ...base,
      basis: "house-rule",
      atBest: "good",
      text: () => "Used within the week; the gym changes the bar weekly.",
      wouldChange: () => "Another week, or the house rule on rotation.",
    };
  const hasBlock =
    rotation === "stay" && [...lifter.used.values()].some(({ last }) => daysBetween(last, today) <= BLOCK_DAYS);
  if (hasBlock && !isRecent(BLOCK_DAYS))
    return {
      ...base,
      basis: "house-rule",
      atBest: "good",
      text: () => "Not the bar of this block; the gym stays on one for a block.",
      wouldChange: () => "The next block, or the house rule on rotation.",
    };
  return null;
};
