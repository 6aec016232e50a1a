"use client";

import { INSPECTION_VERDICTS } from "@/core/care/inspection";
import { Field, FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import { Options } from "../kit/Options";
import type { FormState } from "../kit/formState";
import { Say } from "../kit/shown";
import type { Inspecting } from "./useInspection";

const VERDICT_WORDS = {
  keep: "in service",
  watch: "under watch",
  quarantine: "quarantine, nobody lifts with it",
  retire: "retire it",
} as const;

const EDGES = {
  keep: "border-l-primary",
  watch: "border-l-accent",
  quarantine: "border-l-error",
  retire: "border-l-error",
} as const;

/** Fields that say themselves what is wrong with them. */
const SHOWN = /^(dial|spin|endPlay|part\.|hops|crackSeen$|knurl|rust|finish|decided|reason)/;

interface Props {
  form: FormState;
  inspecting: Inspecting;
  mayOverride: boolean;
  isPending: boolean;
}

/** What the gym's rule says of what was noted, and what somebody decides. */
export function InspectionDecision({
  form,
  inspecting: { known, set, judged, isEmpty },
  mayOverride,
  isPending,
}: Props) {
  // Whoever may not override may still be stricter than the rule.
  const open = INSPECTION_VERDICTS.filter(
    (verdict) =>
      mayOverride ||
      (verdict !== "retire" &&
        judged !== null &&
        INSPECTION_VERDICTS.indexOf(verdict) >= INSPECTION_VERDICTS.indexOf(judged.verdict)),
  );
  return (
    <section
      className={`sheet border-l-4 p-4 ${EDGES[judged?.verdict ?? "keep"]}`}
      aria-label="The rule"
      aria-live="polite"
    >
      <h2 className="text-xl font-bold">
        {isEmpty
          ? "Nothing checked yet."
          : judged
            ? `The rule: ${VERDICT_WORDS[judged.verdict]}.`
            : "The rule: something cannot be read."}
      </h2>
      <ul className="text-sm">
        {judged?.reasons.map(({ text }) => (
          <li key={text}>
            <Say text={text} />
          </li>
        ))}
        {judged?.reasons.length === 0 && (
          <li className="text-quiet">
            {isEmpty ? "The gym’s rule appears here as you note findings." : "Nothing wrong was noted."}
          </li>
        )}
      </ul>
      <div className="mt-3 grid gap-3">
        <Field state={form} name="decided" label="decide">
          {({ id, name }) => (
            <select
              id={id}
              name={name}
              value={known.decided ?? ""}
              onChange={(event) => set({ decided: event.target.value })}
              className="select"
            >
              <Options
                of={[["", "as the rule says"], ...open.map((verdict) => [verdict, VERDICT_WORDS[verdict]] as const)]}
              />
            </select>
          )}
        </Field>
        <Field state={form} name="reason" label="reason for overriding">
          {({ id, name }) => (
            <input
              id={id}
              name={name}
              value={known.reason ?? ""}
              onChange={(event) => set({ reason: event.target.value })}
              className="input w-full"
            />
          )}
        </Field>
        <FormProblems form={form} isBeside={(path) => SHOWN.test(path)} />
        <div className="flex flex-wrap items-center gap-3">
          <button type="submit" disabled={isPending} className="btn btn-neutral min-h-14 text-lg">
            Save
          </button>
          <FormMessage state={form} />
        </div>
      </div>
      <p className="text-quiet mt-3 text-xs">
        A bent or cracked bar is out at once. Only the manager takes one out of quarantine. The maker’s instructions
        come first; how much a weld or a bent bar can still carry is for a specialist to judge.
      </p>
    </section>
  );
}
