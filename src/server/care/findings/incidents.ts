import "server-only";
import { and, desc, eq, gt } from "drizzle-orm";
import { INCIDENT_WORDS, type IncidentKind, type NewIncident } from "@/core/care/incident";
import { type HallDay, hallDayAt } from "@/core/units/hallDay";
import { bars, incidents, inspections } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, forbidden, idempotent, namesById, notFound, recordChange } from "@/server/kit";
import { barToCareFor, checkedPhoto, withoutPhoto } from "./findings";

/** How the reason begins of a bar that an incident put under watch. */
const WATCH_REASON = "Incident, not inspected yet";

/**
 * Records that somebody was hurt, a bar fell, or nearly; the bar is under watch from then on until somebody inspects it.
 * Whoever looks after bars records it, and the manager reads it.
 */
export async function recordIncident(
  context: Context,
  { key, tag, kind, note, setup, loadKg, photo }: NewIncident,
): Promise<Outcome<{ id: string; tag: string }>> {
  if (!may(context, "care.tick")) return forbidden("record incidents");
  const checked = photo ? await checkedPhoto(context, photo) : null;
  if (checked && !checked.ok) return checked;
  return inTransaction(context, (context) =>
    idempotent(context, key, "care.incident", async () => {
      const { hall, clock, actor } = context;
      const found = await barToCareFor(hall, tag);
      const bar = found && (await hall.first(bars, { where: eq(bars.id, found.id), forUpdate: true }));
      if (!bar) return notFound(`bar ${tag}`);
      const [kept] = await hall.insert(incidents, {
        barId: bar.id,
        kind,
        note,
        setup: setup ?? null,
        loadKg: loadKg ?? null,
        photo: checked?.ok ? checked.bytes : null,
        photoType: checked?.ok ? checked.type : null,
        happenedAt: clock.now(),
        personId: actor.personId,
        enteredAt: clock.now(),
      });
      await recordChange(context, {
        entity: "incident",
        entityId: kept!.id,
        action: "recorded",
        after: { tag, kind, photo: checked !== null },
      });
      if (bar.state === "in-service" || bar.state === "watch") {
        const stateReason = `${WATCH_REASON}: ${INCIDENT_WORDS[kind]}`;
        await hall.update(bars, eq(bars.id, bar.id), { state: "watch", stateReason, version: bar.version + 1 });
        await recordChange(context, {
          entity: "bar",
          entityId: bar.id,
          action: "state",
          reason: stateReason,
          before: { state: bar.state, stateReason: bar.stateReason },
          after: { state: "watch", stateReason },
        });
      }
      return { ok: true as const, id: kept!.id, tag };
    }),
  );
}

export interface Incident {
  id: string;
  tag: string;
  kind: IncidentKind;
  note: string;
  setup: string | null;
  loadKg: number | null;
  hasPhoto: boolean;
  by: string;
  on: HallDay;
}

/** Incidents, newest first; for the manager. */
export async function listIncidents(context: Context): Promise<Outcome<{ items: Incident[] }>> {
  if (!may(context, "incident.read")) return forbidden("read incidents");
  const { hall, actor } = context;
  const [rows, names] = await Promise.all([
    hall.summary(incidents, withoutPhoto(incidents), {
      orderBy: [desc(incidents.happenedAt), desc(incidents.id)],
      limit: 200,
    }),
    namesById(hall),
  ]);
  const tags = new Map((await hall.summary(bars, { id: bars.id, tag: bars.tag })).map(({ id, tag }) => [id, tag]));
  return {
    ok: true,
    items: rows.map(({ id, barId, kind, note, setup, loadKg, photoType, personId, happenedAt }) => ({
      ...{ id, kind, note, setup, loadKg },
      tag: tags.get(barId) ?? "?",
      hasPhoto: photoType !== null,
      by: names.get(personId) ?? "someone",
      on: hallDayAt(happenedAt, actor.timeZone),
    })),
  };
}

/** The photo of an incident, for the manager. */
export async function incidentPhoto(context: Context, id: string): Promise<{ bytes: Buffer; type: string } | null> {
  if (!may(context, "incident.read") || !/^[0-9a-f-]{36}$/.test(id)) return null;
  const row = await context.hall.first(incidents, { where: eq(incidents.id, id) });
  return row?.photo && row.photoType ? { bytes: row.photo, type: row.photoType } : null;
}

/**
 * Why a bar may not leave watch yet: an incident with it that nobody inspected it after.
 *
 * @returns a sentence; null where nothing is missing
 */
export async function incidentLacks({ hall }: Context, bar: { id: string; tag: string }): Promise<string | null> {
  const last = await hall.first(incidents, {
    where: eq(incidents.barId, bar.id),
    orderBy: [desc(incidents.enteredAt)],
  });
  if (!last) return null;
  const looked = await hall.first(inspections, {
    where: and(eq(inspections.barId, bar.id), gt(inspections.enteredAt, last.enteredAt)),
  });
  return looked ? null : `Nobody has inspected ${bar.tag} since the incident. Inspect it first.`;
}
