import type { FieldDef } from "../bars/barFields";
import type { Problem } from "../problem";
import { dateText } from "../units/dates";
import { readDay } from "../units/readDay";
import type { HallDay } from "../units/hallDay";
import { convertTyped, readTyped, type TypedQuantity } from "../units/typedQuantity";
import { EXPERIENCES, LIMIT_WORDS, LIMITS, PURPOSES, PURPOSE_WORDS } from "./lifter";

const MM = { kind: "number", unit: "mm", group: "geometry" } as const;

/** What is kept of a lifter. All of it is for coach and manager only. */
export const LIFTER_FIELDS = {
  key: { kind: "text", most: 40, group: "identity", label: "short name", isRequired: true, hint: "steady: isla" },
  name: { kind: "text", most: 60, group: "identity", label: "name", isRequired: true },
  squad: { kind: "text", most: 40, group: "identity", label: "squad" },
  experience: { kind: "choice", of: EXPERIENCES, group: "identity", label: "experience", isRequired: true },
  heightMm: { ...MM, range: [500, 2500], label: "height", hint: "1890, or 74.5 in" },
  massKg: { kind: "number", unit: "kg", range: [20, 350], group: "geometry", label: "body mass" },
  trunkLengthMm: { ...MM, range: [200, 1000], label: "trunk, hip to shoulder", hint: "from height when empty" },
  thighLengthMm: { ...MM, range: [200, 1000], label: "thigh, knee to hip" },
  shankLengthMm: { ...MM, range: [200, 1000], label: "shank, ankle to knee" },
  handLengthMm: { ...MM, range: [80, 300], label: "hand, wrist crease to fingertip" },
  isMinor: { kind: "yes-no", group: "identity", label: "under age" },
  guardianConsent: {
    kind: "text",
    most: 120,
    group: "identity",
    label: "guardian’s consent",
    hint: "who gave it, and when: mother, 3 Sep 2026",
  },
  limits: { kind: "choices", of: LIMITS, words: LIMIT_WORDS, group: "identity", label: "not comfortable" },
  comfortNote: { kind: "text", most: 300, group: "identity", label: "in their words" },
  coachNote: { kind: "text", most: 300, group: "identity", label: "the coach’s note" },
  purposes: {
    kind: "choices",
    of: PURPOSES.filter((key) => key !== "learning"),
    words: PURPOSE_WORDS,
    group: "identity",
    label: "what their sets are for",
  },
  usualLoads: {
    kind: "list",
    most: 40,
    mostEach: 60,
    group: "rating",
    label: "usual loads, bar included",
    hint: "one a line: deadlift 180 kg",
  },
  meetings: {
    kind: "list",
    most: 20,
    mostEach: 120,
    group: "rating",
    label: "competitions",
    hint: "one a line: 14 Feb 2027 ipf River open",
  },
} as const satisfies Record<string, FieldDef>;

export interface Meeting {
  on: HallDay;
  /** Key of built-in rules or the name of the hall's own. */
  rules: string;
  name: string;
}

/**
 * "deadlift 180 kg" by line, or what is wrong with each line.
 *
 * @returns loads by lift as typed, and every problem
 */
export function readUsualLoads(
  lines: readonly string[],
  liftKeys: readonly string[],
): { loads: Record<string, TypedQuantity>; problems: Problem[] } {
  const loads: Record<string, TypedQuantity> = {};
  const problems: Problem[] = [];
  const say = (line: string, message: string) =>
    problems.push({ path: "usualLoads", message: `usual loads: “${line}” ${message}` });
  for (const line of lines) {
    const [, key = "", mass = ""] = /^(\S+?):?\s+(.+)$/.exec(line) ?? [];
    const typed = readTyped(mass, "kg");
    const kg = typed && (typed.unit === "kg" || typed.unit === "lb") ? convertTyped(typed) : NaN;
    if (!liftKeys.includes(key)) say(line, `must begin with the short name of a lift, as ${liftKeys[0]}`);
    else if (!(kg > 0 && kg <= 2000)) say(line, "must end with a load, as 180 kg or 400 lb");
    else if (loads[key]) say(line, "names a lift that stands above already");
    else loads[key] = typed!;
  }
  return { loads, problems };
}

/**
 * "14 Feb 2027 ipf River open" by line, its day in any way that people write one with its year, or what is wrong with each line.
 *
 * @returns competitions by day, and every problem
 */
export function readMeetings(
  lines: readonly string[],
  rules: readonly string[],
): { meetings: Meeting[]; problems: Problem[] } {
  const meetings: Meeting[] = [];
  const problems: Problem[] = [];
  for (const line of lines) {
    const [on, said] = dayAndRest(line);
    // The longest name that fits: "River Federation" before "River".
    const named = rules.filter((one) => `${said} `.startsWith(`${one} `)).sort((a, b) => b.length - a.length)[0];
    const say = (message: string) => problems.push({ path: "meetings", message: `competitions: “${line}” ${message}` });
    if (on === null) say("must begin with a day and its year, as 14 Feb 2027");
    else if (!named) say(`must name its rules after the day: ${rules.join(", ")}`);
    else meetings.push({ on, rules: named, name: said.slice(named.length).trim() });
  }
  return { meetings, problems };
}

/** A line's day, which may be of several words, and what stands behind it. */
function dayAndRest(line: string): [on: HallDay | null, rest: string] {
  const words = line.trim().split(/\s+/);
  for (let count = Math.min(4, words.length); count > 0; count -= 1) {
    const said = words.slice(0, count).join(" ");
    // A competition without its year is nobody's guess.
    const on = /\d{4}/.test(said) ? readDay(said, "1970-01-01") : null;
    if (on) return [on, words.slice(count).join(" ")];
  }
  return [null, line];
}

/**
 * Lines of competitions as people read them.
 *
 * @returns "14 Feb 2027 ipf River open" for "2027-02-14 ipf River open"; `readMeetings` reads both
 */
export const spokenMeetings = (text: string): string =>
  text.replace(
    /(^|\n|\| )(\d{4}-\d{2}-\d{2})(?= )/g,
    (_, before: string, day: string) => `${before}${dateText(day, "")}`,
  );
