import { isHallDay } from "../units/hallDay";
import { convertTyped, readTyped, type TypedQuantity } from "../units/typedQuantity";
import type { Problem } from "../problem";
import type { FieldDef } from "./barFields";

/** What a field holds: words, a number, yes or no, a mass as typed, money in whole minor units, or lines. */
export type FieldValue = string | number | boolean | TypedQuantity | readonly string[];

export type ReadField = { ok: true; value: FieldValue | null } | { ok: false; message: string };

const YES = ["yes", "true", "y", "1"];
const NO = ["no", "false", "n", "0"];
const MAX_MINOR = 1_000_000_000;

/**
 * A field from what somebody typed or a file says; empty text is "not known". Lines of a list are divided by new lines
 * or by " | ". `fieldText` writes what this reads back.
 *
 * @returns the value in the field's kind, null for "not known", or what is wrong with the text
 */
export function readField(def: FieldDef, text: string): ReadField {
  const said = text.trim();
  if (said === "") return def.isRequired ? refused("must be given") : { ok: true, value: null };
  switch (def.kind) {
    case "text":
      if (said.length > def.most) return refused(`at most ${def.most} characters`);
      return hasControlCharacters(said) ? refused("has characters that cannot be printed") : { ok: true, value: said };
    case "choice": {
      const key = choiceOf(def, said);
      return key === undefined ? refused(`“${said}” is none of ${wordsOf(def)}`) : { ok: true, value: key };
    }
    case "choices": {
      // Displayed names have spaces in them: they are parted by commas or bars, keys by spaces too.
      const byMarks = said
        .split(/[,|\n]+/)
        .map((part) => part.trim())
        .filter(Boolean);
      const parts = byMarks.flatMap((part) => (choiceOf(def, part) ? [part] : part.split(/\s+/)));
      const unknown = parts.find((part) => choiceOf(def, part) === undefined);
      if (unknown !== undefined) return refused(`“${unknown}” is none of ${wordsOf(def)}`);
      const keys = parts.map((part) => choiceOf(def, part));
      return { ok: true, value: def.of.filter((key) => keys.includes(key)) };
    }
    case "day":
      return isHallDay(said) ? { ok: true, value: said } : refused(`“${said}” is no day; write YYYY-MM-DD`);
    case "number":
      return readNumber(def, said);
    case "mass":
      return readMassField(said);
    case "money":
      return readMoney(said);
    case "yes-no": {
      const word = said.toLowerCase();
      if (YES.includes(word)) return { ok: true, value: true };
      return NO.includes(word) ? { ok: true, value: false } : refused(`“${said}” is neither yes nor no`);
    }
    case "list": {
      const lines = said
        .split(/\r?\n|\s\|\s/)
        .map((line) => line.trim())
        .filter(Boolean);
      if (lines.length > def.most) return refused(`at most ${def.most} lines`);
      const long = lines.find((line) => line.length > def.mostEach);
      return long
        ? refused(`“${long.slice(0, 20)}…” is longer than ${def.mostEach} characters`)
        : { ok: true, value: lines };
    }
  }
}

/**
 * A field's value as text that `readField` reads back; nothing for "not known".
 *
 * @returns the text, with its unit where the field has one; empty for "not known"
 */
export function fieldText(def: FieldDef, value: FieldValue | null | undefined): string {
  if (value === null || value === undefined) return "";
  switch (def.kind) {
    case "yes-no":
      return value === true ? "yes" : "no";
    case "mass": {
      const typed = value as TypedQuantity;
      return `${typed.value} ${typed.unit}`;
    }
    case "money":
      return ((value as number) / 100).toFixed(2);
    case "list":
    case "choices":
      return (value as readonly string[]).join(" | ");
    default:
      return String(value);
  }
}

/**
 * Values by field, or every problem of the texts.
 *
 * @returns values by field, or every problem
 */
export function readFields<D extends Record<string, FieldDef>>(
  defs: D,
  texts: Readonly<Record<string, string | undefined>>,
): { ok: true; values: Record<keyof D, FieldValue | null> } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const values: Record<string, FieldValue | null> = {};
  for (const [key, def] of Object.entries(defs)) {
    const read = readField(def, texts[key] ?? "");
    if (read.ok) values[key] = read.value;
    else problems.push({ path: key, message: `${def.label}: ${read.message}` });
  }
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, values: values as Record<keyof D, FieldValue | null> };
}

