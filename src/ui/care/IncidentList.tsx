import { INCIDENT_WORDS } from "@/core/care/incident";
import { sentence, trimmed } from "@/core/units/format";
import type { Incident } from "@/server/care/findings";
import { BarTag } from "../kit/BarTag";
import { dayText } from "@/core/units/dates";
import Link from "../kit/Link";

/** What happened, newest first. */
export function IncidentList({ items, today }: { items: readonly Incident[]; today: string }) {
  if (items.length === 0)
    return <p className="sheet p-6">No incidents. Record one from the page of the bar it happened with.</p>;
  return (
    <ul className="sheet divide-base-300 divide-y" aria-label="Incidents">
      {items.map(({ id, tag, kind, note, setup, loadKg, hasPhoto, by, on }) => (
        <li key={id} className="grid gap-x-4 gap-y-1 px-4 py-3 text-sm md:grid-cols-[9rem_5rem_minmax(0,1fr)_auto]">
          <span className="text-quiet">
            {dayText(on, today)}, {by}
          </span>
          <BarTag tag={tag} className="justify-self-start" />
          <span>
            <strong>{sentence(INCIDENT_WORDS[kind])}.</strong> {note}
            <span className="text-quiet block text-xs">
              {[setup, loadKg === null ? null : `${trimmed(loadKg, 2)} kg on the bar`].filter(Boolean).join(" · ")}
            </span>
          </span>
          <span className="flex gap-3">
            {hasPhoto && (
              <a href={`/care/incidents/${id}/photo`} target="_blank" rel="noreferrer" className="link">
                photo
              </a>
            )}
            <Link href={`/bars/${encodeURIComponent(tag)}/inspect`} className="link">
              Inspect
            </Link>
          </span>
        </li>
      ))}
    </ul>
  );
}
