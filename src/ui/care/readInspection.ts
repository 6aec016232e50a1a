import {
  FINISH_STATES,
  INSPECTED_PARTS,
  KNURL_STATES,
  PART_STATES,
  RUST_GRADES,
  type InspectionFacts,
  type RustGrade,
} from "@/core/care/inspection";
import type { Problem } from "@/core/problem";
import type { DialPlace } from "@/core/wear/bendPlace";
import { ZONES } from "@/core/wear/zones";

/** How many times the dial is read round one turn. */
export const DIAL_READINGS = 8;

/** Fields of one turn; the middle's are the oldest and have no word in them. */
export const dialNames = (place: DialPlace) =>
  Array.from({ length: DIAL_READINGS }, (_, i) => `dial${place === "middle" ? "" : place}${i}`);

/** What an inspection's form says; an empty field was not looked at. Every problem is named. */
export function readInspection(
  form: Pick<FormData, "get">,
): { ok: true; facts: InspectionFacts } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const text = (name: string) => String(form.get(name) ?? "").trim();
  const number = (name: string): number | null => {
    const said = text(name).replace(",", ".");
    if (said === "") return null;
    const value = Number(said);
    if (!Number.isFinite(value)) problems.push({ path: name, message: `“${text(name)}” is no number` });
    return value;
  };
  const yesNo = (name: string) => (text(name) === "yes" ? true : text(name) === "no" ? false : null);
  const dial = (place: DialPlace) => {
    const names = dialNames(place);
    const read = names.map(number).filter((value) => value !== null);
    if (read.length > 0 && read.length < DIAL_READINGS)
      problems.push({
        path: names[0]!,
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
