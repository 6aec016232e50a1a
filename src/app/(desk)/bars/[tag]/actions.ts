"use server";

import { revalidatePath } from "next/cache";
import type { BarState } from "@/core/bars/bar";
import { QUANTITIES, QUANTITY_KINDS } from "@/core/bars/quantities";
import { listed, trimmed } from "@/core/units/format";
import { readReadings } from "@/core/units/readReadings";
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
  const read = readReadings(typed.readings, unit);
  const problems = [
    ...(kind ? [] : [{ path: "kind", message: "Choose what was measured." }]),
    ...(read.ok && read.readings.length === 0 ? [{ path: "readings", message: "Type one to three readings." }] : []),
    ...(read.ok
      ? []
      : [
          {
            path: "readings",
            message: `${listed(read.unread.map((part) => `“${part}”`))}: write a number, perhaps with a unit, like 20.1 or 45 lb.`,
          },
        ]),
  ];
  if (!kind || !read.ok || problems.length > 0)
    return { status: "refused", message: "Nothing was kept.", problems, typed };
  const result = await measureBar(who, {
    tag,
    kind,
    readings: read.readings,
    instrument: typed.instrument || "not said",
  });
  if (!result.ok) {
    const refused = result.problems.map(({ path, message }) => ({ path: path.replace(/\.\d+$/, ""), message }));
    return { status: "refused", message: result.message, problems: refused, typed };
  }
  revalidatePath("/", "layout");
  return {
    status: "done",
    message: `Kept: ${QUANTITIES[kind].label} ${trimmed(result.effective, 2)} ${QUANTITIES[kind].unit}.`,
    problems: [],
    typed: {},
  };
}
