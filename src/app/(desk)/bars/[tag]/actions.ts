"use server";

import { revalidatePath } from "next/cache";
import type { BarState } from "@/core/bars/bar";
import { QUANTITIES, QUANTITY_KINDS } from "@/core/bars/quantities";
import { listed, trimmed } from "@/core/units/format";
import { readTyped } from "@/core/units/typedQuantity";
import { changeBarState, measureBar } from "@/server/bars";
import { whoIsAsking } from "@/server/who";
import type { FormState } from "@/ui/kit/formState";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

/** Changes the state of a bar from its page. */
export async function stateAction(_before: FormState, form: FormData): Promise<FormState> {
  const who = await whoIsAsking();
  const typed = { state: textOf(form, "state"), reason: textOf(form, "reason") };
  const tag = textOf(form, "tag");
  const result = await changeBarState(who, {
    tag,
    state: typed.state as BarState,
    reason: typed.reason,
    version: Number(form.get("version")),
  });
  if (!result.ok) return { status: "refused", message: result.message, problems: result.problems, typed };
  revalidatePath("/", "layout");
  return { status: "done", message: `${tag} is now ${result.state.replace("-", " ")}.`, problems: [], typed: {} };
}

/** Keeps readings typed on the page of a bar. */
export async function measureAction(_before: FormState, form: FormData): Promise<FormState> {
  const who = await whoIsAsking();
  const tag = textOf(form, "tag");
  const typed = {
    kind: textOf(form, "kind"),
    readings: textOf(form, "readings"),
    instrument: textOf(form, "instrument"),
  };
  const kind = QUANTITY_KINDS.find((key) => key === typed.kind);
  const unit = kind ? QUANTITIES[kind].unit : "mm";
  const parts = splitReadings(typed.readings);
  const readings = parts.map((part) => readTyped(part, unit));
  const unread = parts.filter((_, i) => readings[i] === null);
  if (!kind || unread.length > 0 || parts.length === 0) {
    const problems = [];
    if (!kind) problems.push({ path: "kind", message: "Choose what was measured." });
    if (parts.length === 0) problems.push({ path: "readings", message: "Type one to three readings." });
    if (unread.length > 0)
      problems.push({
        path: "readings",
        message: `${listed(unread.map((part) => `“${part}”`))}: write a number, perhaps with a unit, like 20.1 or 45 lb.`,
      });
    return { status: "refused", message: "Nothing was kept.", problems, typed };
  }
  // A unit written once, after the last reading, is meant for all of them.
  const lastUnit = /[a-z″"]\s*$/i.test(parts.at(-1)!) ? readings.at(-1)!.unit : null;
  const withUnit = readings.map((reading, i) =>
    lastUnit && !/[a-z″"]\s*$/i.test(parts[i]!) ? { ...reading!, unit: lastUnit } : reading!,
  );
  const result = await measureBar(who, { tag, kind, readings: withUnit, instrument: typed.instrument || "not said" });
  if (!result.ok) {
    const problems = result.problems.map(({ path, message }) => ({ path: path.replace(/\.\d+$/, ""), message }));
    return { status: "refused", message: result.message, problems, typed };
  }
  revalidatePath("/", "layout");
  return {
    status: "done",
    message: `Kept: ${QUANTITIES[kind].label} ${trimmed(result.effective, 2)} ${QUANTITIES[kind].unit}.`,
    problems: [],
    typed: {},
  };
}

/** Readings are divided by semicolons, dots in the middle, or spaces between numbers. */
function splitReadings(text: string): string[] {
  return text
    .split(/[;·\n]|\s+(?=[\d.])/)
    .map((part) => part.trim())
    .filter(Boolean);
}
