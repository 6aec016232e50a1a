import type { Problem } from "../problem";
import { readNumberRule } from "../units/numberRule";

type Texts = Readonly<Record<string, string | undefined>>;
type Read<T> = ({ ok: true } & T) | { ok: false; problems: Problem[] };

const MAX_DAYS = 730;

/**
 * Whom somebody invites. The role is not looked at here: which there are, and who may give them, the doors know.
 *
 * @returns name and mail address, empty where none was given; or every problem
 */
export function readInvitation(texts: Texts): Read<{ name: string; email: string }> {
  const [name, email] = [(texts.name ?? "").trim(), (texts.email ?? "").trim()];
  const problems = [
    ...(name === "" || name.length > 80 ? [{ path: "name", message: "Name: 1 to 80 characters." }] : []),
    ...(email === "" || /^[^\s@]+@[^\s@]+\.[^\s@]{2,}$/.test(email)
      ? []
      : [{ path: "email", message: `E-mail: “${email}” is none; like ines@example.org, or leave it blank.` }]),
  ];
  return problems.length > 0 ? { ok: false, problems } : { ok: true, name, email };
}

/**
 * What a token of a program is called and how long it works.
 *
 * @returns the label and whole days, or every problem
 */
export function readTokenTexts(texts: Texts): Read<{ label: string; days: number }> {
  const label = (texts.label ?? "").trim();
  const days = readNumberRule({ label: "Valid for", unit: "days", range: [1, MAX_DAYS] }, texts.days ?? "");
  const problems = [
    ...(label === "" || label.length > 60
      ? [{ path: "label", message: "Program: what will use it, 1 to 60 characters." }]
      : []),
    ...(days.ok
      ? Number.isInteger(days.value)
        ? []
        : [{ path: "days", message: "Valid for: a whole number of days." }]
      : [{ path: "days", message: days.message }]),
  ];
  return problems.length > 0 || !days.ok ? { ok: false, problems } : { ok: true, label, days: days.value };
}
