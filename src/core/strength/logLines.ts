import { KG_PER_LB } from "../units/constants";
import type { Problem } from "../problem";

/** One set as somebody typed it. */
export interface TypedSet {
  loadValue: string;
  loadUnit: "kg" | "lb";
  loadKg: number;
  repetitions: number;
  reserve: number | null;
  isMade: boolean;
}

/** The greatest that can be logged. */
export const MAX_LOG_KG = 2000;
export const MAX_LOG_REPETITIONS = 100;
export const MAX_RESERVE = 10;
const MAX_LINES = 200;

const LINE =
  /^(?<load>\d+(?:[.,]\d+)?)\s*(?<unit>kgs?|kilos?|lbs?|pounds?|#)?\s*(?:(?:x|×|\*|for|\s)\s*(?<reps>\d+(?:\s*[,;/]\s*\d+)*)(?:\s*(?:x|×|\*)\s*(?<sets>\d+))?)?\s*(?:(?:@|rir)\s*(?<reserve>\d+(?:[.,]\d+)?)\s*(?:left|rir)?)?\s*(?<missed>missed|miss|failed|fail|no lift)?\s*$/i;

/**
 * Reads sets as people write them: "140x5 @2" is five repetitions with two left, "315 lb 3,3,2" three sets, "100x5x3"
 * three sets of five, "150 missed" one that did not come up.
 *
 * @param unit of loads without one
 * @returns the sets, or every line that cannot be read, with its number from 1 as path
 */
export function readLogLines(
  text: string,
  unit: "kg" | "lb",
): { ok: true; sets: TypedSet[] } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const sets: TypedSet[] = [];
  const lines = text.split(/\r?\n/);
  if (lines.length > MAX_LINES)
    return { ok: false, problems: [{ path: "lines", message: `Sets: at most ${MAX_LINES} lines at once.` }] };
  lines.forEach((line, i) => {
    const trimmed = line.trim();
    if (trimmed === "") return;
    const problem = (message: string) => problems.push({ path: `line ${i + 1}`, message: `Line ${i + 1}: ${message}` });
    const read = LINE.exec(trimmed)?.groups;
    if (!read) return problem(`“${trimmed.slice(0, 60)}” is no set. Write 140x5 @2, or 315 lb 3,3,2.`);
    const loadValue = read.load!.replace(",", ".");
    const loadUnit = read.unit ? (/^(lb|pound|#)/i.test(read.unit) ? "lb" : "kg") : unit;
    const loadKg = Number(loadValue) * (loadUnit === "lb" ? KG_PER_LB : 1);
    const repetitions = (read.reps ?? "1").split(/[,;/]/).map((part) => Number(part.trim()));
    const times = Number(read.sets ?? 1);
    const reserve = read.reserve === undefined ? null : Number(read.reserve.replace(",", "."));
    const wrong = setProblem({ loadKg, repetitions, reserve });
    if (wrong) return problem(wrong);
    if (times < 1 || times > 20) return problem("20 sets at most on one line.");
    for (let n = 0; n < times; n += 1)
      for (const count of repetitions)
        sets.push({ loadValue, loadUnit, loadKg, repetitions: count, reserve, isMade: !read.missed });
  });
  if (problems.length > 0) return { ok: false, problems };
  if (sets.length === 0)
    return { ok: false, problems: [{ path: "lines", message: "Sets: write one at least, like 140x5 @2." }] };
  return { ok: true, sets };
}

/**
 * What is wrong with the numbers of a set, with what would be right; null when nothing is.
 *
 * @returns a sentence, or null
 */
export function setProblem(set: {
  loadKg: number;
  repetitions: readonly number[];
  reserve: number | null;
}): string | null {
  const { loadKg, repetitions, reserve } = set;
  if (!(loadKg > 0)) return "Load: must be more than 0, like 60 kg.";
  if (loadKg > MAX_LOG_KG) return `Load: at most ${MAX_LOG_KG} kg.`;
  const wrong = repetitions.find((count) => !(Number.isInteger(count) && count >= 1 && count <= MAX_LOG_REPETITIONS));
  if (wrong !== undefined) return `Repetitions: ${wrong} must be a whole number from 1 to ${MAX_LOG_REPETITIONS}.`;
  if (reserve !== null && !(reserve >= 0 && reserve <= MAX_RESERVE))
    return `In reserve: ${reserve} must be from 0 to ${MAX_RESERVE}.`;
  return null;
}

/**
 * A set as it is typed: what an edit begins with.
 *
 * @returns a line that `readLogLines` takes
 */
export const setText = (set: Omit<TypedSet, "loadKg">): string =>
  `${set.loadValue} ${set.loadUnit} x ${set.repetitions}${set.reserve === null ? "" : ` @${set.reserve}`}${set.isMade ? "" : " missed"}`;

const MAX_TEXT = 60;
const MAX_NOTE = 200;

/**
 * What is said of sets beside their loads.
 *
 * @returns every text that is too long
 */
export function problemsOfSetTexts(texts: Readonly<{ setting: string; variant: string; note: string }>): Problem[] {
  const limits = {
    setting: ["Bar set at", MAX_TEXT],
    variant: ["Variant", MAX_TEXT],
    note: ["Note", MAX_NOTE],
  } as const;
  return (["setting", "variant", "note"] as const).flatMap((path) => {
    const [label, most] = limits[path];
    return texts[path].trim().length > most ? [{ path, message: `${label}: at most ${most} characters.` }] : [];
  });
}
