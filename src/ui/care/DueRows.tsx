"use client";

import { checkAnswers } from "@/core/care/checks";
import { listed, sentence } from "@/core/units/format";
import { daysBetween } from "@/core/units/hallDay";
import type { DueItem } from "@/server/care/due";
import { BarTag } from "../kit/BarTag";
import { dueText } from "../kit/dueText";
import Link from "../kit/Link";
import { StateText } from "../kit/StateText";
import { useOpened } from "../kit/useOpened";
import { useFirstRows } from "../kit/useFirstRows";
import { TickForm } from "./TickForms";

/** What a row knows; steps and places in the queue stay where they are. */
export type DueRow = Pick<
  DueItem,
  | "tag"
  | "barName"
  | "family"
  | "state"
  | "place"
  | "task"
  | "taskName"
  | "dueOn"
  | "lastDoneOn"
  | "overdueDays"
  | "reason"
  | "drivers"
>;

interface Props {
  items: readonly DueRow[];
  /** One key a tick, so that one sent twice counts once. */
  keys: readonly string[];
  today: string;
  mayTick: boolean;
  by: string;
  on: string;
}

/** Rows in the page as it arrives. */
const FIRST = 10;

/**
 * What is due, what needs it most first: the reason in a few words, the sum behind it on touch, and one button. A leaf of
 * the client's: rows go over as their figures.
 */
export function DueRows({ items, keys, today, mayTick, by, on }: Props) {
  return (
    <section className="sheet mb-3" aria-label="Due, what needs it most first">
      <ul className="divide-base-300 divide-y">
        {useFirstRows(items, FIRST).map((item, i) => (
          <li
            key={`${item.tag}-${item.task}`}
            className="grid grid-cols-[3.2rem_minmax(0,1fr)_auto] items-center gap-x-3 px-4 py-1 md:grid-cols-[3.2rem_minmax(0,10rem)_minmax(0,1fr)_minmax(0,1fr)_auto]"
          >
            <BarTag tag={item.tag} className="justify-self-start" />
            <span className="hidden min-w-0 text-sm md:block">
              {item.barName}
              <span className="text-quiet block truncate text-xs">{item.place ?? "no place"}</span>
              {item.state !== "in-service" && (
                <span className="block text-xs">
                  <StateText state={item.state} />
                </span>
              )}
            </span>
            <span className="min-w-0 text-sm font-semibold">
              {sentence(item.taskName)}
              <span className="text-quiet block text-xs font-normal md:hidden">
                {item.barName}, {item.place ?? "no place"}
              </span>
            </span>
            <WhyDue item={item} today={today} />
            <Act {...{ item, mayTick, by, on }} idempotencyKey={keys[i]!} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How late, and what hastens it; touched, the whole sum. */
function WhyDue({ item, today }: { item: DueRow; today: string }) {
  const { isOpen, fold } = useOpened();
  const since = item.lastDoneOn === null ? null : daysBetween(item.lastDoneOn, today);
  return (
    <details
      className="col-span-2 col-start-2 row-start-2 min-w-0 text-sm md:col-span-1 md:col-start-auto md:row-start-auto"
      {...fold}
    >
      <summary className="flex min-h-11 cursor-pointer flex-wrap items-center gap-x-2">
        <span className={item.overdueDays > 0 ? "text-accent font-bold" : ""}>
          {item.lastDoneOn === null ? "never done" : dueText(item.dueOn, today)}
        </span>
        <span className="text-quiet decoration-dotted underline-offset-4 hover:underline">
          {item.drivers.length > 0 ? listed(item.drivers) : "usual interval"}
        </span>
      </summary>
      {isOpen && (
        <p className="text-quiet pb-2 text-xs">
          {sentence(item.reason)}.{since !== null && ` Last done ${since === 1 ? "yesterday" : `${since} days ago`}.`}
        </p>
      )}
    </details>
  );
}

function Act({
  item,
  mayTick,
  by,
  on,
  idempotencyKey,
}: {
  item: DueRow;
  mayTick: boolean;
  by: string;
  on: string;
  idempotencyKey: string;
}) {
  if (!mayTick) return null;
  const answers = checkAnswers(item.task, item.family);
  // A quarantined bar is released by an inspection, never by a tick.
  if (item.state === "quarantined" && answers.length > 0)
    return (
      <Link
        href={`/bars/${encodeURIComponent(item.tag)}/inspect`}
        aria-label={`Inspect ${item.tag}`}
        className="btn btn-outline px-3"
      >
        Inspect
      </Link>
    );
  return (
    <TickForm
      tag={item.tag}
      task={item.task}
      taskName={item.taskName}
      doneBy={by}
      doneOn={on}
      {...{ idempotencyKey, answers }}
    />
  );
}
