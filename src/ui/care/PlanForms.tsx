"use client";

import { Day } from "../kit/shown";
import { Field, FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

export interface CrewMember {
  id: string;
  name: string;
  /** When somebody is in, one span a line. */
  text: string;
}

export interface CalendarLink {
  id: string;
  person: string | null;
  since: string;
}

export interface Reminder {
  id: string;
  to: string;
  subject: string;
  body: string;
  at: string;
  isRead: boolean;
}

/** Reminders, newest first, read in the program. */
export function OutboxList({ outbox, action }: { outbox: readonly Reminder[]; action: FormAction }) {
  const [, read, isPending] = useFormAction(action);
  return (
    <section className="sheet p-4" aria-label="Reminders">
      <h2 className="font-bold">Reminders</h2>
      <p className="text-quiet mb-2 text-xs">
        Written on the morning of a round to the person who does it. Shown here; nothing is e-mailed.
      </p>
      {outbox.length === 0 && <p className="text-sm">None yet.</p>}
      <ul className="divide-base-300 max-h-72 divide-y overflow-y-auto text-sm">
        {outbox.map(({ id, to, subject, body, at, isRead }) => (
          <li key={id} className="py-2">
            <span className={isRead ? "text-quiet" : "font-bold"}>
              {at} to {to}: {subject}
            </span>
            <span className="text-quiet block whitespace-pre-line">{body}</span>
            {!isRead && (
              <form action={read}>
                <input type="hidden" name="id" value={id} />
                <button type="submit" disabled={isPending} className="btn btn-sm btn-ghost">
                  Dismiss<span className="sr-only"> {subject}</span>
                </button>
              </form>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Secret addresses at which calendar programs subscribe. */
export function Links({
  links,
  crew,
  publicUrl,
  link,
  revoke,
}: {
  links: readonly CalendarLink[];
  crew: readonly CrewMember[];
  publicUrl: string;
  link: FormAction;
  revoke: FormAction;
}) {
  const [made, make, isMaking] = useFormAction(link);
  const [taken, take, isTaking] = useFormAction(revoke);
  const base = publicUrl || (typeof location === "undefined" ? "" : location.origin);
  return (
    <section className="sheet p-4" aria-label="Calendars">
      <h2 className="font-bold">In your calendar app</h2>
      <p className="text-quiet mb-2 text-xs">
        A secret address that a calendar subscribes to; it follows every change of plan, and can be revoked.
      </p>
      <form action={make} className="flex flex-wrap items-end gap-2">
        <Field state={made} name="person" label="rounds of">
          {(attributes) => (
            <select {...attributes} className="select">
              <option value="">everybody</option>
              {crew.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <button type="submit" disabled={isMaking} className="btn btn-outline">
          Make address
        </button>
      </form>
      {made.typed.token && (
        <p className="border-primary mt-2 border-l-4 pl-2 text-sm break-all" role="status">
          {made.message}
          <br />
          <strong>
            {base}/care/calendar/{made.typed.token}.ics
          </strong>
        </p>
      )}
      <ul className="mt-2 text-sm">
        {links.map(({ id, person, since }) => (
          <li key={id} className="flex flex-wrap items-center gap-3">
            {person ?? "everybody"}, since <Day on={since} />
            <form action={take}>
              <input type="hidden" name="id" value={id} />
              <button type="submit" disabled={isTaking} className="btn btn-sm btn-ghost">
                Revoke<span className="sr-only"> from {person ?? "everybody"}</span>
              </button>
            </form>
          </li>
        ))}
      </ul>
      <FormMessage state={taken} />
    </section>
  );
}
