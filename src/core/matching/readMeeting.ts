import type { Problem } from "../problem";
import { readNumberRule } from "../units/numberRule";
import { BUILT_IN_RULES } from "./meetingRules";
import { MEETING_QUANTITIES, type MeetingQuantity, type MeetingSpec } from "./meetingSpec";

/** What a gym enters of a federation's rules for some lifts. */
export interface MeetingValue {
  rules: string;
  source: string;
  lifts: string[];
  ranges: MeetingSpec["ranges"];
  marks: MeetingSpec["marks"];
}

export interface MeetingTexts {
  rules: string;
  source: string;
  lifts: readonly string[];
  marks: string;
  /** "least.mass", "most.mass" and so on, as typed. */
  texts: Readonly<Record<string, string>>;
}

const MAX_NAME = 40;
const MAX_SOURCE = 120;
/** No bar is heavier in kg or longer in mm; nothing is asked below nothing. */
const ASKED = [0, 10_000] as const;

/**
 * What a form or a file says that rules ask of the bar.
 *
 * @param known lifts that may be named; all when not said
 * @returns what was understood (masses in kg, lengths in mm) and every problem; it holds only when there is none
 */
export function readMeeting(
  { rules: name, source: where, lifts, marks: rings, texts }: MeetingTexts,
  known: readonly string[] | null = null,
): { value: MeetingValue; problems: Problem[] } {
  const problems: Problem[] = [];
  const rules = name.trim();
  if (rules === "" || rules.length > MAX_NAME)
    problems.push({ path: "rules", message: `name of the rules: 1 to ${MAX_NAME} characters` });
  if (BUILT_IN_RULES.some((one) => one.rules === rules.toLowerCase()))
    problems.push({ path: "rules", message: `name of the rules: ${rules} is built in` });
  const source = where.trim();
  if (source === "" || source.length > MAX_SOURCE)
    problems.push({ path: "source", message: `where it is written: 1 to ${MAX_SOURCE} characters` });
  if (lifts.length === 0) problems.push({ path: "lifts", message: "lifts: choose at least one" });
  for (const key of lifts)
    if (known && !known.includes(key)) problems.push({ path: "lifts", message: `lifts: this gym has no ${key}` });
  const ranges = readRanges(texts, problems);
  if (problems.length === 0 && Object.keys(ranges).length === 0 && rings === "")
    problems.push({ path: "least.mass", message: "say at least one thing that the rules ask" });
  const marks = rings === "powerlifting" || rings === "weightlifting" ? rings : null;
  return { value: { rules, source, lifts: [...lifts], ranges, marks }, problems };
}

function readRanges(texts: MeetingTexts["texts"], problems: Problem[]): MeetingSpec["ranges"] {
  const ranges: MeetingSpec["ranges"] = {};
  for (const kind of Object.keys(MEETING_QUANTITIES) as MeetingQuantity[]) {
    const { label, unit } = MEETING_QUANTITIES[kind];
    const read = (end: "least" | "most") => {
      const text = (texts[`${end}.${kind}`] ?? "").trim();
      if (text === "") return undefined;
      const found = readNumberRule({ label: `${label}, ${end}`, unit, range: ASKED }, text);
      if (found.ok) return found.value;
      problems.push({ path: `${end}.${kind}`, message: found.message });
      return undefined;
    };
    const [least, most] = [read("least"), read("most")];
    if (least !== undefined && most !== undefined && least > most)
      problems.push({ path: `least.${kind}`, message: `${label}: the least is more than the most` });
    if (least !== undefined || most !== undefined)
      ranges[kind] = { ...(least === undefined ? {} : { least }), ...(most === undefined ? {} : { most }) };
  }
  return ranges;
}
