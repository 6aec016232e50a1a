import { recordLabel } from "@/core/bars/barRecord";
import { trimmed } from "@/core/units/format";

/** What was and what is, line by line, in words; nothing for changes that say it all in their name. */
export function historyWords(before: unknown, after: unknown): string[] {
  const [was, is] = [asTexts(before), asTexts(after)];
  if (is === null && was === null) return [];
  if (typeof (is ?? was)!.value === "number" || typeof is?.state === "string" || typeof was?.state === "string") {
    const [one, other] = [short(was), short(is)];
    if (one === null && other === null) return [];
    return [one === null ? other! : other === null ? `${one}, no longer counted` : `${one} → ${other}`];
  }
  // A first entry tells the whole bar, and its page does so better.
  if (was === null || is === null) return [];
  return Object.keys(is).map((key) => {
    const [from, to] = [wordOf(was, key), wordOf(is, key)];
    return `${recordLabel(key)}: ${from === "" ? "not known" : `“${from}”`} → ${to === "" ? "not known" : `“${to}”`}`;
  });
}

const wordOf = (texts: Record<string, unknown>, key: string) => (Object.hasOwn(texts, key) ? textOf(texts[key]) : "");

/** Any value that a stored row may hold, as text: an object may have a toString that is none. */
function textOf(value: unknown): string {
  if (value === null || value === undefined) return "";
  return typeof value === "object" ? JSON.stringify(value) : String(value);
}

function asTexts(value: unknown): Record<string, unknown> | null {
  return typeof value === "object" && value !== null ? (value as Record<string, unknown>) : null;
}

function short(texts: Record<string, unknown> | null): string | null {
  if (texts === null) return null;
  if (typeof texts.state === "string")
    return texts.state.replace("-", " ") + (texts.stateReason ? ` (${textOf(texts.stateReason)})` : "");
  return typeof texts.value === "number" ? trimmed(texts.value, 2) : null;
}
