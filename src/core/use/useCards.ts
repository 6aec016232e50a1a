import type { FamilyKey } from "../bars/families";

/*
 * How a bar of each family is used, for somebody who holds it for the first time: at most eight lines, a few words each.
 * Common practice, no source (handbook §4 and §9); coaches write their own over it.
 */

export const USE_PARTS = ["in", "hands", "elbows", "stays", "through", "out", "surprises", "notWhen"] as const;
export type UsePart = (typeof USE_PARTS)[number];

export const USE_PART_WORDS: Record<UsePart, string> = {
  in: "Getting in",
  hands: "Hands",
  elbows: "Elbows",
  stays: "What holds it in place",
  through: "Through the lift",
  out: "Getting out",
  surprises: "What surprises",
  notWhen: "Not when",
};

/** Lines by part; a part that has nothing to say is left out. */
export type UseCard = Readonly<Partial<Record<UsePart, string>>>;

/** A line longer than this is not read under a bar. */
export const MAX_LINE = 120;

const STRAIGHT: UseCard = {
  in: "Stand under the middle, lift it off, take one step back.",
  hands: "Both the same way from the rings.",
  elbows: "Under the bar when you press, down and back when you squat.",
  out: "Walk in until it touches both uprights, then lower it.",
};
const PULLED: UseCard = {
  in: "Stand with the bar over the middle of your feet.",
  hands: "Both the same way from the middle, just outside your legs.",
  elbows: "Straight from start to end.",
  out: "Lower it with both hands; do not drop it unless the plates are rubber.",
};
const YOKE: UseCard = {
  in: "Swing the handles through. Pads high, close to the neck. Lift, one step back.",
  hands: "On the handles, pushing them a little away from you.",
  elbows: "In, close to the ribs. Keep the handles off your body.",
  stays: "The pads hook over the shoulders and the load holds them there. Keep your hands on.",
  through: "Pads and handles keep one angle. Lifting the handles shifts the load.",
  out: "Walk in until it touches both uprights, then down.",
  surprises: "It pulls you forward. The handles knock headphones off.",
  notWhen: "Not for pulls from the floor, cleans or snatches.",
};
const HUNG: UseCard = {
  in: "Stand up square under it and wait until it hangs still. One step back.",
  hands: "On the sides or the handles, to keep it from swinging.",
  elbows: "Down, close to your sides.",
  stays: "Nothing: it swings until you hold it.",
  through: "Go slowly. Pull it back a little where it runs ahead of your toes.",
  out: "Let it hang still, walk in to both uprights, then down.",
  surprises: "It swings. Empty it is already heavy: read what it weighs.",
  notWhen: "Not in your first weeks of squatting. Low safeties: the load hangs far down.",
};
const FRAME: UseCard = {
  in: "Step in. Mid-foot under the sleeves. Both hands on the marks.",
  hands: "In the middle of the handles, or it tips.",
  elbows: "Straight, hands beside your legs.",
  stays: "Nothing: it tips if the hands are not over the sleeves.",
  through: "Push the floor away. Chest up, knees and hips together.",
  out: "Set it down flat, both ends at once, then step out.",
  surprises: "High and low handles lift from other heights. Flip it and the lift changes.",
  notWhen: "Not for presses, and not in a rack.",
};

