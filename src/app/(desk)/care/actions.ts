"use server";

import { revalidatePath } from "next/cache";
import { dayText } from "@/core/units/dates";
import { readClimateFile } from "@/api/climateFile";
import { CARE_TASK_FIELDS } from "@/core/care/careTaskFields";
import { INSPECTION_VERDICTS } from "@/core/care/inspection";
import { tickCare, undoCare } from "@/server/care/log";
import {
  crewHours,
  makeCalendarLink,
  moveRound,
  planRounds,
  readMessage,
  revokeCalendarLink,
  saveStaffHours,
} from "@/server/care/rounds";
import { saveBarFactors, saveCareRules, saveCareTask } from "@/server/care/planning";
import { importClimate, saveSensor } from "@/server/care/air";
import { settleFinding } from "@/server/care/findings";
import { inspectBar, tickCheck } from "@/server/care/inspections";
import { requestContext } from "@/server/access";
import { type FormState, refusedBy } from "@/ui/kit/formState";
import { formTexts } from "@/ui/kit/formTexts";
import { readInspection } from "@/core/care/readInspection";

const textOf = (form: FormData, name: string) => String(form.get(name) ?? "");

/** Marks one task on one bar as done. */
export async function tickAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const at = String(context.clock.now().getTime());
  const tag = textOf(form, "tag");
  const tick = {
    tag,
    task: textOf(form, "task"),
    doneBy: textOf(form, "doneBy"),
    doneOn: textOf(form, "doneOn"),
    note: textOf(form, "note"),
    idempotencyKey: textOf(form, "idempotencyKey"),
  };
  const found = textOf(form, "result");
  if (found !== "") {
    const checked = await tickCheck(context, { ...tick, result: found });
    if (!checked.ok) return { status: "refused", message: checked.message, problems: checked.problems, typed: { at } };
    revalidatePath("/", "layout");
    return { status: "done", message: `${tag}: ${CHECKED_WORDS[checked.verdict]}`, problems: [], typed: { at } };
  }
  const result = await tickCare(context, tick);
  if (!result.ok) return { status: "refused", message: result.message, problems: result.problems, typed: { at } };
  revalidatePath("/", "layout");
  return {
    status: "done",
    message: `${tag} done. Due again on ${dayText(result.dueOn, context.clock.today)}.`,
    problems: [],
    typed: { at, logId: result.logId },
  };
}

const CHECKED_WORDS = {
  keep: "checked, nothing wrong. To correct it, inspect it again.",
  watch: "put under watch. The finding stays open until it is resolved.",
  quarantine: "quarantined. Nobody lifts with it; what was planned with it says so.",
  retire: "retired.",
} as const;

/** Takes one tick back. */
export async function undoAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const at = String(context.clock.now().getTime());
  const result = await undoCare(context, textOf(form, "logId"));
  if (!result.ok) return { status: "refused", message: result.message, problems: result.problems, typed: { at } };
  revalidatePath("/", "layout");
  return {
    status: "done",
    message: `Undone. Due on ${dayText(result.dueOn, context.clock.today)} again.`,
    problems: [],
    typed: { at },
  };
}

const done = (message: string): FormState => {
  revalidatePath("/", "layout");
  return { status: "done", message, problems: [], typed: {} };
};
const refused = (
  { message, problems, version }: { message: string; problems: FormState["problems"]; version?: number },
  form: FormData,
): FormState => ({
  status: "refused",
  message,
  problems,
  ...(version === undefined ? {} : { version }),
  typed: Object.fromEntries(
    [...form.entries()].flatMap(([key, value]) => (typeof value === "string" ? [[key, value]] : [])),
  ),
});

/** Takes readings of the air in from a CSV file. */
export async function importAirAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const file = form.get("file");
  if (!(file instanceof File) || file.size === 0)
    return refused({ message: "Choose a file.", problems: [{ path: "file", message: "Choose a CSV file." }] }, form);
  const read = readClimateFile(await file.text());
  if (!read.ok) return refused({ message: "The file could not be understood.", problems: read.problems }, form);
  const result = await importClimate(context, textOf(form, "sensor"), read.rows);
  if (!result.ok) return refused(result, form);
  return done(
    `${result.readings} readings from ${dayText(result.firstDay, context.clock.today)} to ${dayText(result.lastDay, context.clock.today)} imported. Care was replanned.`,
  );
}

/** Changes what falls at a place and how far its bars lag behind the air. */
export async function sensorAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await saveSensor(await requestContext(), {
    key: textOf(form, "key"),
    version: Number(form.get("version")),
    so2: textOf(form, "so2"),
    chloride: textOf(form, "chloride"),
    lagHours: textOf(form, "lagHours"),
  });
  return result.ok ? done("Saved. Days and care were updated.") : refused(result, form);
}

