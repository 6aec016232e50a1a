"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { useFormAction } from "../kit/useFormAction";

export interface RunningSession {
  id: string;
  tag: string;
  where: string | null;
  by: string;
  done: number;
  sets: number;
}

/** Sessions that are on: to go back to, or to end. */
export function RunningNow({ running, endAction }: { running: readonly RunningSession[]; endAction: FormAction }) {
  const [form, end, isPending] = useFormAction(endAction);
  return (
    <section className="sheet no-print border-l-accent mb-3 border-l-4 px-4 py-2" aria-label="In progress">
      <h2 className="sr-only">In progress</h2>
      <ul className="grid gap-1">
        {running.map(({ id, tag, where, by, done, sets }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
            <span>
              <span className="bar-tag">{tag}</span> {where && `at ${where}, `}
              {done} of {sets} sets, begun by {by}
            </span>
            <Link href={`/load/session/run/${id}`} className="btn btn-sm btn-outline">
              Resume
            </Link>
            <form action={end}>
              <input type="hidden" name="id" value={id} />
              <button type="submit" disabled={isPending} className="btn btn-sm btn-ghost">
                End<span className="sr-only"> {tag}</span>
              </button>
            </form>
          </li>
        ))}
      </ul>
      <FormMessage state={form} />
    </section>
  );
}

/** Starts the session that the page shows. */
export function BeginRun({ search, action }: { search: Record<string, string | undefined>; action: FormAction }) {
  const [form, begin, isPending] = useFormAction(action);
  return (
    <form action={begin} className="flex flex-wrap items-center gap-2">
      {Object.entries(search).map(([key, value]) =>
        value === undefined ? null : <input key={key} type="hidden" name={key} value={value} />,
      )}
      <button type="submit" disabled={isPending} className="btn btn-sm btn-neutral">
        Start
      </button>
      <FormMessage state={form} />
    </form>
  );
}
