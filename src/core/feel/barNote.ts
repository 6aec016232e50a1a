import { addDays, type HallDay } from "../units/hallDay";

/** When a bar is asked about: days after somebody first used it. Ours. */
export const NOTE_STAGES = ["first-day", "three-weeks", "three-months"] as const;
export type NoteStage = (typeof NOTE_STAGES)[number];

export const STAGE_WORDS: Record<NoteStage, string> = {
  "first-day": "the first day",
  "three-weeks": "three weeks",
  "three-months": "three months",
};
const STAGE_DAYS: Record<NoteStage, number> = { "first-day": 0, "three-weeks": 21, "three-months": 91 };

/** What is said of a bar from 1 to 5, and what the ends mean. */
export const NOTE_ASPECTS = {
  comfort: { label: "comfort", low: "hurts or pinches", high: "you forget it is there" },
  balance: { label: "balance", low: "wants to go its own way", high: "stays put" },
  knurl: { label: "knurl", low: "slips, or tears the hands", high: "just right" },
  noise: { label: "noise", low: "rattles", high: "quiet" },
} as const;
export type NoteAspect = keyof typeof NOTE_ASPECTS;
export const ASPECT_KEYS = Object.keys(NOTE_ASPECTS) as NoteAspect[];

/** What somebody said of a bar at one stage; null where they said nothing. */
export interface NoteSaid {
  stage: NoteStage;
  comfort: number | null;
  balance: number | null;
  knurl: number | null;
  noise: number | null;
  wouldUseAgain: boolean | null;
  wouldBuyAgain: boolean | null;
  words: string | null;
}

/**
 * The stage that is asked for on a day: the latest one reached that nobody noted, as long as none after it was. An
 * earlier one that was missed is not asked for any more: three months on nobody knows the first day.
 *
 * @param firstUsedOn the day of the first use
 * @param noted stages with a note
 * @returns null when there is nothing to ask
 */
export function stageDue(firstUsedOn: HallDay, today: HallDay, noted: readonly NoteStage[]): NoteStage | null {
  const reached = NOTE_STAGES.filter((stage) => addDays(firstUsedOn, STAGE_DAYS[stage]) <= today);
  const latest = reached.at(-1);
  return latest && !noted.includes(latest) ? latest : null;
}

/** What several people said of a bar, or of a batch of bars. */
export interface Feel {
  /** How many notes count: of each person the latest. */
  people: number;
  aspects: { key: NoteAspect; median: number; of: number }[];
  useAgain: { yes: number; of: number };
  buyAgain: { yes: number; of: number };
  words: string[];
}

/**
 * What people say of a bar: of everybody their latest stage, medians of what was given, and how many said so. Small
 * numbers are shown as what they are; nobody's name is in it.
 *
 * @param notes with who said it; of one person the latest stage counts
 * @returns null when nobody said anything
 */
export function feelOf(notes: readonly (NoteSaid & { by: string })[]): Feel | null {
  const latest = new Map<string, NoteSaid>();
  for (const note of notes) {
    const before = latest.get(note.by);
    if (!before || NOTE_STAGES.indexOf(note.stage) >= NOTE_STAGES.indexOf(before.stage)) latest.set(note.by, note);
  }
  const all = [...latest.values()];
  if (all.length === 0) return null;
  const count = (key: "wouldUseAgain" | "wouldBuyAgain") => ({
    yes: all.filter((note) => note[key] === true).length,
    of: all.filter((note) => note[key] !== null).length,
  });
  return {
    people: all.length,
    aspects: ASPECT_KEYS.flatMap((key) => {
      const given = all.flatMap((note) => (note[key] === null ? [] : [note[key]])).sort((a, b) => a - b);
      return given.length === 0 ? [] : [{ key, median: median(given), of: given.length }];
    }),
    useAgain: count("wouldUseAgain"),
    buyAgain: count("wouldBuyAgain"),
    words: all.flatMap(({ words }) => (words ? [words] : [])),
  };
}

/** Of an even number the mean of the middle two. */
function median(sorted: readonly number[]): number {
  const half = sorted.length / 2;
  return Number.isInteger(half) ? (sorted[half - 1]! + sorted[half]!) / 2 : sorted[Math.floor(half)]!;
}

/**
 * What people say in one line: "4 people: comfort 4 of 5, balance 3.5 of 5; 3 of 4 would use it again".
 *
 * @returns words without a full stop
 */
export function feelWords({ people, aspects, useAgain, buyAgain }: Feel): string {
  const scores = aspects.map(({ key, median }) => `${NOTE_ASPECTS[key].label} ${median} of 5`).join(", ");
  const again = [
    useAgain.of > 0 ? `${useAgain.yes} of ${useAgain.of} would use it again` : "",
    buyAgain.of > 0 ? `${buyAgain.yes} of ${buyAgain.of} would buy it again` : "",
  ].filter(Boolean);
  const said = [scores, ...again].filter(Boolean).join("; ");
  return `${people} ${people === 1 ? "person" : "people"}${said ? `: ${said}` : ""}`;
}

/**
 * What cannot be saved of a note, in words.
 *
 * @returns problems by field; empty when it can be
 */
export function noteProblems(note: NoteSaid): { path: string; message: string }[] {
  const problems = ASPECT_KEYS.flatMap((key): { path: string; message: string }[] => {
    const score = note[key];
    return score === null || (Number.isInteger(score) && score >= 1 && score <= 5)
      ? []
      : [{ path: key, message: `${NOTE_ASPECTS[key].label}: 1 to 5.` }];
  });
  if ((note.words?.length ?? 0) > 500)
    problems.push({ path: "words", message: "In your words: up to 500 characters." });
  const isEmpty =
    ASPECT_KEYS.every((key) => note[key] === null) &&
    note.wouldUseAgain === null &&
    note.wouldBuyAgain === null &&
    !note.words;
  if (isEmpty) problems.push({ path: "words", message: "Say at least one thing about the bar." });
  return problems;
}
