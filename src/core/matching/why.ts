import { rankOf, type Reason } from "./verdict";

/** What each consideration is called where there is room for one or two words. */
export const FACTOR_WORDS: Readonly<Record<string, string>> = {
  build: "lean and balance",
  "centre-knurl": "centre knurl",
  comfort: "sore joints",
  "empty-mass": "its own mass",
  experience: "experience",
  familiarity: "known to them",
  family: "made for it",
  findings: "finding open",
  free: "free now",
  hands: "hand size",
  knurl: "knurl",
  margin: "shaft strength",
  marks: "ring marks",
  meeting: "competition",
  near: "near",
  order: "care",
  prerequisite: "taught first",
  purpose: "purpose",
  rack: "rack",
  rating: "rating",
  slack: "slack",
  sleeves: "sleeves",
  "slow-shaft": "shaft",
  state: "state",
  stiffness: "whip",
  tall: "tall lifters",
  thickness: "thickness",
  turnover: "turnover",
};

/** What earns a bar its place, the most telling first: what a person asked for, before what any bar of the kind has. */
const TELLING = [
  "comfort",
  "meeting",
  "purpose",
  "prerequisite",
  "tall",
  "hands",
  "turnover",
  "sleeves",
  "slack",
  "slow-shaft",
  "centre-knurl",
  "marks",
  "family",
];
/** What is never a bar's first sentence while anything else is there: it says nothing of whether the bar suits. */
const LAST = ["order", "near", "free", "rating", "findings"];

/** Reasons as a person in a hurry reads them. */
export interface Why {
  /** The reason it earned its place; null where nothing speaks for it. */
  first: Reason | null;
  /** What counts against it, the worst first. */
  against: Reason[];
  /** What else speaks for it. */
  forIt: Reason[];
}

/**
 * Why a bar stands where it does: first what earned it its place, then what counts against it.
 *
 * @param reasons of one bar, in any order
 * @returns every reason once
 */
export function whyOf(reasons: readonly Reason[]): Why {
  // What is wrong with a bar costs it no place, and speaks against it all the same.
  const isFor = ({ factor, atBest }: Reason) => atBest === "made-for" && factor !== "findings";
  const speaks = reasons.filter(isFor);
  const place = ({ factor }: Reason) => TELLING.indexOf(factor);
  const telling = speaks
    .filter(({ factor }) => TELLING.includes(factor))
    .toSorted((a, b) => place(a) - place(b) || reasons.indexOf(a) - reasons.indexOf(b));
  // A family that is good at it, and not made for it, still says why it is here.
  const family = reasons.find(({ factor, atBest }) => factor === "family" && rankOf(atBest) <= rankOf("usable"));
  const first = telling[0] ?? family ?? speaks.find(({ factor }) => !LAST.includes(factor)) ?? speaks[0] ?? null;
  return {
    first,
    against: reasons
      .filter((reason) => reason !== first && !isFor(reason))
      .toSorted((a, b) => rankOf(b.atBest) - rankOf(a.atBest)),
    forIt: speaks.filter((reason) => reason !== first),
  };
}