export const USE_CARDS: Readonly<Record<FamilyKey, UseCard>> = {
  "all-round": { ...STRAIGHT, surprises: "Two pairs of rings: use the same pair each time." },
  power: {
    ...STRAIGHT,
    stays: "The knurl in the middle holds it on your back.",
    through: "It hardly bends. What you lift is what you feel.",
    surprises: "The knurl is sharp. It scrapes shins and throat.",
    notWhen: "Not for cleans, jerks and snatches: the sleeves turn too slowly.",
  },
  weightlifting: {
    ...PULLED,
    hands: "Hook grip: thumb under the fingers.",
    elbows: "Straight until it passes the hips, then fast around.",
    through: "Keep it close. Let it spring and turn in your hands.",
    out: "Drop it only with rubber plates, and only on the platform.",
    surprises: "The sleeves spin freely. The shaft bends and springs back.",
    notWhen: "Not for heavy bench or squat: plates and hands wander.",
  },
  "weightlifting-short": {
    ...PULLED,
    hands: "Hook grip: thumb under the fingers. The shaft is thin.",
    elbows: "Straight until it passes the hips, then fast around.",
    through: "Keep it close. Let it turn in your hands.",
    out: "Drop it only with rubber plates, and only on the platform.",
    surprises: "It weighs less than a long bar. Read its label before you add plates.",
    notWhen: "Not for heavy bench or squat.",
  },
  hybrid: {
    ...STRAIGHT,
    through: "Good where slow and fast lifts follow one another.",
    surprises: "It turns faster than a power bar.",
    notWhen: "Not your first choice where a bar made for the lift is free.",
  },
  technique: {
    ...PULLED,
    hands: "As on the heavy bar: learn the grip you will use.",
    elbows: "Straight until it passes the hips, then fast around.",
    through: "Slowly first, then fast. Same path each time.",
    surprises: "It is very light, and it dents.",
    notWhen: "Never heavy: read the most it may carry.",
  },
  deadlift: {
    ...PULLED,
    through: "It bends before the plates leave the floor. Pull the slack out first.",
    surprises: "Thin, sharp and springy. The plates leave the floor late.",
    notWhen: "Not for bench or press, and nothing heavy in a rack.",
  },
  squat: {
    ...STRAIGHT,
    stays: "The thick, rough shaft grips your back.",
    through: "Brace before you move. It does not bend.",
    surprises: "It is thicker, longer and heavier than other bars.",
    notWhen: "Not for deadlifts or cleans: too thick to hold.",
  },
  yoke: YOKE,
  "low-yoke": {
    ...YOKE,
    in: "Duck under. Pads low on the back, handles round your sides. Lift, one step back.",
    hands: "On the handles, relaxed.",
    stays: "It stays put both ways by its shape. Keep your hands near.",
    out: "Walk in to both uprights, then down. It turns in the cups: mind your fingers.",
    surprises: "It sits lower than you think. Set the cups lower.",
    notWhen: "Not for presses.",
  },
  cambered: HUNG,
  "cambered-yoke": {
    ...HUNG,
    in: "Pads high, close to the neck. Stand up and wait until it hangs still.",
    hands: "On the handles, in front of you.",
    stays: "The pads stay. The load below still swings.",
  },
  "adjustable-yoke": {
    ...YOKE,
    in: "Check that both sides are set alike. Pads high, lift, one step back.",
    // Pushed away at one setting, pulled in and down at another.
    hands: "Hold both handles. Push or pull as the card of the setting says.",
    stays: "That depends on the setting. Read its card.",
    surprises: "One notch changes how it feels. Change it only when it is empty.",
    notWhen: "Not before a coach has set it for you.",
  },
  bowed: {
    ...STRAIGHT,
    in: "Find the middle of the arch. Lift it off, one step back.",
    stays: "The arch wants to turn. Hold it so that it does not.",
    through: "It goes deeper in a bench press than a straight bar. Start light.",
    surprises: "More range than you are used to.",
    notWhen: "Not for pulls from the floor.",
  },
  "open-frame": { ...FRAME, in: "Step in from the open side. Mid-foot under the sleeves. Hands on the marks." },
  "closed-frame": FRAME,
  "multi-grip": {
    in: "Choose one pair of handles. Lift it off with a partner the first time.",
    hands: "The same pair on both sides, thumbs round.",
    elbows: "Under the handles, closer to your ribs than with a straight bar.",
    stays: "Nothing: it can tip in your hands.",
    through: "Lower it slowly. The frame reaches your chest before a bar would.",
    out: "Both ends into the cups together.",
    surprises: "Each pair of handles is another lift.",
    notWhen: "Not for squats, cleans or snatches.",
  },
  curl: {
    in: "Stand, bar across your thighs.",
    hands: "On the slopes that feel easy on your wrists.",
    elbows: "Beside your ribs, still.",
    through: "Up without swinging, down slowly.",
    out: "Set it down, do not drop it.",
    surprises: "The collars are close together: it fits in no rack.",
    notWhen: "Not for squats, presses or heavy pulls.",
  },
  axle: {
    ...PULLED,
    hands: "All fingers round it. It is too thick for a hook grip.",
    through: "The grip gives out first: stop before it does.",
    surprises: "The plates do not turn. Clamps must fit this bar.",
    notWhen: "Not for heavy cleans or snatches.",
  },
};

/**
 * The card of a family as a gym has it: its own lines over ours.
 *
 * @returns parts in the order in which they are read; a line that the gym emptied is left out
 */
export function usageCardOf(family: FamilyKey, own: UseCard = {}): [part: UsePart, text: string][] {
  const all = { ...USE_CARDS[family], ...own };
  return USE_PARTS.flatMap((part) => (all[part] ? [[part, all[part]] as [UsePart, string]] : []));
}

/** What a setup card says itself, by its setting: a family's line beside it could say otherwise. */
const SAID_BY_SETTING: readonly UsePart[] = ["in", "hands", "stays", "out"];

/**
 * The lines that hold whatever the setting: those that stand beside a setup card.
 *
 * @returns lines in their order
 */
export const besideSetting = (lines: readonly (readonly [UsePart, string])[]): (readonly [UsePart, string])[] =>
  lines.filter(([part]) => !SAID_BY_SETTING.includes(part));
