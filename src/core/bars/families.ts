/** The nineteen families a bar can belong to. The keys are part of the public interface and never change. */
export const FAMILY_KEYS = [
  "all-round",
  "power",
  "weightlifting",
  "weightlifting-short",
  "hybrid",
  "technique",
  "deadlift",
  "squat",
  "yoke",
  "low-yoke",
  "cambered",
  "cambered-yoke",
  "adjustable-yoke",
  "bowed",
  "open-frame",
  "closed-frame",
  "multi-grip",
  "curl",
  "axle",
] as const;

export type FamilyKey = (typeof FAMILY_KEYS)[number];

/**
 * How the bar is built, which decides how it is drawn and what can be done with it at all.
 * `straight` bars turn over in the hands; nothing else does.
 */
export type BarForm = "straight" | "yoke" | "cambered" | "bowed" | "frame" | "multi-grip" | "zigzag";

export interface Family {
  key: FamilyKey;
  /** The word people use, without an article. */
  name: string;
  form: BarForm;
  /** Whether a bar of this family usually sits in J-cups; a fact of the single bar may say otherwise. */
  usuallyRacked: boolean;
  /** One short line for people who do not know it. */
  madeFor: string;
}

/** Common practice, no source: what each family is made for. */
export const FAMILIES: Record<FamilyKey, Family> = {
  "all-round": family("all-round", "all-round bar", "straight", true, "everything, moderately"),
  power: family("power", "power bar", "straight", true, "squat, bench and deadlift"),
  weightlifting: family("weightlifting", "weightlifting bar", "straight", true, "clean and jerk, snatch"),
  "weightlifting-short": family(
    "weightlifting-short",
    "short weightlifting bar",
    "straight",
    true,
    "clean and jerk, snatch, for smaller hands",
  ),
  hybrid: family("hybrid", "hybrid bar", "straight", true, "mixed fast and slow work"),
  technique: family("technique", "technique bar", "straight", true, "learning the turnover, light"),
  deadlift: family("deadlift", "deadlift bar", "straight", false, "deadlift"),
  squat: family("squat", "squat bar", "straight", true, "heavy back squat"),
  yoke: family("yoke", "safety squat bar", "yoke", true, "squats that spare shoulder, elbow and wrist; lunges"),
  "low-yoke": family("low-yoke", "low safety squat bar", "yoke", true, "squats and hinges without arm strain"),
  cambered: family("cambered", "cambered squat bar", "cambered", true, "squats and hinges with a hung load"),
  "cambered-yoke": family(
    "cambered-yoke",
    "cambered safety squat bar",
    "cambered",
    true,
    "a hung load for those who cannot reach the shaft",
  ),
  "adjustable-yoke": family(
    "adjustable-yoke",
    "adjustable safety squat bar",
    "yoke",
    true,
    "imitating front, high, low and hinge loadings",
  ),
  bowed: family("bowed", "bowed bar", "bowed", true, "bench with more range, easier shoulders in squats"),
  "open-frame": family("open-frame", "open hex bar", "frame", false, "deadlifts, carries, shrugs, split squats"),
  "closed-frame": family("closed-frame", "hex bar", "frame", false, "deadlifts, carries, shrugs"),
  "multi-grip": family(
    "multi-grip",
    "multi-grip bar",
    "multi-grip",
    true,
    "presses and rows sparing wrist and shoulder",
  ),
  curl: family("curl", "curl bar", "zigzag", false, "curls and triceps"),
  axle: family("axle", "axle", "straight", true, "grip and carries"),
};

/**
 * What else people call each family, our own word first: read in forms, files and searches. Trade names are shown.
 * Common practice, no source.
 */
export const FAMILY_ALSO_CALLED: Readonly<Partial<Record<FamilyKey, readonly string[]>>> = {
  "all-round": ["multi-purpose bar", "general bar", "standard bar", "barbell"],
  power: ["powerlifting bar", "stiff bar"],
  weightlifting: ["olympic weightlifting bar", "oly bar", "needle bar"],
  "weightlifting-short": ["women's bar", "women's weightlifting bar", "15 kg bar"],
  hybrid: ["functional bar"],
  technique: ["training bar", "aluminium bar", "learner bar"],
  deadlift: ["pulling bar"],
  squat: ["thick squat bar"],
  yoke: ["yoke bar", "safety bar", "SSB"],
  "low-yoke": ["low-yoke bar", "low-bar safety bar"],
  cambered: ["cambered bar", "camber bar"],
  "cambered-yoke": ["cambered yoke bar", "cambered safety bar"],
  "adjustable-yoke": ["adjustable yoke bar", "adjustable safety bar"],
  bowed: ["arched bar", "bow bar"],
  "open-frame": ["open-frame bar", "open frame", "open trap bar"],
  "closed-frame": ["closed-frame bar", "closed frame", "closed hex bar", "trap bar"],
  "multi-grip": ["neutral-grip bar", "multi grip bar"],
  curl: ["zigzag bar", "cambered curl bar"],
  axle: ["axle bar", "fat bar", "thick bar"],
};

/** What each family is not for, as a rule: a fact of the single bar may say otherwise. Common practice, no source. */
export const FAMILY_NOT_FOR: Readonly<Partial<Record<FamilyKey, string>>> = {
  power: "clean, jerk and snatch",
  weightlifting: "heavy bench, squat or deadlift: its sleeves turn too freely",
  "weightlifting-short": "heavy bench, squat or deadlift: its sleeves turn too freely",
  technique: "anything heavy",
  deadlift: "bench, press, or anything heavy in a rack",
  squat: "deadlift and clean",
  yoke: "pulls from the floor, cleans and snatches",
  "low-yoke": "presses",
  cambered: "beginners: empty it is often more than they squat",
  "cambered-yoke": "beginners: empty it is often more than they squat",
  bowed: "pulls from the floor",
  "open-frame": "presses, or lying in J-cups",
  "closed-frame": "presses, or lying in J-cups",
  "multi-grip": "squats, cleans and snatches",
  curl: "heavy squats, presses and pulls",
  axle: "heavy cleans and snatches",
};

function family(key: FamilyKey, name: string, form: BarForm, usuallyRacked: boolean, madeFor: string): Family {
  return { key, name, form, usuallyRacked, madeFor };
}
