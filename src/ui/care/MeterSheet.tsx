"use client";

import Link from "../kit/Link";
import { Meter, PART } from "./MeterRow";
import { Rules, RULE_WORDS } from "./MeterRules";
import type { MeterSheetProps } from "./meterSheetProps";

/** Every bar's need, task by task, with all factors; and the rule that the house goes by. */
export function MeterSheet({
  items,
  total,
  from,
  rules,
  today,
  mayRule,
  mayEdit,
  rulesAction,
  factorsAction,
}: MeterSheetProps) {
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
