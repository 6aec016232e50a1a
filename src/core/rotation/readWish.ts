import type { Problem } from "../problem";
import { PURPOSES } from "../matching/lifter";
import { SCHOOLS, waveOf, type RotationSession, type RotationWish } from "./rotationWish";

export const MIN_ROTATION_WEEKS = 4;
export const MAX_ROTATION_WEEKS = 16;
export const MAX_SESSIONS = 4;
export const MAX_ROTATION_LIFTERS = 24;

const DAYS = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];

/** A wish and its frame as the form has it; pins are kept apart. */
export interface ReadWish {
  name: string;
  weeks: number;
  wish: Omit<RotationWish, "pins">;
}

/**
 * Reads the form of a rotation. Sessions are fields `session.0.weekday`, `.startsAt`, `.purpose`, `.repetitions`,
 * `.reserve`, `.lighterPct`; one without a weekday is none.
 *
 * @param lifterIds who was ticked
 * @returns every problem, or the wish
 */
export function readWish(
  texts: Readonly<Record<string, string>>,
  lifterIds: readonly string[],
): { ok: true; read: ReadWish } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const whole = (path: string, label: string, [least, most]: readonly [number, number], start?: number) => {
    const text = (texts[path] ?? "").trim();
    if (text === "" && start !== undefined) return start;
    const value = /^\d{1,3}$/.test(text) ? Number(text) : NaN;
    if (value >= least && value <= most) return value;
    problems.push({ path, message: `${label}: “${text}” must be a whole number from ${least} to ${most}` });
    return least;
  };
  const name = (texts.name ?? "").trim();
  if (name === "" || name.length > 60) problems.push({ path: "name", message: "Name: up to 60 characters" });
  const weeks = whole("weeks", "Weeks", [MIN_ROTATION_WEEKS, MAX_ROTATION_WEEKS]);
  const school = SCHOOLS.find((key) => key === texts.school) ?? "weekly";
  const blockWeeks = whole("blockWeeks", "Weeks a block", [2, 8], 3);
  if (!texts.liftKey) problems.push({ path: "liftKey", message: "Lift: choose one" });
  if (lifterIds.length === 0) problems.push({ path: "lifterIds", message: "Lifters: tick at least one" });
  if (lifterIds.length > MAX_ROTATION_LIFTERS)
    problems.push({ path: "lifterIds", message: `Lifters: at most ${MAX_ROTATION_LIFTERS}` });
  const sessions: RotationSession[] = [];
  for (let i = 0; i < MAX_SESSIONS; i += 1) {
    const path = `session.${i}`;
    const day = DAYS.indexOf(texts[`${path}.weekday`] ?? "");
    if (day < 0) continue;
    const startsAt = (texts[`${path}.startsAt`] ?? "").trim() || "18:30";
    if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(startsAt))
      problems.push({ path: `${path}.startsAt`, message: `Session ${i + 1}, at: write 18:30` });
    sessions.push({
      weekday: day,
      startsAt,
      purpose: PURPOSES.find((key) => key === texts[`${path}.purpose`]) ?? "general",
      repetitions: whole(`${path}.repetitions`, `Session ${i + 1}, repetitions`, [1, 12], 5),
      reserve: whole(`${path}.reserve`, `Session ${i + 1}, left in reserve`, [0, 6], 2),
      lighterPct: whole(`${path}.lighterPct`, `Session ${i + 1}, lighter by`, [0, 40], 0),
    });
  }
  if (sessions.length === 0)
    problems.push({ path: "session.0.weekday", message: "Sessions: choose a day for one at least" });
  const wave = readWave(texts.wave ?? "", weeks, problems) ?? waveOf(school, weeks, blockWeeks);
  const wish = {
    ...{ liftKey: texts.liftKey ?? "", lifterIds: [...lifterIds], sessions, school, blockWeeks, wave },
    maxRun:
      school === "block"
        ? blockWeeks
        : whole("maxRun", "Weeks in a row on one bar", [1, 16], school === "weekly" ? 1 : 4),
    lightBelowPct: whole("lightBelowPct", "A week is light below", [30, 100], 75),
    sharing: whole("sharing", "Lifters on one bar", [1, 12], 3),
    competitionWeeks: whole("competitionWeeks", "Weeks before a competition", [0, 8], 3),
  };
  return problems.length > 0 ? { ok: false, problems } : { ok: true, read: { name, weeks, wish } };
}

export const WEEKDAYS: readonly string[] = DAYS;

/** "95, 72, 95, 72": percent a week; blank for the school's own. */
function readWave(text: string, weeks: number, problems: Problem[]): number[] | null {
  if (text.trim() === "") return null;
  const parts = text.split(/[\s,;]+/).filter(Boolean);
  const wave = parts.map((part) => Number(part.replace("%", "")));
  const wrong = parts.find((_, i) => !(wave[i]! >= 20 && wave[i]! <= 150));
  if (wrong !== undefined)
    problems.push({ path: "wave", message: `Wave: “${wrong.slice(0, 12)}” must be a percentage from 20 to 150` });
  else if (wave.length !== weeks)
    problems.push({ path: "wave", message: `Wave: ${wave.length} weeks, and the plan has ${weeks}` });
  return wave;
}
