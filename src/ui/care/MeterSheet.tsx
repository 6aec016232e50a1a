"use client";

import { useState } from "react";
import { CARE_RULES, type CareRule } from "@/core/care/needMeter";
import { staffHoursText, type StaffHours } from "@/core/care/staffHours";
import type { InspectionLimits } from "@/core/care/inspection";
import { fixed, trimmed } from "@/core/units/format";
import type { MeterItem } from "@/server/care/planning";
import { BarTag } from "../kit/BarTag";
import { dueText } from "../kit/dueText";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  items: readonly MeterItem[];
  /** Bars in all, and how many come before these. */
  total: number;
  from: number;
  rules: {
    rule: CareRule;
    limits: InspectionLimits;
    hourMinor: number | null;
    quiet: readonly StaffHours[];
    version: number;
  };
  today: string;
  mayRule: boolean;
  mayEdit: boolean;
  rulesAction: FormAction;
  factorsAction: FormAction;
}

const RULE_WORDS: Record<CareRule, [name: string, sentence: string]> = {
  calendar: [
    "by the calendar",
    "Every so many days by the class of the climate; anybody can say when, and a dry spell changes nothing.",
  ],
  meter: [
    "by the need meter",
    "Need grows with air, finish, use and chalk; rounds follow the weather, and why is said.",
  ],
  condition: [
    "on condition only",
    "Nothing is due until a finding or a spot check asks for it; it asks for people who look.",
  ],
};

/** Every bar's need, task by task, with all factors; and the rule that the house goes by. */
export function MeterSheet({ items, total, from, rules, today, mayRule, mayEdit, rulesAction, factorsAction }: Props) {
  return (
    <div className="grid gap-3">
      <Rules key={rules.version} rules={rules} mayRule={mayRule} action={rulesAction} />
      <section className="sheet px-4 py-2" aria-label="Need of every bar">
        <p className="text-quiet py-1 text-xs">
          100 % is due.{" "}
          {rules.rule === "meter"
            ? "Due days follow these meters."
            : `The gym goes ${RULE_WORDS[rules.rule][0]}: the meters are shown and decide nothing.`}{" "}
          Air times finish times use times chalk, over the base interval of the task.
          <span className="hidden lg:inline">
            {" "}
            At the right the next eight weeks if nothing is done; dashed is due.
          </span>
        </p>
        <ul className="divide-base-300 divide-y">
          {items.map((item) => (
            <Meter key={item.barId} item={item} today={today} mayEdit={mayEdit} action={factorsAction} />
          ))}
        </ul>
        {items.length < total && (
          <p className="flex flex-wrap items-baseline gap-x-4 py-1 text-sm">
            <span className="text-quiet">
              {from + 1}–{from + items.length} of {total} bars, what is due first
            </span>
            {from > 0 && (
              <Link
                href={`/care/meters?from=${Math.max(0, from - PART)}`}
                className="link inline-flex min-h-11 items-center"
              >
                Earlier
              </Link>
            )}
            {from + items.length < total && (
              <Link
                href={`/care/meters?from=${from + items.length}`}
                className="link inline-flex min-h-11 items-center"
              >
                Later
              </Link>
            )}
          </p>
        )}
      </section>
    </div>
  );
}

/** Bars to a part of a long list. */
const PART = 30;

function Meter({
  item,
  today,
  mayEdit,
  action,
}: {
  item: MeterItem;
  today: string;
  mayEdit: boolean;
  action: FormAction;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <li className="grid grid-cols-[3.2rem_minmax(0,1fr)] items-start gap-x-3 py-2 md:grid-cols-[3.2rem_9rem_minmax(0,1fr)_auto]">
      <BarTag tag={item.tag} className="justify-self-start" />
      <span className="text-sm">
        {item.barName}
        {item.chalkSeenOn && (
          <span className="text-accent block text-xs font-semibold">chalk left on, {item.chalkSeenOn}</span>
        )}
      </span>
      <ul className="col-span-2 grid gap-1 md:col-span-1">
        {item.tasks.map(({ task, taskName, need, forecast }) => {
          const share = Math.min(1, need.need);
          return (
            <li
              key={task}
              className="grid grid-cols-[minmax(0,12rem)_4rem_minmax(0,1fr)] items-center gap-x-3 py-0.5 text-sm lg:grid-cols-[minmax(0,11rem)_4rem_minmax(0,1fr)_6rem]"
            >
              <span className="leading-snug">{taskName}</span>
              <span className={`text-right font-bold ${need.need >= 1 - 1e-9 ? "text-accent" : ""}`}>
                {fixed(100 * need.need, 0)}
                <span className="unit">%</span>
              </span>
              <span className="min-w-0">
                <span className="bg-base-300 block h-2 w-full max-w-80" aria-hidden>
                  <span
                    className={`block h-2 ${need.need >= 1 - 1e-9 ? "bg-accent" : "bg-primary"}`}
                    style={{ width: `${100 * share}%` }}
                  />
                </span>
                <span className="text-quiet block text-xs leading-snug">
                  {dueText(need.dueOn, today)}; {need.reason}
                </span>
              </span>
              <Forecast forecast={forecast} name={taskName} />
            </li>
          );
        })}
      </ul>
      {mayEdit && (
        <div className="col-span-2 md:col-span-1">
          <button
            type="button"
            className="btn btn-sm btn-ghost"
            aria-expanded={isOpen}
            onClick={() => setOpen(!isOpen)}
          >
            Factors<span className="sr-only"> of {item.tag}</span>
          </button>
          {isOpen && <Factors key={item.version} item={item} action={action} />}
        </div>
      )}
    </li>
  );
}

