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
        "Every lift gets the stiffness, the spin and the knurl that suit it.",
        "It takes more bars, more room and more looking after.",
        "All-round and hybrid bars are good at best.",
      ),
      option(
        "one-all-round",
        "one good all-round bar for most lifters",
        "Up to moderate loads few people can tell bars apart.",
        "The strongest and the fastest lifters notice what it is not made for.",
        "All-round and hybrid bars count as made for what they are good at, and are cared for a fifth more often, since they do most of the work.",
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
        "Fast lifts need sleeves that spin freely; slow presses and squats want them calm.",
        "Well kept bushings are quick enough for most people.",
        "Bushings: fast lifts good at best. Bearings: presses from the rack usable at best.",
      ),
      option(
        "hardly-matters",
        "it hardly matters below competition",
        "Below competition loads the difference is hard to feel.",
        "Technique learnt on slow sleeves may have to change later.",
        "The sleeve type lowers no verdict; a fixed sleeve is still never turned over.",
      ),
    ],
  },
  shaft: {
    question: "Which shaft for squat, bench and deadlift?",
    obeys: ["matching"],
    options: [
      option(
        "either",
        "no rule: the number at this load decides",
        "The bend at this lifter’s own load is calculated: nothing to take on faith.",
        "Someone has to read the number.",
        "Changes nothing.",
      ),
      option(
        "29-slim",
        "29 mm with slim collars",
        "It bends least, and the plates sit close in.",
        "Small hands find it thick, and it gives nothing back at the top.",
        "Other straight power, all-round and hybrid bars are good at best for squat, bench and deadlift.",
      ),
      option(
        "28.5-thick",
        "28.5 mm with thick collars",
        "It is easier to hold on to, and a heavy deadlift comes off the floor plate by plate.",
        "On the back it moves more.",
        "Other straight power, all-round and hybrid bars are good at best for squat, bench and deadlift.",
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
        "It holds a squat in place and is in the way of cleans.",
        "One bar does not suit both.",
        "Squats: good at best without one. Cleans and snatches: usable at best with a full one.",
      ),
      option(
        "wanted",
        "wanted",
        "The bar does not creep down the back.",
        "It is rough on throats and shins.",
        "Squats are good at best without one.",
      ),
      option(
        "unwanted",
        "unwanted",
        "The bar can be used for everything without scraping anyone.",
        "It may slip on a sweaty shirt.",
        "No squat asks for one; a full one is good at best where the middle of the bar touches.",
      ),
    ],
  },
  tall: {
    question: "Which bar for tall lifters who squat?",
    obeys: ["matching"],
    options: [
      option(
        "model",
        "go by their own lengths",
        "Lean and reach are calculated for this lifter.",
        "It needs their height and mass, and better still the thigh.",
        "Lean, reach and moments stand beside the verdict and change it only past the gym’s limits.",
      ),
      option(
        "cambered",
        "a cambered squat bar",
        "The hands reach it easily and can steady the load.",
        "It swings, and weighs a good deal empty.",
        "Back squats of tall lifters: every other bar good at best.",
      ),
      option(
        "front-loaded",
        "a load in front",
        "They stay more upright.",
        "The upper back tires first.",
        "Back squats of tall lifters: only bars that load in front are better than good.",
      ),
      option(
        "yoke",
        "a safety squat bar",
        "The arms need not reach back at all.",
        "Long trunks are pulled forward even more.",
        "Back squats of tall lifters: every other bar good at best.",
      ),
    ],
  },
  yoke: {
    question: "What do safety squat bars do?",
    obeys: ["matching"],
    options: [
      option(
        "builds",
        "they build quads and upper back",
        "The load sits further forward, and thighs and upper back work for it.",
        "Other squats train them too.",
        "Made for sets for the upper back.",
      ),
      option(
        "shows-weak-link",
        "they only reveal what is weak already",
        "A lifter who folds forward on it sees where to work.",
        "Using it often is training all the same.",
        "Made for sets that show a weak link; good at best for the upper back.",
      ),
    ],
  },
  adjustable: {
    question: "One bar of many settings, or several bars of one purpose each?",
    obeys: ["matching"],
    options: [
      option(
        "one-thing",
        "several bars of one purpose each",
        "Nobody has to set anything, so nobody sets it wrong.",
        "More bars to buy and to store.",
        "The adjustable safety squat bar is good, and made for goblet-like squats only.",
      ),
      option(
        "many-way",
        "one bar of many settings",
        "It can be set for each lifter and each purpose.",
        "Setting it takes time and care, both sides alike.",
        "The adjustable safety squat bar counts as made for every squat and hinge it is good at.",
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
        "The coach decides each time.",
        "It is easily forgotten what was used last.",
        "Changes nothing.",
      ),
      option(
        "stay",
        "stay on one bar for a block",
        "One week’s loads can be compared with the next.",
        "The same joints work the same way for weeks.",
        "While a bar was used in the last four weeks, other bars are good at best.",
      ),
      option(
        "weekly",
        "change the bar weekly, heavy then light",
        "A heavy week is followed by a light one at the same effort.",
        "On a new bar the first weeks say little.",
        "A bar used in the last seven days is good at best.",
      ),
    ],
  },
  mass: {
    question: "Count exact masses, or rounded ones?",
    obeys: ["loading"],
    options: [
      option(
        "exact",
        "exact mass counted",
        "A bar that is off its label is loaded right all the same.",
        "The sums have decimals.",
        "Loads count the measured mass of the bar, and of plates the mean of those weighed.",
      ),
      option(
        "rounded",
        "rounded mass counted",
        "The sum can be checked in the head.",
        "Every load is off by what was rounded.",
        "Loads count the bar as whole kilograms, and say how far the scale disagrees.",
      ),
    ],
  },
  stack: {
    question: "Which plates go inside?",
    obeys: ["loading"],
    options: [
      option(
        "larger-inside",
        "larger plates inside",
        "It is what most people are taught, and a glance shows what is on the bar.",
        "Changing a large plate means taking every smaller one off first.",
        "Every load and plan puts the heavier plates against the collar, and plans say what any order would save.",
      ),
      option(
        "any",
        "any order, fewest handled",
        "A session takes the fewest plates off and on.",
        "Stacks look unusual, and have to be read.",
        "Session plans choose the order in which fewest plates are handled.",
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
        "Sturdy rubber takes it.",
        "Thin rubber wears out sooner.",
        "Warned from 20 %, refused over 30 %.",
      ),
      option(
        "20",
        "up to 20 % of the rubber",
        "It spares the rubber and the floor.",
        "More rubber plates are needed for the same load.",
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
