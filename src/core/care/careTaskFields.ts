import type { FieldDef } from "../bars/barFields";

const days = (label: string, hint?: string): FieldDef => ({
  kind: "number",
  range: [1, 1000],
  group: "identity",
  label,
  unit: "",
  isWhole: true,
  isRequired: true,
  ...(hint ? { hint } : {}),
});

/** What is kept of a care task, as forms ask it. */
export const CARE_TASK_FIELDS = {
  key: { kind: "text", most: 40, group: "identity", label: "short name", isRequired: true },
  name: { kind: "text", most: 80, group: "identity", label: "name", isRequired: true },
  minutes: {
    kind: "number",
    unit: "min",
    range: [0.1, 120],
    group: "identity",
    label: "minutes a bar",
    isRequired: true,
  },
  dryDays: days("calendar: days in dry air"),
  temperateDays: days("in temperate air"),
  saltHumidDays: days("in salt-humid air"),
  meterDays: {
    kind: "number",
    unit: "",
    range: [1, 1000],
    group: "identity",
    label: "meter: days in temperate air",
    hint: "empty: as usual for the task",
  },
  climateShare: {
    kind: "number",
    unit: "",
    range: [0, 1],
    group: "identity",
    label: "how much of the air reaches it",
    hint: "0 none, 1 all of it",
  },
  steps: { kind: "list", most: 12, mostEach: 200, group: "identity", label: "steps, one a line", isRequired: true },
  materials: { kind: "list", most: 12, mostEach: 200, group: "identity", label: "what it takes" },
  cautions: { kind: "list", most: 12, mostEach: 200, group: "identity", label: "cautions" },
} as const satisfies Record<string, FieldDef>;

/**
 * Whether a line tells somebody to open a sleeve, which the product never schedules (handbook §11).
 *
 * @returns true when it does
 */
export function opensSleeve(line: string): boolean {
  const said = line.toLowerCase();
  if (/\b(never|do not|don't|not to)\b/.test(said)) return false;
  return (
    /\b(open|take apart|disassemble|dismantle|strip down|pull off|take off|remove)\b[^.;]*\b(sleeve|sleeves|snap ring|retaining ring|bearing|bearings|bushing|bushings|end cap|end caps)\b/.test(
      said,
    ) || /\b(sleeve|sleeves)\b[^.;]*\b(apart|open)\b/.test(said)
  );
}
