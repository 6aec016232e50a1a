import {
  INSPECTED_PARTS,
  KNURL_STATES,
  PART_STATES,
  RUST_GRADES,
  type InspectionFacts,
  type RustGrade,
} from "@/core/care/inspection";
import type { Problem } from "@/core/problem";

/** How many times the dial is read round one turn. */
export const DIAL_READINGS = 8;

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
  const dial = Array.from({ length: DIAL_READINGS }, (_, i) => number(`dial${i}`));
  const read = dial.filter((value) => value !== null);
  if (read.length > 0 && read.length < DIAL_READINGS)
    problems.push({
      path: "dial0",
      message: `Read the dial all round: ${read.length} of ${DIAL_READINGS} angles are read.`,
    });
  const facts: InspectionFacts = {
    dialMm: read.length === DIAL_READINGS ? read : null,
    hops: yesNo("hops"),
    crackSeen: yesNo("crackSeen"),
    spinLeftS: number("spinLeftS"),
    spinRightS: number("spinRightS"),
    endPlayMm: number("endPlayMm"),
    knurl: KNURL_STATES.find((state) => state === text("knurl")) ?? null,
    rust: (RUST_GRADES.find(([grade]) => grade === text("rust"))?.[0] as RustGrade | undefined) ?? null,
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
