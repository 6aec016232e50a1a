import { valueOf } from "../../bars/bar";
import { trimmed } from "../../units/format";
import { hasMarks } from "../meetingSpec";
import { bendingOf, isStraight, whipAt, type Factor } from "../question";

/**
 * How the sleeves turn against how fast the lift is.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const sleeves: Factor = ({ bar, lift, rules: { policies } }) => {
  const rotation = bar.sleeveRotation;
  const decides = policies.sleeves === "decides";
  if (rotation === null)
    return {
      factor: "sleeves",
      basis: "data",
      atBest: "usable",
      text: () => "How its sleeves turn is unknown.",
      wouldChange: () => "Turn a sleeve by hand and enter what you find.",
    };
  if (rotation === "fixed") return null;
  if (lift.speed === "fast") {
    if (rotation !== "bushing")
      return {
        factor: "sleeves",
        basis: "common-practice",
        atBest: "made-for",
        text: () => "Its bearings let the plates stay behind in the turnover.",
      };
    return decides
      ? {
          factor: "sleeves",
          basis: "common-practice",
          atBest: "good",
          text: () => "Bushings spin too slowly for a quick turnover.",
          wouldChange: () => "A bar with bearings, or the house rule on sleeves.",
        }
      : {
          factor: "sleeves",
          basis: "house-rule",
          atBest: "made-for",
          text: () => "Below competition the sleeve type hardly matters, by the gym’s rule.",
        };
  }
  const hasBearings = rotation === "needle" || rotation === "ball";
  const isPress = lift.contact === "hands" && lift.start === "rack";
  if (!hasBearings || !decides) return null;
  if (!isPress)
    return lift.contact === "back" || lift.start === "floor"
      ? {
          factor: "sleeves",
          basis: "common-practice",
          atBest: "good",
          text: () => "Its bearings let the plates turn freely: under a heavy slow lift the hands wander.",
          wouldChange: () => "A bar with bushings, or the house rule on sleeves.",
        }
      : null;
  return {
    factor: "sleeves",
    basis: "common-practice",
    atBest: "usable",
    text: () => "The plates turn too freely for a slow press: the hands wander.",
    wouldChange: () => "A bar with bushings, or the house rule on sleeves.",
  };
};

/** At this drop of the plates a slow lift on the back or in the press starts to shake. Common practice, no source. */
const SHAKY_DROP_MM = 25;

/**
 * How far it bends at this load, and what that does.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const stiffness: Factor = (question) => {
  const { bar, lift } = question;
  if (!isStraight(bar)) return null;
  const bending = bendingOf(bar);
  if (!bending.ok) {
    const missing = bending.missing.join(", ");
    return {
      factor: "stiffness",
      basis: "data",
      atBest: "usable",
      text: () => `How it bends cannot be said: ${missing} unknown.`,
      wouldChange: () => `Measure ${missing}.`,
    };
  }
  const bent = whipAt(question);
  if (!bent) return null;
  // Written out, not spread: this is graded by the ten thousand.
  const value = Math.round(bent.deflectionMm * 10) / 10;
  const drop = () => trimmed(bent.deflectionMm, 1);
  if (lift.start === "floor" && lift.speed === "slow")
    return {
      factor: "slack",
      basis: "physics",
      atBest: "made-for",
      value,
      unit: "mm",
      text: () => `The hands rise ${drop()} mm before the plates leave the floor.`,
    };
  if (lift.speed === "slow" && bent.deflectionMm > SHAKY_DROP_MM)
    return {
      factor: "stiffness",
      basis: "physics",
      atBest: "poor",
      value,
      unit: "mm",
      text: () => `The plates hang ${drop()} mm below the supports and bounce at this load.`,
      wouldChange: () => "A thicker bar, or less load.",
    };
  return {
    factor: "stiffness",
    basis: "physics",
    atBest: "made-for",
    value,
    unit: "mm",
    text: () => `The plates hang ${drop()} mm below the supports at this load.`,
  };
};

/** The three slow lifts that the house may have a shaft for, and the bars it concerns. */
const SLOW_THREE = ["back-squat-high", "back-squat-low", "bench", "deadlift", "sumo-deadlift"];
const GENERAL = ["power", "all-round", "hybrid"];