/**
 * Values as texts that `readFields` reads back.
 *
 * @returns texts by field; what is unknown is left out
 */
export function fieldTexts(defs: Record<string, FieldDef>, values: Record<string, unknown>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(defs).flatMap(([key, def]) => {
      const text = fieldText(def, values[key] as FieldValue | null);
      return text === "" ? [] : [[key, text]];
    }),
  );
}

type Choice = FieldDef & { kind: "choice" | "choices" };

const plain = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s_]+/g, "-");

/** The key that somebody means by a key or by what is shown for it, in any case. */
function choiceOf(def: Choice, said: string): string | undefined {
  const { of, words = {} } = def;
  const also = def.kind === "choice" ? (def.also ?? {}) : {};
  return (
    of.find((key) => key === plain(said)) ??
    of.find((key) => words[key] !== undefined && plain(words[key]) === plain(said)) ??
    of.find((key) => also[key]?.some((name) => plain(name) === plain(said)))
  );
}

const wordsOf = ({ of }: Choice) => of.join(", ");

/** What is right, by unit. */
const EXAMPLES: Readonly<Record<string, string>> = { mm: "1930, 193 cm or 1.93 m", kg: "82, 82.5 kg or 180 lb" };

function readNumber(def: FieldDef & { kind: "number" }, said: string): ReadField {
  const [least, most] = def.range;
  const bare = def.unit && said.toLowerCase().endsWith(def.unit.toLowerCase()) ? said.slice(0, -def.unit.length) : said;
  const typed =
    def.unit === "mm" || def.unit === "kg"
      ? readTyped(said, def.unit)
      : /^[+-]?\d*[.,]?\d+\s*$/.test(bare)
        ? bare.trim().replace(",", ".")
        : null;
  const value = typed === null ? NaN : typeof typed === "string" ? Number(typed) : convertTyped(typed);
  const unit = def.unit ? ` ${def.unit}` : "";
  if (!Number.isFinite(value)) {
    const example = EXAMPLES[def.unit];
    return refused(`“${said}” is no number${unit && ` in${unit}`}${example ? `; write ${example}` : ""}`);
  }
  if (def.isWhole && !Number.isInteger(value)) return refused(`“${said}” must be a whole number`);
  return value >= least && value <= most
    ? { ok: true, value }
    : refused(`${said} is out of range: ${least} to ${most}${unit}`);
}

function readMassField(said: string): ReadField {
  const typed = readTyped(said, "kg");
  if (!typed || (typed.unit !== "kg" && typed.unit !== "lb"))
    return refused(`“${said}” is no mass; write 320 kg or 700 lb`);
  const kg = convertTyped(typed);
  return kg > 0 && kg <= 2000
    ? { ok: true, value: typed }
    : refused(`${said} is out of range: more than 0, up to 2000 kg`);
}

/** 1250, 1250.5, 1,250, 1 250,50 or 1.250,50: marks between thousands are alike, and another one begins the decimals. */
const AMOUNT = /^(?:(\d{1,3}([.,'’ ])\d{3}(?:\2\d{3})*)(?:(?!\2)[.,](\d{1,2}))?|(\d{1,9})(?:[.,](\d{1,2}))?)$/;

function readMoney(said: string): ReadField {
  // A currency may stand before or behind it.
  const digits = said
    .replace(/\u00a0/g, " ")
    .replace(/^(?:[A-Za-z]{1,3}|\p{Sc})\s*|\s*(?:[A-Za-z]{1,3}|\p{Sc})$/gu, "");
  const match = AMOUNT.exec(digits);
  if (!match) return refused(`“${said}” is no amount of money; write 189, 189.50 or £189`);
  const whole = (match[1] ?? match[4]!).replace(/\D/g, "");
  const minor = Number(whole) * 100 + Number((match[3] ?? match[5] ?? "").padEnd(2, "0"));
  return minor <= MAX_MINOR ? { ok: true, value: minor } : refused(`${said} is out of range`);
}

function hasControlCharacters(text: string): boolean {
  return /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/.test(text);
}

function refused(message: string): ReadField {
  return { ok: false, message };
}