/** Chooses by which rule care is due, and the limits of inspections. */
export async function careRulesAction(_before: FormState, form: FormData): Promise<FormState> {
  const texts = Object.fromEntries([...form.entries()].map(([key, value]) => [key, String(value)]));
  const result = await saveCareRules(await requestContext(), texts, Number(form.get("version")));
  return result.ok ? done("Saved. Care was replanned.") : refused(result, form);
}

/** Sets or clears what hastens or slows care on one bar. */
export async function factorsAction(_before: FormState, form: FormData): Promise<FormState> {
  const tag = textOf(form, "tag");
  const result = await saveBarFactors(await requestContext(), {
    tag,
    version: Number(form.get("version")),
    use: textOf(form, "use"),
    finish: textOf(form, "finish"),
  });
  return result.ok ? done(`${tag} is changed.`) : refused(result, form);
}

/** Changes a care task. */
export async function careTaskAction(_before: FormState, form: FormData): Promise<FormState> {
  const typed = formTexts(form, CARE_TASK_FIELDS);
  const result = await saveCareTask(await requestContext(), {
    id: textOf(form, "id") || null,
    version: Number(form.get("version")),
    texts: typed,
  });
  if (!result.ok) return refusedBy(result, typed);
  return done("Saved. Care was replanned.");
}

/** Resolves a finding. */
export async function settleAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await settleFinding(await requestContext(), textOf(form, "id"), textOf(form, "note"));
  return result.ok ? done("Resolved.") : refused(result, form);
}

/** Keeps an inspection, and what follows for the bar. */
export async function inspectAction(_before: FormState, form: FormData): Promise<FormState> {
  const read = readInspection(form);
  if (!read.ok) return refused({ message: "Not saved.", problems: read.problems }, form);
  const tag = textOf(form, "tag");
  const result = await inspectBar(await requestContext(), {
    tag,
    facts: read.facts,
    decided: INSPECTION_VERDICTS.find((verdict) => verdict === textOf(form, "decided")) ?? null,
    reason: textOf(form, "reason"),
    idempotencyKey: textOf(form, "idempotencyKey"),
  });
  if (!result.ok) return refused(result, form);
  const because = result.reasons.length > 0 ? `: ${result.reasons.join(", ")}` : "";
  return done(`${tag}: ${VERDICT_DONE[result.verdict]}${because}.`);
}

/** Packs what is due into the crew's hours. */
export async function planAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await planRounds(await requestContext());
  if (!result.ok) return refused(result, form);
  const { jobs, rounds, lateness, already, unplaced } = result;
  const late =
    lateness <= already
      ? already === 0
        ? "nothing later than its day"
        : "nothing later than it is already"
      : `${lateness - already} days later in all than it is already`;
  return {
    ...done(`${jobs} jobs in ${rounds} ${rounds === 1 ? "round" : "rounds"}: ${late}.`),
    problems: unplaced.map((words) => ({ path: "unplaced", message: words })),
  };
}

/** Moves a round to another day. */
export async function moveRoundAction(_before: FormState, form: FormData): Promise<FormState> {
  const [context, day] = [await requestContext(), textOf(form, "day")];
  const result = await moveRound(context, {
    id: textOf(form, "id"),
    day,
    version: Number(form.get("version")),
    isSure: textOf(form, "isSure") === "yes",
  });
  if (!result.ok) return refused(result, form);
  const more = result.after - result.before;
  return done(
    `Moved to ${dayText(day, context.clock.today)}: ${more === 0 ? "nothing is later for it" : more > 0 ? `${more} days later in all` : `${-more} days less late in all`}.`,
  );
}

/** Sets when somebody is in. */
export async function hoursAction(_before: FormState, form: FormData): Promise<FormState> {
  const context = await requestContext();
  const person = textOf(form, "person");
  const result = await saveStaffHours(context, person, textOf(form, "hours"), textOf(form, "was"));
  if (result.ok) return done("Saved. Plan the rounds to use them.");
  const state = refused(result, form);
  if (result.code !== "stale") return state;
  // What stands now was shown: the next press goes by it.
  const now = (await crewHours(context)).find(({ id }) => id === person)?.text ?? "";
  return { ...state, typed: { ...state.typed, was: now } };
}

/** Makes a secret calendar address; it is told once. */
export async function linkAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await makeCalendarLink(await requestContext(), textOf(form, "person") || null);
  if (!result.ok) return refused(result, form);
  return { ...done("This address is shown once; anyone who has it sees the rounds."), typed: { token: result.token } };
}

/** Takes a secret calendar address back. */
export async function revokeAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await revokeCalendarLink(await requestContext(), textOf(form, "id"));
  return result.ok ? done("Revoked: the address no longer works.") : refused(result, form);
}

/** Marks a reminder as read. */
export async function readAction(_before: FormState, form: FormData): Promise<FormState> {
  const result = await readMessage(await requestContext(), textOf(form, "id"));
  return result.ok ? done("Dismissed.") : refused(result, form);
}

const VERDICT_DONE = {
  keep: "nothing to worry about",
  watch: "under watch",
  quarantine: "quarantined, nobody may lift with it",
  retire: "retired",
} as const;
