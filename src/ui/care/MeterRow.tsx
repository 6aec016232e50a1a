"use client";

import { useState } from "react";
import { fixed, trimmed } from "@/core/units/format";
import type { MeterItem } from "@/server/care/planning";
import { BarTag } from "../kit/BarTag";
import { dueText } from "../kit/dueText";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { Day } from "../kit/shown";

/** Bars to a part of a long list. */
export const PART = 30;

export function Meter({
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
          <span className="text-accent block text-xs font-semibold">
            chalk left on, <Day on={item.chalkSeenOn} />
          </span>
        )}
      </span>
      <ul className="col-span-2 grid gap-1 md:col-span-1">
        {item.tasks.map(({ task, taskName, need, forecast }) => {
          const share = Math.min(1, need.need);
          return (
            <li
              key={task}
              className="grid grid-cols-[minmax(0,1fr)_4rem] items-center gap-x-3 py-0.5 text-sm sm:grid-cols-[minmax(0,12rem)_4rem_minmax(0,1fr)] lg:grid-cols-[minmax(0,11rem)_4rem_minmax(0,1fr)_6rem]"
            >
              <span className="leading-snug">{taskName}</span>
              <span className={`text-right font-bold ${need.need >= 1 - 1e-9 ? "text-accent" : ""}`}>
                {fixed(100 * need.need, 0)}
                <span className="unit">%</span>
              </span>
              <span className="min-w-0 max-sm:col-span-2">
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
