import type { Problem } from "../problem";
import { readNumberRule } from "../units/numberRule";

/** How long a gym keeps what it need not keep for ever. */
export interface KeepingTimes {
  /** What happened at the doors, in days. */
  accountLogDays: number;
  /** Lifters after they were retired, in months; null for as long as nobody erases them. */
  retiredLifterMonths: number | null;
}

export const STARTING_KEEPING: KeepingTimes = { accountLogDays: 400, retiredLifterMonths: 24 };

export const KEEPING_NUMBERS = {
  accountLogDays: { label: "who signed in and what was exported", unit: "days", range: [30, 3650] },
  retiredLifterMonths: {
    label: "lifters after they left; blank: until someone erases them",
    unit: "months",
    range: [1, 240],
  },
} as const;

/**
 * What somebody typed of it; a blank number of months is for ever.
 *
 * @returns whole days and months, or every problem
 */
export function readKeeping(
  texts: Readonly<Record<string, string | undefined>>,
): { ok: true; value: KeepingTimes } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const whole = (path: keyof typeof KEEPING_NUMBERS) => {
    const { label, ...rule } = KEEPING_NUMBERS[path];
    const [short = label] = label.split(";");
    const read = readNumberRule({ label: short, ...rule }, texts[path] ?? "");
    if (read.ok && Number.isInteger(read.value)) return read.value;
    problems.push({
      path,
      message: read.ok ? `${short}: “${texts[path]}” must be a whole number of ${rule.unit}` : read.message,
    });
    return rule.range[0];
  };
  const value = {
    accountLogDays: whole("accountLogDays"),
    retiredLifterMonths: (texts.retiredLifterMonths ?? "").trim() === "" ? null : whole("retiredLifterMonths"),
  };
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value };
}
