import { INCIDENT_WORDS } from "@/core/care/incident";
import { dayText } from "@/core/units/dates";
import { sentence, trimmed } from "@/core/units/format";
import type { Incident } from "@/server/care/findings";
import { BarTag } from "../kit/BarTag";
import { type DataColumn, type DataRow, DataTable } from "../kit/DataTable";
import Link from "../kit/Link";
import { Say } from "../kit/shown";

const COLUMNS: DataColumn[] = [
  { key: "on", head: "day" },
  { key: "bar", head: "bar" },
  { key: "kind", head: "what" },
  { key: "note", head: "how" },
  { key: "setup", head: "where and with what", isWide: true },
  { key: "by", head: "recorded by", isWide: true },
  { key: "links", head: <span className="sr-only">links</span>, name: "links", isPlain: true },
];

/** What happened, newest first. */
export function IncidentList({ items, today }: { items: readonly Incident[]; today: string }) {
  return (
    <section className="sheet" aria-label="Incidents">
      <DataTable
        label="incidents"
        columns={COLUMNS}
        rows={items.map((item) => rowOf(item, today))}
        empty="No incidents. Record one from the page of the bar it happened with."
        sortedBy={{ key: "on", isDescending: true }}
      />
    </section>
  );
}

function rowOf({ id, tag, kind, note, setup, loadKg, hasPhoto, by, on }: Incident, today: string): DataRow {
  const place = [setup, loadKg === null ? null : `${trimmed(loadKg, 2)} kg on the bar`].filter(Boolean).join(", ");
  return {
    id,
    cells: {
      on: { value: on, node: <span className="whitespace-nowrap">{dayText(on, today)}</span> },
      bar: { value: tag, node: <BarTag tag={tag} /> },
      kind: { value: INCIDENT_WORDS[kind], node: <strong>{sentence(INCIDENT_WORDS[kind])}</strong> },
      note: { value: note },
      setup: { value: place, node: <Say text={place} /> },
      by: { value: by },
      links: {
        value: null,
        node: (
          <span className="flex gap-3">
            {hasPhoto && (
              <a
                href={`/care/incidents/${id}/photo`}
                target="_blank"
                rel="noreferrer"
                className="link inline-flex min-h-11 items-center"
              >
                photo
              </a>
            )}
            <Link href={`/bars/${encodeURIComponent(tag)}/inspect`} className="link inline-flex min-h-11 items-center">
              Inspect
            </Link>
          </span>
        ),
      },
    },
  };
}
