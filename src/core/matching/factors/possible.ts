import { valueOf } from "../../bars/bar";
import { FAMILIES } from "../../bars/families";
import { sentence, trimmed, withArticle } from "../../units/format";
import { familySuitability } from "../familySuitability";
import { isLearningSet, isStraight, type Factor } from "../question";
import type { Verdict } from "../verdict";

const FAMILY_TEXT: Record<Verdict, (family: string, lift: string) => string> = {
  "made-for": (family, lift) => `${sentence(family)} is made for this: ${lift}.`,
  good: (family, lift) => `${sentence(family)} does the ${lift} well.`,
  usable: (family, lift) => `${sentence(family)} can be used for the ${lift}, though it is meant for other lifts.`,
  poor: (family, lift) => `${sentence(family)} is a poor choice for the ${lift}.`,
  never: (family, lift) => `The ${lift} cannot be done with ${family}.`,
};

/**
 * What bars of its family are for, and what the house believes of two of them.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const family: Factor = ({ bar, lift, rules: { policies } }) => {
  const usual = familySuitability(bar.family, lift.like);
  const isRaised =
    usual === "good" &&
    ((policies.bars === "one-all-round" && (bar.family === "all-round" || bar.family === "hybrid")) ||
      (policies.adjustable === "many-way" && bar.family === "adjustable-yoke"));
  const name = () => withArticle(FAMILIES[bar.family].name);
  if (isRaised)
    return {
      factor: "family",
      basis: "house-rule",
      atBest: "made-for",
      text: () => `By the house's rule ${name()} counts as made for the ${lift.name}.`,
    };
  return {
    factor: "family",
    basis: "common-practice",
    atBest: usual,
    text: () => FAMILY_TEXT[usual](name(), lift.name),
  };
};

/**
 * A fixed sleeve, or a bar that is not straight, must not be turned over: it throws the wrists.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const turnover: Factor = ({ bar, lift }) => {
  if (lift.speed !== "fast") return null;
  if (!isStraight(bar))
    return {
      factor: "turnover",
      basis: "common-practice",
      atBest: "never",
      text: () => "A specialty bar is never turned over.",
    };
  if (bar.sleeveRotation === "fixed" || bar.family === "axle")
    return {
      factor: "turnover",
      basis: "physics",
      atBest: "never",
      text: () => "The sleeves do not turn: the plates would wrench the wrists in the turnover.",
    };
  return null;
};

/**
 * A bar that does not sit in J-cups cannot start where a rack is needed.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const rack: Factor = ({ bar, lift }) => {
  const needsRack = lift.start === "rack" && lift.ending === "racked" && lift.contact !== "hands";
  if (!needsRack || bar.canBeRacked !== false) return null;
  return {
    factor: "rack",
    basis: "data",
    atBest: "never",
    text: () => "It cannot be racked, and this lift starts in a rack.",
    wouldChange: () => "A bar that sits in J-cups.",
  };
};

/**
 * The bar by itself against the wished load.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const emptyMass: Factor = (question) => {
  const { bar, loadKg, rules } = question;
  const mass = valueOf(bar, "mass");
  const base = { factor: "empty-mass" } as const;
  if (mass === null)
    return {
      ...base,
      basis: "data",
      atBest: "usable",
      text: () => "Its own mass is unknown.",
      wouldChange: () => "Weigh it.",
    };
  const share = mass / loadKg;
  const numbers = { value: Math.round(1000 * share) / 10, unit: "%" };
  if (mass > loadKg)
    return {
      ...base,
      ...numbers,
      basis: "data",
      atBest: "never",
      text: () => `The empty bar, ${trimmed(mass, 2)} kg, is heavier than the wished load.`,
      wouldChange: () => "A lighter bar or a heavier set.",
    };
  if (share <= rules.emptyShareLimit || isLearningSet(question)) return null;
  return {
    ...base,
    ...numbers,
    basis: "house-rule",
    atBest: "poor",
    text: () => `The empty bar is ${trimmed(100 * share, 0)} % of the load; little is left to load.`,
    wouldChange: () => `${trimmed(mass / rules.emptyShareLimit, 0)} kg or more, or a set marked as learning.`,
  };
};
