"use client";

import { foundAt } from "@/core/wear/zones";
import type { Finding } from "@/server/care/findings";
import { useState } from "react";
import { dayText } from "@/core/units/dates";
import { BarTag } from "../kit/BarTag";
import { FormMessage } from "../kit/FormParts";
import { FormProblems } from "../kit/FormProblems";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  findings: readonly Finding[];
  today: string;
  maySettle: boolean;
  action: FormAction;
}

/** So many are shown before somebody asks for the rest. */
const SHOWN = 8;

/** What somebody found wrong and nobody settled yet. */
export function Findings({ findings, today, maySettle, action }: Props) {
  const [form, settle, isPending] = useFormAction(action);
  const [isWhole, setWhole] = useState(false);
  if (findings.length === 0) return null;
  const rest = findings.length - SHOWN;
  return (
    <section className="sheet border-l-error mb-3 border-l-4 px-4 py-2" aria-label="Not resolved">
      <h2 className="text-sm font-bold">Not resolved</h2>
      <ul className="divide-base-300 divide-y">
        {(isWhole ? findings : findings.slice(0, SHOWN)).map(({ id, tag, note, zone, hasPhoto, by, foundOn }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2 text-sm">
            <BarTag tag={tag} />
            <strong>{foundAt(note, zone)}</strong>
            <span className="text-quiet">
              {dayText(foundOn, today)}, {by}
            </span>
            {hasPhoto && (
              <a href={`/care/findings/${id}/photo`} target="_blank" rel="noreferrer" className="link">
                photo
              </a>
            )}
            <Link href={`/bars/${encodeURIComponent(tag)}/inspect`} className="link">
              Inspect it
            </Link>
            {maySettle && (
              <form action={settle} className="ml-auto flex items-center gap-2">
                <input type="hidden" name="id" value={id} />
                <input
                  name="note"
                  aria-label={`What was done about ${tag}`}
                  placeholder="what was done"
                  className="input input-sm w-44"
                />
                <button type="submit" disabled={isPending} className="btn btn-sm btn-outline">
                  Resolve<span className="sr-only"> {tag}</span>
                </button>
              </form>
            )}
          </li>
        ))}
      </ul>
      {rest > 0 && !isWhole && (
        <button type="button" className="link min-h-11 text-sm" onClick={() => setWhole(true)}>
          Show {rest} more
        </button>
      )}
      <FormMessage state={form} />
      <FormProblems form={form} />
    </section>
  );
}
