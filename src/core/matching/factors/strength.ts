import { ratedTotalKg } from "../../bars/bar";
import { trimmed } from "../../units/format";
import { whipAt, type Factor } from "../question";

/**
 * The load against the most the bar may carry.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const rating: Factor = ({ bar, loadKg, rules }) => {
  const rated = ratedTotalKg(bar);
  if (rated === null)
    return {
      factor: "rating",
      basis: "data",
      atBest: "usable",
      text: () => "The most it may carry is unknown.",
      wouldChange: () => "The seller's rating, entered with its basis.",
    };
  const share = loadKg / rated;
  const value = Math.round(1000 * share) / 10;
  const percent = () => `${trimmed(100 * share, 0)} % of the ${trimmed(rated, 1)} kg it may carry`;
  if (loadKg > rated)
    return {
      factor: "rating",
      basis: "data",
      atBest: "never",
      text: () => `The load is ${percent()}.`,
      wouldChange: () => `${trimmed(rated, 1)} kg or less.`,
      value,
      unit: "%",
    };
  if (share > rules.ratingWarnShare)
    return {
      factor: "rating",
      basis: "house-rule",
      atBest: "usable",
      text: () => `The load is ${percent()}, near the limit.`,
      wouldChange: () => `${trimmed(rated * rules.ratingWarnShare, 0)} kg or less.`,
      value,
      unit: "%",
    };
  return {
    factor: "rating",
    basis: "data",
    atBest: "made-for",
    value,
    unit: "%",
    text: () => `The load is ${percent()}.`,
  };
};

/**
 * The margin is not a rating and never stands in for a missing one; a small one is a reason to look twice.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const margin: Factor = (question) => {
  const factor = whipAt(question)?.safetyFactor ?? null;
  if (factor === null || factor >= question.rules.leastMargin) return null;
  return {
    factor: "margin",
    basis: "physics",
    atBest: factor < 1 ? "never" : "poor",
    text: () =>
      factor < 1
        ? "At this load the shaft would stay bent."
        : `The shaft is only ${trimmed(factor, 2)} times as strong as this load bends it.`,
    wouldChange: () => "A stronger bar, or less load.",
    value: Math.round(factor * 100) / 100,
    unit: "×",
  };
};
