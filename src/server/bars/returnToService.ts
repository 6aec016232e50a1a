import "server-only";
import { and, desc, eq, gt, isNull, sql } from "drizzle-orm";
import { trimmed } from "@/core/units/format";
import type { BarRow } from "@/data/barRows";
import { barMeasurements, barQuantities, changes, inspections } from "@/data/schema";
import type { Context } from "@/server/access";
import { storedCareRules } from "@/server/care/planning";

/**
 * Why a quarantined bar may not go back to service yet (handbook §11): it takes a new inspection, or a new measurement of
 * what took it out. Asked in the transaction that would return it, whichever way somebody goes: the state form, an
 * inspection, or taking a change back.
 *
 * @returns a sentence; null where nothing is missing
 */
export async function returnLacks({ hall, actor }: Context, row: BarRow): Promise<string | null> {
  const [taken, { limits }, runout] = await Promise.all([
    hall.first(changes, {
      where: and(
        eq(changes.entity, "bar"),
        eq(changes.entityId, row.id),
        sql`${changes.after} ->> 'state' = 'quarantined'`,
        sql`${changes.before} ->> 'state' is distinct from 'quarantined'`,
      ),
      orderBy: [desc(changes.at), desc(changes.id)],
    }),
    storedCareRules(hall),
    hall.first(barQuantities, { where: and(eq(barQuantities.barId, row.id), eq(barQuantities.kind, "runout")) }),
  ]);
  const since = taken?.at ?? new Date(0);
  const [looked, read] = await Promise.all([
    hall.first(inspections, {
      where: and(
        eq(inspections.barId, row.id),
        gt(inspections.enteredAt, since),
        // What a simulated instrument found sends nothing back to service but in the demonstration.
        actor.isDemo ? undefined : sql`${inspections.facts} ->> 'isSimulated' is distinct from 'true'`,
      ),
      orderBy: [desc(inspections.enteredAt), desc(inspections.id)],
    }),
    hall.rows(barMeasurements, {
      where: and(
        eq(barMeasurements.barId, row.id),
        gt(barMeasurements.measuredAt, since),
        isNull(barMeasurements.undoneAt),
        eq(barMeasurements.counts, true),
      ),
    }),
  ]);
  const tir = runout?.source === "measured" ? runout.effective : null;
  if (tir !== null && tir > limits.quarantineTirMm)
    return `${trimmed(tir, 1)} mm of runout is on record for ${row.tag}, over ${trimmed(limits.quarantineTirMm, 1)} mm, ${
      read.some(({ kind }) => kind === "runout") ? "by the newest reading" : "and there is no new reading"
    }. Measure or inspect it again.`;
  const isCracked = /\bcrack/i.test(row.stateReason ?? "");
  if (isCracked && looked?.facts.crackSeen !== false)
    return `A crack is on record for ${row.tag}. Inspect it again and say whether there is one.`;
  if (looked && (looked.decided === "quarantine" || looked.decided === "retire"))
    return `The last inspection of ${row.tag} keeps it out. Inspect it again.`;
  if (!looked && read.length === 0)
    return `Nobody has inspected or measured ${row.tag} since it was taken out. Inspect it, or measure what was wrong.`;
  return null;
}