/**
 * 29 mm with slim collars or 28.5 mm with thick ones, if the house has a rule.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const slowShaft: Factor = ({ bar, lift, rules: { policies } }) => {
  if (policies.shaft === "either" || !SLOW_THREE.includes(lift.like) || !GENERAL.includes(bar.family)) return null;
  const [diameter, collar] = [valueOf(bar, "shaftDiameter"), valueOf(bar, "collarThickness")];
  const isSlim = policies.shaft === "29-slim";
  const wanted = isSlim ? "29 mm with slim collars" : "28.5 mm with thick collars";
  const base = { factor: "slow-shaft", basis: "house-rule" } as const;
  if (diameter === null || collar === null)
    return {
      ...base,
      basis: "data",
      atBest: "usable",
      text: () => `The gym wants ${wanted}; this bar's are not known.`,
      wouldChange: () => "Measure shaft diameter and collar thickness.",
    };
  const isWanted = isSlim ? diameter >= 28.75 && collar <= 35 : diameter >= 28.25 && diameter < 28.75 && collar >= 40;
  return isWanted
    ? { ...base, atBest: "made-for", text: () => `${wanted}, the house rule for slow lifts.` }
    : {
        ...base,
        atBest: "good",
        text: () =>
          `${trimmed(diameter, 1)} mm with ${trimmed(collar, 0)} mm collars; the gym wants ${wanted} for the slow lifts.`,
        wouldChange: () => "Another bar, or the house rule on shafts.",
      };
};

/**
 * Thickness against the grip that the lift needs, whoever lifts.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const thickness: Factor = ({ bar, lift }) => {
  const diameter = valueOf(bar, "shaftDiameter");
  if (diameter === null || lift.contact !== "hands" || !isStraight(bar)) return null;
  const isPulled = lift.start === "floor" || lift.speed === "fast";
  const base = { factor: "thickness", basis: "common-practice", atBest: "poor", value: diameter, unit: "mm" } as const;
  if (lift.speed === "fast" && diameter >= 29.5)
    return {
      ...base,
      text: () => `A ${trimmed(diameter, 1)} mm shaft is too thick for the turnover.`,
      wouldChange: () => "25 or 28 mm.",
    };
  if (isPulled && diameter >= 35 && bar.family !== "axle")
    return { ...base, text: () => `A ${trimmed(diameter, 1)} mm shaft is hard to hold.` };
  return null;
};

/** From this load on a smooth shaft slips in a pull. Common practice, no source. */
const HEAVY_PULL_KG = 140;

/**
 * How sharp the knurl is against what the hands do.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const knurl: Factor = ({ bar, lift, loadKg }) => {
  if (lift.contact !== "hands" || !isStraight(bar)) return null;
  const base = { factor: "knurl", basis: "common-practice" } as const;
  if (bar.knurl === null)
    return {
      ...base,
      basis: "data",
      atBest: "usable",
      text: () => "Nobody entered how sharp its knurl is.",
      wouldChange: () => "Feel it and add it.",
    };
  if (lift.speed === "fast" && bar.knurl === "aggressive")
    return {
      ...base,
      atBest: "good",
      text: () => "A sharp knurl tears the hands in fast repetitions.",
      wouldChange: () => "A medium knurl.",
    };
  const isPull = lift.start === "floor" && lift.speed === "slow";
  if (isPull && loadKg >= HEAVY_PULL_KG && (bar.knurl === "passive" || bar.knurl === "none") && bar.family !== "axle")
    return {
      ...base,
      atBest: bar.knurl === "none" ? "poor" : "good",
      text: () => "A smooth shaft slips at this load without chalk.",
      wouldChange: () => "A sharper knurl.",
    };
  return null;
};

/**
 * The middle of the shaft against backs, shins and throats.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const centreKnurl: Factor = ({ bar, lift, rules: { policies } }) => {
  if (!isStraight(bar)) return null;
  const isTouched = lift.contact === "back" || lift.isCentreScraped;
  if (!isTouched) return null;
  const base = { factor: "centre-knurl", basis: "common-practice" } as const;
  if (bar.centreKnurl === null)
    return {
      ...base,
      basis: "data",
      atBest: "usable",
      text: () => "Nobody entered whether it has a centre knurl.",
      wouldChange: () => "Look at it and add it.",
    };
  if (policies.centreKnurl === "unwanted" && bar.centreKnurl === "full")
    return {
      ...base,
      basis: "house-rule",
      atBest: lift.speed === "fast" ? "usable" : "good",
      text: () => "A full centre knurl, which the gym does not want.",
      wouldChange: () => "A bar with a smooth middle, or the house rule on centre knurls.",
    };
  if (lift.contact === "back") {
    if (bar.centreKnurl !== "none")
      return {
        factor: "centre-knurl",
        basis: "common-practice",
        atBest: "made-for",
        text: () => "Its centre knurl helps it stay on the back.",
      };
    if (policies.centreKnurl === "unwanted") return null;
    return {
      factor: "centre-knurl",
      basis: policies.centreKnurl === "wanted" ? "house-rule" : "common-practice",
      atBest: "good",
      text: () => "No centre knurl to hold it on the back.",
      wouldChange: () => "A bar with a centre knurl.",
    };
  }
  if (bar.centreKnurl !== "full") return null;
  return {
    ...base,
    atBest: lift.speed === "fast" ? "usable" : "made-for",
    text: () => "Its sharp centre knurl may scrape shins or throat.",
    wouldChange: () => "A bar with a smooth middle.",
  };
};

/**
 * Rings that hands find their place by: 810 mm apart for the bench, 910 mm for the snatch.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const marks: Factor = ({ bar, lift }) => {
  const wanted = lift.like === "bench" ? "powerlifting" : lift.like === "snatch" ? "weightlifting" : null;
  if (wanted === null || !isStraight(bar)) return null;
  const apart = wanted === "powerlifting" ? 810 : 910;
  const base = { factor: "marks", basis: "common-practice" } as const;
  if (bar.ringMarks === null)
    return {
      ...base,
      basis: "data",
      atBest: "usable",
      text: () => "Nobody entered its ring marks.",
      wouldChange: () => "Look at the rings and enter them.",
    };
  if (hasMarks(bar.ringMarks, wanted)) return null;
  return {
    ...base,
    atBest: "good",
    text: () => `No rings ${apart} mm apart to place the hands by.`,
    wouldChange: () => `A bar marked at ${apart} mm.`,
  };
};
