import "server-only";
import { and, eq, sql } from "drizzle-orm";
import { cache } from "react";
import type { HallDay } from "@/core/units/hallDay";
import { bars, lifterBars, lifters } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { careFollows } from "@/server/care/planning";
import { type Outcome, failed, forbidden, notFound, recordChange, withTag } from "@/server/kit";

export interface LifterBar {
  tag: string;
  name: string;
  firstUsedOn: HallDay;
  lastUsedOn: HallDay;
  setting: string | null;
}

/** The bars a lifter knows, the latest first. */
export async function barsOfLifter(context: Context, lifterId: string): Promise<LifterBar[]> {
  if (!may(context, "lifter.read")) return [];
  const { hall } = context;
  const own = await hall.rowsWith(
    lifterBars,
    { bar: withTag(lifterBars.barId) },
    { where: eq(lifterBars.lifterId, lifterId) },
  );
  return own
    .map(({ row: { firstUsedOn, lastUsedOn, setting }, bar }) => ({ ...bar!, firstUsedOn, lastUsedOn, setting }))
    .sort((a, b) => (a.lastUsedOn < b.lastUsedOn ? 1 : a.lastUsedOn > b.lastUsedOn ? -1 : a.tag < b.tag ? -1 : 1));
}

/** Notes that a lifter used a bar on a day, and how it is set for them. */
export async function noteBarUse(
  context: Context,
  { lifter, tag, usedOn, setting }: { lifter: string; tag: string; usedOn: HallDay; setting: string },
): Promise<Outcome<object>> {
  if (!may(context, "lifter.edit")) return forbidden("note what lifters use");
  if (usedOn > context.clock.today)
    return failed("invalid", "Not saved.", [{ path: "usedOn", message: "The day is in the future." }]);
  if (setting.length > 120)
    return failed("invalid", "Not saved.", [{ path: "setting", message: "At most 120 characters." }]);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const person = await hall.first(lifters, { where: eq(lifters.key, lifter), forUpdate: true });
    if (!person) return notFound(`lifter ${lifter}`);
    const bar = await hall.first(bars, { where: and(eq(bars.tag, tag), sql`${bars.state} <> 'retired'`) });
    if (!bar) return notFound(`bar ${tag}`);
    const where = and(eq(lifterBars.lifterId, person.id), eq(lifterBars.barId, bar.id));
    const before = await hall.first(lifterBars, { where });
    const firstUsedOn = before && before.firstUsedOn < usedOn ? before.firstUsedOn : usedOn;
    const lastUsedOn = before && before.lastUsedOn > usedOn ? before.lastUsedOn : usedOn;
    const after = { firstUsedOn, lastUsedOn, setting: setting.trim() || (before?.setting ?? null) };
    await hall.put(lifterBars, [lifterBars.lifterId, lifterBars.barId], {
      lifterId: person.id,
      barId: bar.id,
      ...after,
    });
    await recordChange(context, {
      entity: "lifter",
      entityId: person.id,
      action: `used ${tag}`,
      before: before && { firstUsedOn: before.firstUsedOn, lastUsedOn: before.lastUsedOn, setting: before.setting },
      after,
    });
    await careFollows(context);
    return { ok: true };
  });
}

/** When lifters first and last used bars, by lifter and tag. */
export const barUse = cache(async (context: Context) => {
  const own = await context.hall.rowsWith(lifterBars, { bar: withTag(lifterBars.barId) });
  const use = new Map<string, Map<string, { first: HallDay; last: HallDay }>>();
  for (const {
    row: { lifterId, firstUsedOn, lastUsedOn },
    bar,
  } of own) {
    const mine = use.get(lifterId) ?? new Map<string, { first: HallDay; last: HallDay }>();
    use.set(lifterId, mine.set(bar!.tag, { first: firstUsedOn, last: lastUsedOn }));
  }
  return use;
});
