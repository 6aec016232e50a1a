"use client";

import { useState, useTransition } from "react";
import type { Flip } from "@/core/matching/flips";
import { RULE_NUMBER_KEYS, RULE_NUMBERS, type MatchingRules } from "@/core/matching/houseRules";
import { POLICY_KEYS, POLICIES, type Policy } from "@/core/matching/policies";
import { trimmed } from "@/core/units/format";
import { CheckedForm } from "../kit/CheckedForm";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { VerdictText } from "../kit/VerdictText";
import { RuleNumber } from "./RuleNumber";
import { useFormAction } from "../kit/useFormAction";
import { Kg, Say } from "../kit/shown";

export type Preview = { ok: true; flips: Flip[]; graded: number } | { ok: false; message: string };

interface Props {
  rules: MatchingRules;
  version: number;
  mayEdit: boolean;
  action: FormAction;
  preview: (form: FormData) => Promise<Preview>;
}

const OBEYS = { matching: "matching", loading: "loading", care: "care" } as const;
const MAX_SHOWN = 60;

/** Where practitioners disagree: the sides with a sentence for and against each, and what a change would flip. */
export function HouseForm({ rules, version, mayEdit, action, preview }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const [looked, setLooked] = useState<Preview | null>(null);
  const [isLooking, startLooking] = useTransition();
  const typed = form.status === "refused" ? form.typed : {};

  function look(form: HTMLFormElement) {
    const asked = new FormData(form);
    startLooking(async () => setLooked(await preview(asked)));
  }

  return (
    <CheckedForm
      kind="house"
      form={form}
      isPending={isPending}
      send={(sent) => {
        setLooked(null);
        send(sent);
      }}
      key={`${version}${form.status}${form.problems.length}`}
      onChange={mayEdit ? ({ currentTarget }) => look(currentTarget) : undefined}
      className="grid gap-3 xl:grid-cols-[minmax(0,2fr)_minmax(20rem,1fr)]"
    >
      <input type="hidden" name="version" value={form.version ?? version} />
      <div className="grid content-start gap-3">
        <div className="grid gap-3 md:grid-cols-2">
          {POLICY_KEYS.map((key) => (
            <PolicyField key={key} name={key} chosen={typed[key] ?? rules.policies[key]} isDisabled={!mayEdit} />
          ))}
        </div>
        <fieldset className="sheet px-4 py-3">
          <legend className="contents">
            <span className="font-bold">Numbers behind Match</span>
          </legend>
          <div className="mt-2 grid gap-x-6 gap-y-2 sm:grid-cols-2">
            {RULE_NUMBER_KEYS.map((key) => {
              const rule = RULE_NUMBERS[key];
              return (
                <RuleNumber
                  key={key}
                  name={key}
                  rule={rule}
                  value={trimmed(rules[key] * rule.factor, 2)}
                  form={form}
                  isDisabled={!mayEdit}
                />
              );
            })}
          </div>
        </fieldset>
      </div>
      <aside className="xl:sticky xl:top-3 xl:self-start" aria-label="What would change">
        <div className="sheet border-l-primary border-l-4 px-4 py-3 text-sm">
          <h2 className="mb-1 font-bold">What would change</h2>
          {mayEdit ? (
            <>
              <Flips looked={looked} isLooking={isLooking} />
              <div className="mt-3 flex flex-wrap items-center gap-3">
                <button className="btn btn-neutral" disabled={isPending}>
                  Save
                </button>
                <FormMessage state={form} />
              </div>
            </>
          ) : (
            <p className="text-quiet">The manager changes house rules.</p>
          )}
        </div>
      </aside>
    </CheckedForm>
  );
}

function PolicyField({
  name,
  chosen,
  isDisabled,
}: {
  name: (typeof POLICY_KEYS)[number];
  chosen: string;
  isDisabled: boolean;
}) {
  const { question, obeys, options }: Policy = POLICIES[name];
  return (
    <fieldset className="sheet flex min-w-0 flex-col px-4 py-3" disabled={isDisabled}>
      <legend className="contents">
        <span className="font-bold">{question}</span>
      </legend>
      <div className="my-1 grow">
        {options.map((option) => (
          <label key={option.key} className="flex min-h-11 cursor-pointer items-start gap-3 py-1.5 text-sm">
            <input
              type="radio"
              name={name}
              value={option.key}
              defaultChecked={chosen === option.key}
              className="radio radio-sm mt-0.5"
            />
            <span>
              <span className="block font-semibold">
                <Say text={option.name} />
              </span>
              <span className="text-quiet block text-xs">{option.changes}</span>
            </span>
          </label>
        ))}
      </div>
      <details className="text-sm">
        <summary className="link min-h-11 cursor-pointer py-3">Why?</summary>
        <dl className="grid gap-2 pb-2">
          {options.map((option) => (
            <div key={option.key}>
              <dt className="font-semibold">
                <Say text={option.name} />
              </dt>
              <dd>For: {option.pro}</dd>
              <dd>Against: {option.con}</dd>
            </div>
          ))}
        </dl>
        <p className="text-quiet pb-2 text-xs">Used by {obeys.map((one) => OBEYS[one]).join(" and ")}.</p>
      </details>
    </fieldset>
  );
}

function Flips({ looked, isLooking }: { looked: Preview | null; isLooking: boolean }) {
  if (isLooking) return <p role="status">Grading every bar in every lift …</p>;
  if (!looked)
    return <p className="text-quiet">Choose another side to see which verdicts would change before you save.</p>;
  if (!looked.ok) return <p className="text-error">{looked.message}</p>;
  const { flips, graded } = looked;
  return (
    <div role="status">
      <p>
        <strong>{flips.length === 0 ? "No verdict changes" : `${flips.length} of ${graded} verdicts change`}</strong>
        {flips.length === 0 ? ` of ${graded} checked.` : "; the others stay."}
      </p>
      <ul className="divide-base-300 mt-2 max-h-96 divide-y overflow-y-auto" tabIndex={0} aria-label="Changes">
        {flips.slice(0, MAX_SHOWN).map(({ tag, lift, liftName, loadKg, lifter, before, after }) => (
          <li key={`${tag}${lift}${lifter}`} className="py-1">
            <span className="bar-tag">{tag}</span> {liftName}, <Kg value={loadKg} decimals={1} />
            {lifter && `, ${lifter}`}
            <span className="flex gap-2 text-xs">
              <VerdictText verdict={before} /> <span aria-label="becomes">→</span> <VerdictText verdict={after} />
            </span>
          </li>
        ))}
        {flips.length > MAX_SHOWN && <li className="text-quiet py-1">and {flips.length - MAX_SHOWN} more</li>}
      </ul>
    </div>
  );
}
