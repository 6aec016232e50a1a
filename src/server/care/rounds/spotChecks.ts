import "server-only";
import { and, asc, inArray, notInArray } from "drizzle-orm";
import type { HallDay } from "@/core/units/hallDay";
import { inMany } from "@/data/inMany";
import { barCare, bars } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { replanCare, storedCareRules, usesByBar } from "@/server/care/planning";
import { type Outcome, failed, forbidden, notFound, placesById, recordChanges } from "@/server/kit";

/** So many of the busiest bars are looked at every day. */
const BUSIEST = 6;

/** A bar to look at today, and why. */
export interface SpotCheck {
  tag: string;
  barName: string;
  place: string | null;
  /** Times used in the last four weeks or planned for the next two. */
  uses: number;
  chalkSeenOn: HallDay | null;
  isLookedAt: boolean;
}

/**
 * The day's spot checks (handbook §11): bars with chalk left on them, then the busiest. A bar is looked at once
 * somebody said today what was seen on it.
 */
export async function spotChecks(context: Context): Promise<SpotCheck[]> {
  const { hall } = context;
  const [uses, own, places] = await Promise.all([usesByBar(context), hall.rows(barCare), placesById(hall)]);
  const careOf = new Map(own.map((row) => [row.barId, row]));
  const busiest = [...uses]
    .filter(([, count]) => count > 0)
    .sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1))
    .slice(0, BUSIEST);
  const chalky = own.flatMap(({ barId, chalkSeenOn }) => (chalkSeenOn === null ? [] : [barId]));
  const ids = [...new Set([...chalky, ...busiest.map(([id]) => id)])];
  if (ids.length === 0) return [];
  const rows = await hall.rows(bars, {
    where: and(inMany(bars.id, ids), notInArray(bars.state, ["retired", "on-order", "quarantined"])),
  });
  return rows
    .map(({ id, tag, name, placeId }): SpotCheck => {
      const { chalkSeenOn = null, lookedOn = null } = careOf.get(id) ?? {};
      return {
        tag,
        barName: name,
        place: places.get(placeId ?? "")?.name ?? null,
        uses: uses.get(id) ?? 0,
        chalkSeenOn,
        isLookedAt: lookedOn === context.clock.today,
      };
    })
    .sort(
      (a, b) =>
        Number(a.chalkSeenOn === null) - Number(b.chalkSeenOn === null) || b.uses - a.uses || (a.tag < b.tag ? -1 : 1),
    );
}

/** What somebody saw on a bar in passing. */
export type Seen = "chalk" | "clean";

/**
 * Notes what was seen on bars. Chalk makes the shaft due sooner, until it is brushed or seen clean; either way the bar
 * has been looked at today.
 */
export async function noteSeen(
  context: Context,
  tags: readonly string[],
  seen: Seen,
  { isSure = false }: { isSure?: boolean } = {},
): Promise<Outcome<{ noted: string[] }>> {
  if (!may(context, "care.spot")) return forbidden("note what was seen on bars");
  if (tags.length === 0 || tags.length > 100) return failed("invalid", "Tap the bars you checked.");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const rows = await hall.rows(bars, {
      where: and(inArray(bars.tag, [...tags]), notInArray(bars.state, ["retired"])),
    });
    if (rows.length === 0) return notFound(`bar ${tags[0]}`);
    const ids = rows.map(({ id }) => id);
    const kept = new Map(
      (
        await hall.rows(barCare, {
          where: inArray(barCare.barId, ids),
          orderBy: [asc(barCare.barId)],
          forUpdate: true,
        })
      ).map((row) => [row.barId, row]),
    );
    const { today } = context.clock;
    const chalky = rows.filter(({ id }) => kept.get(id)?.chalkSeenOn);
    // A slip of the hand on the wall screen does not clear what somebody saw.
    if (seen === "clean" && chalky.length > 0 && !isSure && context.actor.role === "wall")
      return failed(
        "impossible",
        `Chalk was seen on ${chalky.map(({ tag }) => tag).join(", ")}: say that it was brushed.`,
        [{ path: "isSure", message: "Say that it was brushed." }],
      );
    const chalkSeenOn = seen === "chalk" ? today : null;
    const isChanged = ids.some((id) => (kept.get(id)?.chalkSeenOn ?? null) !== chalkSeenOn);
    await hall.putMany(
      barCare,
      [barCare.barId],
      ids.map((barId) => {
        const { useFactor = null, finishFactor = null, version = 0 } = kept.get(barId) ?? {};
        return { barId, useFactor, finishFactor, chalkSeenOn, lookedOn: today, version: version + 1 };
      }),
    );
    const action = seen === "chalk" ? "chalk left on" : "seen clean";
    await recordChanges(
      context,
      ids.map((entityId) => ({ entity: "bar", entityId, action, after: { on: today } })),
    );
    if (isChanged && (await storedCareRules(hall)).rule !== "calendar") await replanCare(context);
    return { ok: true as const, noted: rows.map(({ tag }) => tag) };
  });
}
