import { ratedTotalKg, valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { sentence, trimmed, withArticle } from "../units/format";
import { assumedPlates } from "../whip/assumedPlates";
import { bendingBarOf } from "../whip/bendingBar";
import { whip } from "../whip/closedForm";
import { familySuitability } from "./familySuitability";
import type { MatchingRules } from "./houseRules";
import type { Lift } from "./lifts";
import type { Reason, Verdict } from "./verdict";

/** The lifter as far as the matcher looks at one. Sizes are private: reasons about them are, too. */
export interface MatchLifter {
  /** Wrist crease to tip of the middle finger, in mm; null when not measured. */
  handLengthMm: number | null;
  isLearning: boolean;
}

export interface MatchQuestion {
  bar: Bar;
  lift: Lift;
  /** Total on the bar, bar included. */
  loadKg: number;
  lifter: MatchLifter | null;
  rules: MatchingRules;
}

/** Each looks at one thing and says nothing when it has nothing to say. */
export const FACTORS: readonly ((question: MatchQuestion) => Reason | null)[] = [
  state,
  family,
  turnover,
  rating,
  emptyMass,
  sleeves,
  stiffness,
  margin,
  grip,
  centreKnurl,
];

function state({ bar }: MatchQuestion): Reason | null {
  const because = bar.stateReason ? `: ${bar.stateReason}` : "";
  switch (bar.state) {
    case "in-service":
      return null;
    case "watch":
      return {
        factor: "state",
        basis: "data",
        atBest: "good",
        text: `Under watch${because}.`,
        wouldChange: "An inspection that finds it in order.",
      };
    case "quarantined":
      return {
        factor: "state",
        basis: "data",
        atBest: "never",
        text: `Quarantined${because}.`,
        wouldChange: "Only the manager returns it to service.",
      };
    case "retired":
      return { factor: "state", basis: "data", atBest: "never", text: "Retired." };
    case "on-order":
      return {
        factor: "state",
        basis: "data",
        atBest: "never",
        text: "Ordered, not here yet.",
        wouldChange: "Its arrival.",
      };
  }
}

const FAMILY_TEXT: Record<Verdict, (family: string, lift: string) => string> = {
  "made-for": (family, lift) => `${sentence(family)} is made for this: ${lift}.`,
  good: (family, lift) => `${sentence(family)} does the ${lift} well.`,
  usable: (family, lift) => `${sentence(family)} can be used for the ${lift}, though it is meant for other lifts.`,
  poor: (family, lift) => `${sentence(family)} is a poor choice for the ${lift}.`,
  never: (family, lift) => `The ${lift} cannot be done with ${family}.`,
};

function family({ bar, lift }: MatchQuestion): Reason {
  const atBest = familySuitability(bar.family, lift.key);
  const text = FAMILY_TEXT[atBest](withArticle(FAMILIES[bar.family].name), lift.name);
  return { factor: "family", basis: "common-practice", atBest, text };
}

/** A fixed sleeve, or a bar that is not straight, must not be turned over: it throws the wrists. */
function turnover({ bar, lift }: MatchQuestion): Reason | null {
  if (lift.speed !== "fast") return null;
  if (FAMILIES[bar.family].form !== "straight")
    return {
      factor: "turnover",
      basis: "common-practice",
      atBest: "never",
      text: "A specialty bar is never turned over.",
    };
  if (bar.sleeveRotation === "fixed" || bar.family === "axle")
    return {
      factor: "turnover",
      basis: "physics",
      atBest: "never",
      text: "The sleeves do not turn: the plates would wrench the wrists in the turnover.",
    };
  return null;
}

function rating({ bar, loadKg, rules }: MatchQuestion): Reason {
  const rated = ratedTotalKg(bar);
  if (rated === null)
    return {
      factor: "rating",
      basis: "data",
      atBest: "good",
      text: "The most it may carry is unknown.",
      wouldChange: "The seller's rating, entered with its basis.",
    };
  const share = loadKg / rated;
  const numbers = { value: Math.round(1000 * share) / 10, unit: "%" };
  const percent = `${trimmed(100 * share, 0)} % of the ${trimmed(rated, 1)} kg it may carry`;
  if (loadKg > rated)
    return {
      factor: "rating",
      basis: "data",
      atBest: "never",
      text: `The load is ${percent}.`,
      wouldChange: `${trimmed(rated, 1)} kg or less.`,
      ...numbers,
    };
  if (share > rules.ratingWarnShare)
    return {
      factor: "rating",
      basis: "house-rule",
      atBest: "usable",
      text: `The load is ${percent}, near the limit.`,
      wouldChange: `${trimmed(rated * rules.ratingWarnShare, 0)} kg or less.`,
      ...numbers,
    };
  return { factor: "rating", basis: "data", atBest: "made-for", text: `The load is ${percent}.`, ...numbers };
}

function emptyMass({ bar, loadKg, lifter, rules }: MatchQuestion): Reason | null {
  const mass = valueOf(bar, "mass");
  if (mass === null)
    return {
      factor: "empty-mass",
      basis: "data",
      atBest: "usable",
      text: "Its own mass is unknown.",
      wouldChange: "Weigh it.",
    };
  const share = mass / loadKg;
  const numbers = { value: Math.round(1000 * share) / 10, unit: "%" };
  if (mass > loadKg)
    return {
      factor: "empty-mass",
      basis: "data",
      atBest: "never",
      text: `The empty bar, ${trimmed(mass, 2)} kg, is heavier than the wished load.`,
      wouldChange: "A lighter bar or a heavier set.",
      ...numbers,
    };
  if (share > rules.emptyShareLimit && !lifter?.isLearning)
    return {
      factor: "empty-mass",
      basis: "house-rule",
      atBest: "poor",
      text: `The empty bar is ${trimmed(100 * share, 0)} % of the load; little is left to load.`,
      wouldChange: `${trimmed(mass / rules.emptyShareLimit, 0)} kg or more, or a set marked as learning.`,
      ...numbers,
    };
  return null;
}

function sleeves({ bar, lift, rules }: MatchQuestion): Reason | null {
  const rotation = bar.sleeveRotation;
  if (rotation === null)
    return {
      factor: "sleeves",
      basis: "data",
      atBest: "usable",
      text: "How its sleeves turn is unknown.",
      wouldChange: "Turn a sleeve by hand and enter what you find.",
    };
  if (rotation === "fixed") return null;
  if (lift.speed === "fast") {
    if (rotation === "bushing")
      return rules.sleeveDecides
        ? {
            factor: "sleeves",
            basis: "common-practice",
            atBest: "good",
            text: "Bushings turn slower than the turnover likes.",
            wouldChange: "A bar with bearings, or the house rule on sleeves.",
          }
        : {
            factor: "sleeves",
            basis: "house-rule",
            atBest: "made-for",
            text: "Below competition the sleeve type hardly matters, by the house's rule.",
          };
    return {
      factor: "sleeves",
      basis: "common-practice",
      atBest: "made-for",
      text: "Its bearings let the plates stay behind in the turnover.",
    };
  }
  const isWandering = (rotation === "needle" || rotation === "ball") && lift.ending !== "dropped";
  if (isWandering && rules.sleeveDecides && lift.contact === "hands" && lift.start === "rack")
    return {
      factor: "sleeves",
      basis: "common-practice",
      atBest: "usable",
      text: "The plates turn too freely for a slow press: the hands wander.",
      wouldChange: "A bar with bushings.",
    };
  return null;
}

function bending({ bar, lift, loadKg }: MatchQuestion) {
  const bendable = bendingBarOf(bar);
  const mass = valueOf(bar, "mass");
  if (!bendable.ok || mass === null || loadKg <= mass) return null;
  return whip(bendable.bar, lift.supportHalfSpacingMm, assumedPlates((loadKg - mass) / 2));
}

/** At this drop of the plates a slow lift on the back or in the press starts to shake. Common practice, no source. */
const SHAKY_DROP_MM = 25;

function stiffness(question: MatchQuestion): Reason | null {
  const { bar, lift } = question;
  if (FAMILIES[bar.family].form !== "straight") return null;
  const missing = bendingBarOf(bar);
  if (!missing.ok)
    return {
      factor: "stiffness",
      basis: "data",
      atBest: "usable",
      text: `How it bends cannot be said: ${missing.missing.join(", ")} unknown.`,
      wouldChange: `Measure ${missing.missing.join(", ")}.`,
    };
  const bent = bending(question);
  if (!bent) return null;
  const drop = trimmed(bent.deflectionMm, 1);
  const numbers = { value: Math.round(bent.deflectionMm * 10) / 10, unit: "mm" };
  if (lift.start === "floor" && lift.speed === "slow")
    return {
      factor: "slack",
      basis: "physics",
      atBest: "made-for",
      text: `The hands rise ${drop} mm before the plates leave the floor.`,
      ...numbers,
    };
  if (lift.speed === "slow" && bent.deflectionMm > SHAKY_DROP_MM)
    return {
      factor: "stiffness",
      basis: "physics",
      atBest: "poor",
      text: `The plates hang ${drop} mm below the supports and bounce at this load.`,
      wouldChange: "A thicker bar, or less load.",
      ...numbers,
    };
  return {
    factor: "stiffness",
    basis: "physics",
    atBest: "made-for",
    text: `The plates hang ${drop} mm below the supports at this load.`,
    ...numbers,
  };
}

/** The margin is not a rating and never stands in for a missing one; a small one is a reason to look twice. */
function margin(question: MatchQuestion): Reason | null {
  const bent = bending(question);
  if (!bent || bent.safetyFactor === null || bent.safetyFactor >= question.rules.leastMargin) return null;
  const numbers = { value: Math.round(bent.safetyFactor * 100) / 100, unit: "×" };
  return {
    factor: "margin",
    basis: "physics",
    atBest: bent.safetyFactor < 1 ? "never" : "poor",
    text:
      bent.safetyFactor < 1
        ? "At this load the shaft would stay bent."
        : `The shaft is only ${trimmed(bent.safetyFactor, 2)} times as strong as this load bends it.`,
    wouldChange: "A stronger bar, or less load.",
    ...numbers,
  };
}

function grip({ bar, lift, lifter }: MatchQuestion): Reason | null {
  const diameter = valueOf(bar, "shaftDiameter");
  if (diameter === null || lift.contact !== "hands" || FAMILIES[bar.family].form !== "straight") return null;
  const numbers = { value: diameter, unit: "mm" };
  const isPulled = lift.start === "floor" || lift.speed === "fast";
  // A hook grip wants the thumb round the shaft: hand length is the nearest thing people measure.
  if (lifter?.handLengthMm != null && isPulled && lifter.handLengthMm < 175 && diameter > 26)
    return {
      factor: "grip",
      basis: "common-practice",
      atBest: "good",
      text: `A ${trimmed(diameter, 1)} mm shaft is thick for this lifter's hands.`,
      wouldChange: "A 25 mm bar.",
      isPrivate: true,
      ...numbers,
    };
  if (isPulled && diameter >= 35 && bar.family !== "axle")
    return {
      factor: "grip",
      basis: "common-practice",
      atBest: "poor",
      text: `A ${trimmed(diameter, 1)} mm shaft is hard to hold.`,
      ...numbers,
    };
  if (lift.speed === "fast" && diameter >= 29.5)
    return {
      factor: "grip",
      basis: "common-practice",
      atBest: "poor",
      text: `A ${trimmed(diameter, 1)} mm shaft is too thick for the turnover.`,
      wouldChange: "25 or 28 mm.",
      ...numbers,
    };
  return null;
}

function centreKnurl({ bar, lift, rules }: MatchQuestion): Reason | null {
  if (bar.centreKnurl === null || FAMILIES[bar.family].form !== "straight") return null;
  if (lift.contact === "back" && rules.centreKnurl !== "unwanted") {
    if (bar.centreKnurl !== "none")
      return {
        factor: "centre-knurl",
        basis: "common-practice",
        atBest: "made-for",
        text: "Its centre knurl helps it stay on the back.",
      };
    return {
      factor: "centre-knurl",
      basis: rules.centreKnurl === "wanted" ? "house-rule" : "common-practice",
      atBest: "good",
      text: "No centre knurl to hold it on the back.",
      wouldChange: "A bar with a centre knurl.",
    };
  }
  if (bar.centreKnurl === "full" && lift.isCentreScraped)
    return {
      factor: "centre-knurl",
      basis: "common-practice",
      atBest: lift.speed === "fast" ? "usable" : "made-for",
      text: "Its sharp centre knurl may scrape shins or throat.",
      wouldChange: "A bar with a smooth middle.",
    };
  return null;
}
