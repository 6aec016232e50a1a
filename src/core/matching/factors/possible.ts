import { valueOf } from "../../bars/bar";
import { FAMILIES } from "../../bars/families";
import { fitAt, isRackable, isRefused, jCupsFor, rackFitText } from "../../bars/rackSpan";
import { overStation, stationOut } from "../../bars/fitness";
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

/** What some do with a yoke bar without its handles (handbook §4). */
const PRESSED: readonly string[] = ["bench", "close-grip-bench", "overhead-press", "triceps-extension"];

/**
 * What bars of its family are for, and what the house believes of two of them.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const family: Factor = (question) => {
  const { bar, lift, rules } = question;
  const { policies } = rules;
  const usual = familySuitability(bar.family, lift.like);
  const { form } = FAMILIES[bar.family];
  if (isLearningSet(question) && lift.like === "deadlift" && usual !== "never" && usual !== "poor")
    return form === "frame"
      ? {
          factor: "family",
          basis: "common-practice",
          atBest: "made-for",
          text: () => "A frame is where a deadlift is learnt first: the hands hang at the sides.",
        }
      : {
          factor: "family",
          basis: "common-practice",
          atBest: "good",
          text: () => FAMILY_TEXT.good(withArticle(FAMILIES[bar.family].name), lift.name),
          wouldChange: () => "A frame first, while someone is learning.",
        };
  if (form === "yoke" && bar.areHandlesRemovable === true && PRESSED.includes(lift.like))
    return {
      factor: "family",
      basis: "common-practice",
      atBest: "usable",
      text: () => "With its handles off some press and extend with it, lying or standing.",
      wouldChange: () => "A bar made for presses.",
    };
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
      text: () => `By the gym’s rule ${name()} counts as made for the ${lift.name}.`,
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

const FRAMED: readonly string[] = ["goblet-squat", "lunge"];

/**
 * Whether it lies in the J-cups that the lift starts from: those of the station that was asked for, else of any that the
 * gym has (handbook §3).
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const rack: Factor = ({ bar, lift, stations, at, rules: { rackMarginMm } }) => {
  const kind = jCupsFor(lift);
  // Squats inside a frame start from the floor.
  if (kind === null || (FAMILIES[bar.family].form === "frame" && FRAMED.includes(lift.like))) return null;
  if (!isRackable(bar))
    return {
      factor: "rack",
      basis: "data",
      atBest: "never",
      text: () => "It does not lie in J-cups, and this lift starts in them.",
      wouldChange: () => "A bar that lies in J-cups.",
    };
  const asked = at && at.kind === kind ? [at] : stations.filter((station) => station.kind === kind);
  const fits = asked.map((station) => ({ station, fit: fitAt(bar, station, rackMarginMm) }));
  const known = fits.filter(({ fit }) => fit !== null);
  if (known.length === 0) return null;
  const refused = known.filter(({ fit }) => isRefused(fit));
  const words = () => `It ${rackFitText(bar, (refused[0] ?? known[0]!).station, stations, rackMarginMm)}.`;
  if (refused.length === fits.length)
    return {
      factor: "rack",
      basis: "data",
      atBest: "never",
      text: words,
      wouldChange: () => (at ? "Another rack, or a bar that lies in this one." : "A bar that lies in the gym's racks."),
    };
  const unknown = known.find(({ fit }) => fit!.answer === "unknown");
  if (unknown && !known.some(({ fit }) => fit!.answer === "fits"))
    return {
      factor: "rack",
      basis: "data",
      atBest: "good",
      text: () => `It ${rackFitText(bar, unknown.station, stations, rackMarginMm)}.`,
      wouldChange: () => "Measuring it.",
    };
  return refused.length === 0 ? null : { factor: "rack", basis: "data", atBest: "made-for", text: words };
};

/**
 * What the station holds, and whether anybody may lift there: the one that was asked for, else every one of the kind that
 * the lift cannot do without.
 *
 * @returns never where no such station takes the load; null where one does, or nobody said what it holds
 */
export const station: Factor = ({ lift, loadKg, stations, at }) => {
  const kind = jCupsFor(lift);
  const asked = at ? [at] : kind === null ? [] : stations.filter((one) => one.kind === kind);
  const stops = asked.map((one) => [...stationOut(one), ...overStation(one, loadKg)]);
  if (stops.length === 0 || stops.some((why) => why.length === 0)) return null;
  return {
    factor: "station",
    basis: "data",
    atBest: "never",
    text: () => stops[0]!.join(" "),
    wouldChange: () => "Another station, or a lighter set.",
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