/** Need over the next eight weeks if nothing is done; the dashed line is where it is due. */
function Forecast({ forecast, name }: { forecast: readonly number[]; name: string }) {
  const top = Math.max(1.2, ...forecast);
  const x = (i: number) => (96 * i) / (forecast.length - 1);
  const y = (need: number) => 22 - (20 * need) / top;
  const points = forecast.map((need, i) => `${fixed(x(i), 0)},${fixed(y(need), 1)}`).join(" ");
  return (
    <svg
      viewBox="0 0 96 24"
      className="hidden h-6 w-24 lg:block"
      role="img"
      aria-label={`${name}: ${fixed(100 * forecast.at(-1)!, 0)} % in ${7 * (forecast.length - 1)} days if nothing is done`}
      // One text: a page has some hundred of them, and there are only numbers in it.
      dangerouslySetInnerHTML={{
        __html: `<path class="due-line" d="M0 ${fixed(y(1), 1)}H96"/><polyline class="need-line" points="${points}"/>`,
      }}
    />
  );
}

/** What is worked out, and what somebody sets in its place. */
function Factors({ item, action }: { item: MeterItem; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  const factor = (label: string) =>
    item.tasks.flatMap(({ need }) => need.factors).find((one) => one.label.includes(label))?.value ?? 1;
  return (
    <form action={send} className="grid w-56 gap-2 pb-2">
      <input type="hidden" name="tag" value={item.tag} />
      <input type="hidden" name="version" value={form.version ?? item.version} />
      <p className="text-quiet text-xs">Leave blank to calculate: use × {trimmed(factor("use"), 2)}.</p>
      <Field state={form} name="use" label="use, times the usual">
        {(attributes) => (
          <input
            {...attributes}
            inputMode="decimal"
            defaultValue={form.typed.use ?? (item.isUseSet ? trimmed(factor("use"), 2) : "")}
            className="input w-full"
          />
        )}
      </Field>
      <Field state={form} name="finish" label="finish lasts, times bare">
        {(attributes) => (
          <input
            {...attributes}
            inputMode="decimal"
            defaultValue={form.typed.finish ?? (item.isFinishSet ? trimmed(1 / factor("finish"), 2) : "")}
            className="input w-full"
          />
        )}
      </Field>
      <button type="submit" disabled={isPending} className="btn btn-sm btn-neutral">
        Set
      </button>
      <FormMessage state={form} />
    </form>
  );
}

function Rules({ rules, mayRule, action }: { rules: Props["rules"]; mayRule: boolean; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  const limits = [
    ["watchTirMm", "watch over, mm runout"],
    ["quarantineTirMm", "quarantine over, mm runout"],
    ["watchEndPlayMm", "watch over, mm end play"],
    ["leastSpinS", "drags under, s of spin"],
  ] as const;
  return (
    <details className="sheet px-4">
      <summary className="min-h-11 cursor-pointer py-3 text-sm">
        Care is due <strong>{RULE_WORDS[rules.rule][0]}</strong>. {RULE_WORDS[rules.rule][1]}
      </summary>
      {mayRule ? (
        <form action={send} className="grid gap-3 pb-4">
          <input type="hidden" name="version" value={form.version ?? rules.version} />
          <fieldset className="grid gap-1">
            <legend className="text-sm font-semibold">When is care due?</legend>
            {CARE_RULES.map((rule) => (
              <label key={rule} className="flex min-h-11 items-center gap-2 text-sm">
                <input
                  type="radio"
                  name="rule"
                  value={rule}
                  defaultChecked={rule === rules.rule}
                  className="radio radio-sm"
                />
                <span>
                  <strong>{RULE_WORDS[rule][0]}</strong>: {RULE_WORDS[rule][1]}
                </span>
              </label>
            ))}
          </fieldset>
          <div className="grid gap-3 sm:grid-cols-4">
            {limits.map(([name, label]) => (
              <Field key={name} state={form} name={name} label={label}>
                {(attributes) => (
                  <input
                    {...attributes}
                    inputMode="decimal"
                    defaultValue={form.typed[name] ?? trimmed(rules.limits[name], 2)}
                    className="input w-full"
                  />
                )}
              </Field>
            ))}
            <Field state={form} name="quiet" label="quiet hours, no rounds">
              {(attributes) => (
                <textarea
                  {...attributes}
                  rows={2}
                  placeholder="Sat 09:00-12:00"
                  defaultValue={form.typed.quiet ?? rules.quiet.map(staffHoursText).join("\n")}
                  className="textarea w-full"
                />
              )}
            </Field>
            <Field state={form} name="hour" label="an hour of care costs">
              {(attributes) => (
                <input
                  {...attributes}
                  inputMode="decimal"
                  defaultValue={form.typed.hour ?? (rules.hourMinor === null ? "" : trimmed(rules.hourMinor / 100, 2))}
                  className="input w-full"
                />
              )}
            </Field>
          </div>
          <div className="flex items-center gap-3">
            <button type="submit" disabled={isPending} className="btn btn-neutral">
              Go by this
            </button>
            <FormMessage state={form} />
          </div>
        </form>
      ) : (
        <p className="text-quiet pb-3 text-sm">The manager chooses the rule.</p>
      )}
    </details>
  );
}
