import "server-only";
import { and, desc, eq, isNotNull } from "drizzle-orm";
import { groupBy } from "@/core/collections/groupBy";
import { evenings } from "@/core/rotation/eveningOrder";
import { trimmed } from "@/core/units/format";
import type { HallDay } from "@/core/units/hallDay";
import { classEntries, classes, rotations } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { addEntry, lockEntry, saveClass } from "@/server/classes";
import { listStations } from "@/server/equipment";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { listLifters } from "@/server/lifters";
import { barsOnTheWall } from "@/server/bars";
import { sessionDay } from "./planning";

const BLOCKS = "3";
const BLOCK_MINUTES = "25";
const SHARED = "2";

/** What was sent. */
export interface Sent {
  classes: number;
  added: number;
  changed: number;
  /** Weeks that are over, or in which nothing is known of the load. */
  left: number;
}

/**
 * Puts a rotation into the classes of its weeks: those that are held at the hour, or new ones. Entries that stand there
 * already get the planned bar and load. All of it or nothing; weeks that are over stay as they were.
 */
export async function sendToClasses(context: Context, id: string): Promise<Outcome<{ sent: Sent }>> {
  if (!may(context, "class.edit")) return forbidden("change classes");
  return inTransaction(context, async (context) => {
    const { hall, clock } = context;
    const row = await hall.first(rotations, { where: eq(rotations.id, id) });
    if (!row?.plan) return notFound("planned rotation");
    const { wish, plan, startsOn, weeks, name } = row;
    const people = new Map((await listLifters(context)).map((one) => [one.id, one]));
    const tags = new Map((await barsOnTheWall(context)).map((one) => [one.id, one.bar.tag]));
    const boutOf = new Map(
      [...groupBy(plan.rows, ({ lifterId }) => lifterId)].map(([id, rows]) => [id, evenings(wish.sessions, rows)]),
    );
    const sent: Sent = { classes: 0, added: 0, changed: 0, left: 0 };
    for (let w = 0; w < weeks; w += 1)
      for (const [session, { weekday, startsAt, purpose }] of wish.sessions.entries()) {
        const on = sessionDay(startsOn, w, weekday);
        const cells = plan.rows.flatMap((one) => {
          const cell = one.weeks[w]!;
          const person = people.get(one.lifterId);
          const bout = boutOf.get(one.lifterId)!.get(session)?.[w] ?? null;
          return one.session === session && person ? [{ ...cell, person, tag: tags.get(cell.barId), bout }] : [];
        });
        const known = cells.filter(({ loadKg, tag }) => loadKg !== null && tag !== undefined);
        sent.left += on < clock.today ? cells.length : cells.length - known.length;
        if (on < clock.today || known.length === 0) continue;
        const held = await classAt(context, { name, on, startsAt });
        if (!held.ok) return held;
        sent.classes += 1;
        for (const { person, loadKg, tag, bout } of known) {
          const entry = await hall.first(classEntries, {
            where: and(
              eq(classEntries.classId, held.id),
              eq(classEntries.lifterId, person.id),
              eq(classEntries.liftKey, wish.liftKey),
              eq(classEntries.bout, bout ?? 1),
            ),
          });
          const load = `${trimmed(loadKg!, 2)} kg`;
          if (entry) {
            await hall.update(classEntries, eq(classEntries.id, entry.id), {
              ...{ loadValue: trimmed(loadKg!, 2), loadUnit: "kg", loadKg: loadKg!, followsLog: false, purpose },
            });
            sent.changed += 1;
          }
          const made = entry
            ? ({ ok: true, id: entry.id } as const)
            : await addEntry(
                context,
                { classId: held.id, lifter: person.key, lift: wish.liftKey, load, purpose },
                bout ?? 1,
              );
          if (!made.ok) return failed(made.code, `${on}, ${person.name}: ${made.message}`, made.problems);
          if (!entry) sent.added += 1;
          const locked = await lockEntry(context, held.id, made.id, {
            // Several bars on one evening: the heaviest in the first block, while fresh.
            ...{
              block: entry?.lockedBlock ?? (bout && Math.min(bout, held.blocks)),
              station: entry?.lockedStation ?? null,
              tag: tag!,
            },
          });
          if (!locked.ok) return failed(locked.code, `${on}, ${person.name}: ${locked.message}`, locked.problems);
        }
      }
    await recordChange(context, { entity: "rotation", entityId: id, action: "sent to classes", after: sent });
    return { ok: true, sent };
  });
}

/** The class of that day and hour; where there is none, a new one with the stations of the latest, else all racks. */
async function classAt(
  context: Context,
  { name, on, startsAt }: { name: string; on: HallDay; startsAt: string },
): Promise<Outcome<{ id: string; blocks: number }>> {
  const { hall } = context;
  const held = await hall.first(classes, { where: and(eq(classes.heldOn, on), eq(classes.startsAt, startsAt)) });
  if (held) return { ok: true, id: held.id, blocks: held.blocks };
  const latest = await hall.first(classes, {
    where: isNotNull(classes.capacities),
    orderBy: [desc(classes.heldOn), desc(classes.startsAt)],
  });
  const racks = (await listStations(context)).items.filter(({ supportSpacingMm }) => supportSpacingMm !== null);
  const blocks = latest ? String(latest.blocks) : BLOCKS;
  const made = await saveClass(context, {
    ...{ id: null, version: 0, name, heldOn: on, startsAt },
    blocks,
    blockMinutes: latest ? String(latest.blockMinutes) : BLOCK_MINUTES,
    capacities: latest
      ? Object.fromEntries(Object.entries(latest.capacities).map(([key, n]) => [key, String(n)]))
      : Object.fromEntries(racks.map(({ key }) => [key, SHARED])),
  });
  return made.ok ? { ...made, blocks: Number(blocks) } : made;
}
