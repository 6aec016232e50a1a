"use client";

import { dayText } from "@/core/units/dates";
import type { LogItem } from "@/server/care/log";
import { BarTag } from "../kit/BarTag";
import { useFirstRows } from "../kit/useFirstRows";
import { UndoForm } from "./TickForms";

interface Props {
  log: readonly LogItem[];
  today: string;
  mayTick: boolean;
}

/** Rows in the page as it arrives: they stand below what is due. */
const FIRST = 3;

/** What was ticked off lately, to be undone where it was wrong. */
export function LatelyRows({ log, today, mayTick }: Props) {
  const rows = useFirstRows(log, FIRST);
  return (
    <section className="sheet" aria-labelledby="lately">
      <h2 id="lately" className="border-base-300 border-b px-4 py-2 text-sm font-bold">
        Done lately
      </h2>
      <ul className="divide-base-300 divide-y text-sm">
        {rows.map(({ id, tag, taskName, doneOn, by, note, isUndone }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3 px-4 py-1.5">
            <BarTag tag={tag} />
            <span className={isUndone ? "text-quiet line-through" : undefined}>{taskName}</span>
            <span className="text-quiet">
              {dayText(doneOn, today)}, {by}
              {note && `: ${note}`}
              {isUndone && " (undone)"}
            </span>
            {mayTick && !isUndone && <UndoForm logId={id} what={`${taskName} on ${tag}`} />}
          </li>
        ))}
      </ul>
    </section>
  );
}
