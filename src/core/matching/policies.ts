/** One of the sides that practitioners take. */
export interface PolicyOption {
  key: string;
  name: string;
  /** A sentence for it and one against it. */
  pro: string;
  con: string;
  /** What it changes here. */
  changes: string;
}

export interface Policy {
  question: string;
  /** The part of the program that obeys it. */
  obeys: readonly ("matching" | "loading" | "care")[];
  options: readonly PolicyOption[];
}

const option = <K extends string>(key: K, name: string, pro: string, con: string, changes: string) => ({
  key,
  name,
  pro,
  con,
  changes,
});

/**
 * Where practitioners disagree (handbook §7), the sides and what each changes. The first option of each is what a
 * house starts from.
 */
export const POLICIES = {
  bars: {
    question: "One good bar for most, or the right bar for each lift?",
    obeys: ["matching", "care"],
    options: [
      option(
        "by-lift",
        "the right bar for each lift",
        "A bar built for a lift bends, turns and grips as that lift wants it.",
        "More bars to buy, to keep and to confuse.",
        "All-round and hybrid bars are good, never more.",
      ),
      option(
        "one-all-round",
        "one good all-round bar for most lifters",
        "Most lifters never load a bar so far that the difference shows.",
        "Those who do are held back by a compromise.",
        "All-round and hybrid bars count as made for what they are good at; they carry most sessions, so their care comes round a fifth sooner.",
      ),
    ],
  },
  sleeves: {
    question: "Does the sleeve type decide?",
    obeys: ["matching"],
    options: [
      option(
        "decides",
        "it decides: bearings for fast, bushings for slow",
        "Plates that keep turning wrench a slow press, plates that lag wrench a turnover.",
        "A clean bushing turns well enough for most people.",
        "Bushings cap fast lifts at good; bearings cap presses from the rack at usable.",
      ),
      option(
        "hardly-matters",
        "it hardly matters below competition",
        "At the loads of most lifters nobody feels it.",
        "Habits learnt on a lagging sleeve have to be unlearnt.",
        "The sleeve type no longer caps a verdict; a fixed sleeve is still never turned over.",
      ),
    ],
  },
  shaft: {
    question: "Which shaft for the three slow lifts?",
    obeys: ["matching"],
    options: [
      option(
        "either",
        "no rule: the number at this load decides",
        "Whip is worked out for the lifter's own load, so nobody has to believe.",
        "It leaves the choice to whoever reads the number.",
        "Changes nothing.",
      ),
      option(
        "29-slim",
        "29 mm with slim collars",
        "Stiff, with the plates close to the hands: the least whip.",
        "Thick for small hands, and unforgiving at lock-out.",
        "For squat, bench and deadlift other straight bars of the power, all-round and hybrid kind are good at best.",
      ),
      option(
        "28.5-thick",
        "28.5 mm with thick collars",
        "Easier to hold, and the wider seats give a heavy pull its spring.",
        "Half a millimetre and wide seats whip more on the back.",
        "For squat, bench and deadlift other straight bars of the power, all-round and hybrid kind are good at best.",
      ),
    ],
  },
  centreKnurl: {
    question: "A centre knurl?",
    obeys: ["matching"],
    options: [
      option(
        "by-lift",
        "by the lift",
        "It helps on the back and scrapes in pulls and cleans.",
        "Two bars where one might do.",
        "Without one a squat bar is good at best; a full one is usable at best for cleans and snatches.",
      ),
      option(
        "wanted",
        "wanted",
        "A bar that stays on the back is worth a scraped shin.",
        "Throats and shins disagree.",
        "Squats without one are good at best, by the house's rule.",
      ),
      option(
        "unwanted",
        "unwanted",
        "One smooth middle serves every lift.",
        "A wet back slides under it.",
        "No squat asks for one, and a full one is good at best wherever the middle of the bar touches.",
      ),
    ],
  },
  tall: {
    question: "Which bar for tall lifters who squat?",
    obeys: ["matching"],
    options: [
      option(
        "model",
        "whatever their own lengths say",
        "The balance is worked out for this body, not for a type.",
        "It needs height and mass, and better still the thigh.",
        "Lean, reach and moments stand beside the verdict and change it only where they pass the house's limits.",
      ),
      option(
        "cambered",
        "a cambered bar",
        "Hands can hold the hung load back when it runs ahead of the toes.",
        "It swings, and the empty bar is heavy.",
        "For tall lifters' back squats every other bar is good at best.",
      ),
      option(
        "front-loaded",
        "a load in front",
        "The trunk stays upright.",
        "The upper back gives out before the legs.",
        "For tall lifters' back squats only bars that load in front are better than good.",
      ),
      option(
        "yoke",
        "a yoke bar",
        "It needs no reach and loads a little ahead of the back.",
        "It pulls them forward exactly where they lean already.",
        "For tall lifters' back squats every bar without a yoke is good at best.",
      ),
    ],
  },
  yoke: {
    question: "What do yoke bars do?",
    obeys: ["matching"],
    options: [
      option(
        "builds",
        "they build quads and upper back",
        "The load ahead of the back has to be held up all the way.",
        "The straight bar would have built them as well.",
        "Made for sets for the upper back.",
      ),
      option(
        "shows-weak-link",
        "they merely show the weak link",
        "Whoever folds on it knows what to train.",
        "Showing it every week trains it after all.",
        "Made for sets that show a weak link; for the upper back good at best.",
      ),
    ],
  },
  adjustable: {
    question: "One bar that adjusts, or one that does one thing?",
    obeys: ["matching"],
    options: [
      option(
        "one-thing",
        "one specialty bar that does one thing superbly",
        "Nothing to set, nothing to set wrong.",
        "Four bars on the wall for four carries.",
        "The adjustable yoke bar is good, and made for goblet-like squats only.",
      ),
      option(
        "many-way",
        "a many-way adjustable bar",
        "One bar follows each lifter and each day.",
        "Every change takes time, and a wrong pin tips it.",
        "The adjustable yoke bar counts as made for every squat and hinge it is good at.",
      ),
    ],
  },
  rotation: {
    question: "Stay on a bar, or change it?",
    obeys: ["matching"],
    options: [
      option(
        "either",
        "no rule",
        "The coach decides session by session.",
        "Nobody remembers what was last used.",
        "Changes nothing.",
      ),
      option(
        "stay",
        "stay on one bar for a block",
        "Loads can be compared from week to week.",
        "One groove is worn, and one joint.",
        "A lifter who used a bar within four weeks gets other bars at good at best.",
      ),
      option(
        "weekly",
        "change the bar weekly, heavy then light",
        "Equal effort, a lower load every other week.",
        "A new bar reads low for about three weeks.",
        "A bar that the lifter used in the last seven days is good at best.",
      ),
    ],
  },
  mass: {
    question: "Count exact masses, or what is written?",
    obeys: ["loading"],
    options: [
      option(
        "exact",
        "exact mass counted",
        "Odd bars no longer spoil the sums.",
        "Numbers nobody can do in the head.",
        "Loads count the measured mass of the bar, and of plates the mean of those that were weighed.",
      ),
      option(
        "rounded",
        "rounded mass counted",
        "Everybody can check the sum.",
        "Every set is off by what was rounded away.",
        "Loads count the bar as whole kilograms; the error against the scale is said.",
      ),
    ],
  },
  iron: {
    question: "How much iron among rubber when the bar is dropped?",
    obeys: ["loading"],
    options: [
      option(
        "30",
        "up to 30 % of the rubber",
        "It has held in many gyms for years.",
        "Thin bumpers bend sooner.",
        "Warned from 20 %, refused over 30 %.",
      ),
      option(
        "20",
        "up to 20 % of the rubber",
        "Rubber lasts, and nothing bounces askew.",
        "More bumpers to buy for the same load.",
        "Warned from 15 %, refused over 20 %.",
      ),
    ],
  },
} as const satisfies Record<string, Policy>;

export type PolicyKey = keyof typeof POLICIES;
export const POLICY_KEYS = Object.keys(POLICIES) as PolicyKey[];

/** The side a house takes in each. */
export type Policies = { [K in PolicyKey]: (typeof POLICIES)[K]["options"][number]["key"] };

export const STARTING_POLICIES = Object.fromEntries(
  POLICY_KEYS.map((key) => [key, POLICIES[key].options[0].key]),
) as Policies;

/**
 * Sides from stored or typed words; what is not understood is as a house starts.
 *
 * @returns a side for each question
 */
export function policiesFrom(saved: unknown): Policies {
  const words = (saved ?? {}) as Record<string, unknown>;
  return Object.fromEntries(
    POLICY_KEYS.map((key) => {
      const options: readonly PolicyOption[] = POLICIES[key].options;
      return [key, options.find((one) => one.key === words[key])?.key ?? options[0]!.key];
    }),
  ) as Policies;
}
