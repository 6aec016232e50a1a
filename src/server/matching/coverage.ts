import "server-only";
import { between, desc, inArray } from "drizzle-orm";
import { type Bar, isUsable } from "@/core/bars/bar";
import { groupBy } from "@/core/collections/groupBy";
import { ownedVerdicts } from "@/core/buying/offerGain";
import { type BarDemand, type Coverage, barDemand, coverage } from "@/core/matching/coverage";
import type { Lift } from "@/core/matching/lifts";
import { rankOf, type Verdict } from "@/core/matching/verdict";
import { addDays } from "@/core/units/hallDay";
import { type TypedQuantity, convertTyped } from "@/core/units/typedQuantity";
import { classEntries, classes } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { barUse, listLifters, matchLifterOf } from "@/server/lifters";
import { allLifts, liftOf, meetingRules } from "@/server/lifts";
import { matchingRules } from "@/server/rules";
import { type OfferedCover, offeredCover } from "./offered";

export interface HallCoverage extends Coverage {
  bars: Bar[];
  lifts: Lift[];
  /** Who leans on which bar in the class that most people come to; null without one. */
  busy: { name: string; people: number; byBar: BarDemand[] } | null;
  /** Lifts in which nothing here is at least good for somebody, and who they are; for whoever may read lifters. */
  weak: { lift: string; name: string; best: Verdict; people: string[] }[];
  /** Who is behind each bar: by tag, people for whom no other is as good. */
  alone: Record<string, string[]>;
  /** Offers that would cover what is barely or not covered. */
  offered: OfferedCover[];
}

/** Who does which lift with which load, the bars in service, and who comes to the class that most people come to. */
export async function hallWants(context: Context) {
  const [wall, rows, rules, people, meetings, used] = await Promise.all([
    barsOnTheWall(context),
    allLifts(context),
    matchingRules(context),
    listLifters(context),
    meetingRules(context),
    barUse(context),
  ]);
  const usable = wall.map(({ bar }) => bar).filter(({ state }) => isUsable(state));
  const hallLifts = rows.map(liftOf);
  const wants = people.flatMap((row) =>
    hallLifts.flatMap((lift) => {
      const usual = row.usualLoads?.[lift.key] as TypedQuantity | undefined;
      if (!usual) return [];
      const lifter = matchLifterOf(row, lift, { today: context.clock.today, rules: meetings, used: used.get(row.id) });
      return [{ person: row.id, personName: row.name, lift: lift.key, loadKg: convertTyped(usual), lifter }];
    }),
  );
  const busiest = await busiestClass(context);
  const busyWants = (busiest?.entries ?? []).flatMap(({ lifterId, liftKey, loadKg }) => {
    const row = people.find(({ id }) => id === lifterId);
    const lift = hallLifts.find(({ key }) => key === liftKey);
    if (!row || !lift) return [];
    const lifter = matchLifterOf(row, lift, { today: context.clock.today, rules: meetings, used: used.get(row.id) });
    return [{ person: row.id, personName: row.name, lift: liftKey, loadKg, lifter }];
  });
  return {
    question: { bars: usable, lifts: hallLifts, rules, today: context.clock.today },
    wants,
    busy: busiest && { name: busiest.name, blocks: busiest.blocks, wants: busyWants },
  };
}

/** Lifts × bars in service, and who depends on which bar. Lifters count for coach and manager only, without a name. */
export async function hallCoverage(context: Context): Promise<HallCoverage> {
  const { question, wants, busy } = await hallWants(context);
  const { rules, today } = question;
  const found = coverage({ ...question, wants });
  const byKey = new Map(question.lifts.map((lift) => [lift.key, lift]));
  const known = wants.flatMap(({ lift: key, ...want }) => {
    const lift = byKey.get(key);
    return lift ? [{ ...want, lift, weight: 1 }] : [];
  });
  const owned = ownedVerdicts({ wants: known, bars: question.bars, rules, today });
  const weak = groupBy(
    owned.filter(({ verdict }) => rankOf(verdict) > rankOf("good")),
    ({ lift, verdict }) => `${lift.key} ${verdict}`,
  );
  const leaning = groupBy(
    owned.filter(({ alone }) => alone !== null),
    ({ alone }) => alone!.tag,
  );
  return {
    ...{ bars: question.bars, lifts: question.lifts },
    ...found,
    weak: [...weak.values()].map((own) => ({
      ...{ lift: own[0]!.lift.key, name: own[0]!.lift.name, best: own[0]!.verdict },
      people: own.map(({ personName }) => personName),
    })),
    alone: Object.fromEntries(
      [...leaning].map(([tag, own]) => [tag, [...new Set(own.map(({ personName }) => personName))]]),
    ),
    offered: await offeredCover(
      context,
      found.byLift.map(({ lift, covered }) => ({ lift: byKey.get(lift)!, isWell: covered === "well" })),
    ),
    busy: busy && {
      name: busy.name,
      people: new Set(busy.wants.map(({ person }) => person)).size,
      byBar: barDemand({ ...question, wants: busy.wants }),
    },
  };
}

/** How far back and ahead classes count for the busy hour. */
const BUSY_DAYS = 28;

/** The class of these weeks with most people: the busy hour. Nothing for whoever may not see classes. */
async function busiestClass(context: Context) {
  if (!may(context, "class.edit")) return null;
  const { hall } = context;
  const near = await hall.rows(classes, {
    where: between(classes.heldOn, addDays(context.clock.today, -BUSY_DAYS), addDays(context.clock.today, BUSY_DAYS)),
    orderBy: [desc(classes.heldOn)],
    limit: 100,
  });
  if (near.length === 0) return null;
  const ids = near.map(({ id }) => id);
  const byClass = groupBy(
    await hall.rows(classEntries, { where: inArray(classEntries.classId, ids) }),
    (entry) => entry.classId,
  );
  const heads = (id: string) => new Set((byClass.get(id) ?? []).map(({ lifterId }) => lifterId)).size;
  const row = near.reduce((most, one) => (heads(one.id) > heads(most.id) ? one : most));
  return heads(row.id) === 0 ? null : { name: row.name, blocks: row.blocks, entries: byClass.get(row.id)! };
}
