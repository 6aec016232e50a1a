import type { Problem } from "../problem";
import { convertTyped, readTyped } from "../units/typedQuantity";
import type { DialPlace } from "../wear/bendPlace";
import { ZONES } from "../wear/zones";
import {
  FINISH_STATES,
  INSPECTED_PARTS,
  KNURL_STATES,
  PART_STATES,
  RUST_GRADES,
  type InspectionFacts,
  type RustGrade,
} from "./inspection";

/** How many times the dial is read round one turn. */
export const DIAL_READINGS = 8;

/**
 * Fields of one turn; the middle's are the oldest and have no word in them.
 *
 * @returns a name for each reading, from 0° on
 */
export const dialNames = (place: DialPlace) =>
  Array.from({ length: DIAL_READINGS }, (_, i) => `dial${place === "middle" ? "" : place}${i}`);

/**
 * By what a turn as a whole is named, where something is wrong with it.
 *
 * @returns the path of its problems; no field is called so
 */
export const turnName = (place: DialPlace) => `dial.${place}`;

/** What is measured with a gauge, in mm where no unit is said; times are in seconds. */
const isLength = (name: string) => name === "endPlayMm" || name.startsWith("dial");

const LABELS: Readonly<Record<string, string>> = {
  spinLeftS: "left spins for",
  spinRightS: "right spins for",
  endPlayMm: "end play",
};

/**
 * What an inspection's form says; an empty field was not looked at.
 *
 * @param form a form, or anything that tells texts by name
 * @returns the facts, or every problem with its field
 */
export function readInspection(
  form: Pick<FormData, "get">,
): { ok: true; facts: InspectionFacts } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const text = (name: string) => String(form.get(name) ?? "").trim();
  const number = (name: string): number | null => {
    const said = text(name);
    if (said === "") return null;
    const typed = readTyped(said, isLength(name) ? "mm" : "s");
    const value = typed ? convertTyped(typed) : NaN;
    if (!Number.isFinite(value))
      problems.push({
        path: name,
        message: `${LABELS[name] ?? "dial"}: “${said}” is no ${isLength(name) ? "length; write 1.2, 1.2 mm or 0.05 in" : "time; write 8 or 8.5 s"}`,
      });
    return value;
  };
  const yesNo = (name: string) => (text(name) === "yes" ? true : text(name) === "no" ? false : null);
  const dial = (place: DialPlace) => {
    const names = dialNames(place);
    const read = names.map(number).filter((value) => value !== null);
    if (read.length > 0 && read.length < DIAL_READINGS)
      problems.push({
        path: turnName(place),
        message: `Read the dial all round${place === "middle" ? "" : `, ${place}`}: ${read.length} of ${DIAL_READINGS} angles are read.`,
      });
    return read.length === DIAL_READINGS ? read : null;
  };
  const zone = (name: string) => ZONES.find((one) => one === text(name)) ?? null;
  const [left, right] = [dial("left"), dial("right")];
  const facts: InspectionFacts = {
    dialMm: dial("middle"),
    ...(left ? { dialLeftMm: left } : {}),
    ...(right ? { dialRightMm: right } : {}),
    hops: yesNo("hops"),
    crackSeen: yesNo("crackSeen"),
    spinLeftS: number("spinLeftS"),
    spinRightS: number("spinRightS"),
    endPlayMm: number("endPlayMm"),
    knurl: KNURL_STATES.find((state) => state === text("knurl")) ?? null,
    rust: (RUST_GRADES.find(([grade]) => grade === text("rust"))?.[0] as RustGrade | undefined) ?? null,
    ...(zone("knurlAt") ? { knurlAt: zone("knurlAt") } : {}),
    ...(zone("rustAt") ? { rustAt: zone("rustAt") } : {}),
    ...(FINISH_STATES.some((state) => state === text("finish"))
      ? { finish: FINISH_STATES.find((state) => state === text("finish")) }
      : {}),
    parts: Object.fromEntries(
      INSPECTED_PARTS.flatMap((part) => {
        const state = PART_STATES.find((one) => one === text(`part.${part}`));
        return state ? [[part, state]] : [];
      }),
    ),
  };
  if (text("simulated") === "yes") facts.isSimulated = true;
  return problems.length > 0 ? { ok: false, problems } : { ok: true, facts };
}
