import "server-only";
import { type SQL, and, asc, desc, eq, inArray, lte, ne, sql } from "drizzle-orm";
import { cache } from "react";
import type { Bar, BarState, Finish } from "@/core/bars/bar";
import { FAMILY_KEYS, type FamilyKey } from "@/core/bars/families";
import { QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import type { WallQuery, WallSort } from "@/core/bars/wallQuery";
import { barQuantities, bars, carePlan, places } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { openFindings } from "@/server/care/findings";
import { careTasksById, placeNames } from "@/server/kit";
import { withQuantities } from "./bars";

/** A bar on the wall with the most urgent care that is due, if any. */
export interface WallBar {
  bar: Bar;
  place: string | null;
  due: { taskName: string; dueOn: string } | null;
  /** What was found wrong and is not resolved. */
  findings: readonly string[];
}

/**
 * Some of the bars that a query leaves, in its order, and how many it leaves in all: `count` of them, or when there
 * are more than that, `ofMany`.
 */
export async function wallBars(
  context: Context,
  query: WallQuery,
  { from = 0, count, ofMany = count }: { from?: number; count: number; ofMany?: number },
): Promise<{ total: number; items: WallBar[] }> {
  const { hall } = context;
  const where = whereOf(context, query);
  const [[counted], found] = await Promise.all([
    hall.summary(bars, { n: sql<number>`count(*)::int` }, { where }),
    hall.rows(bars, { where, orderBy: orderOf(query), offset: from, limit: count }),
  ]);
  const total = counted!.n;
  const rows = total > count ? found.slice(0, ofMany) : found;
  const [listed, openOnes, due] = await Promise.all([
    withQuantities(hall, rows),
    openFindings(context),
    firstDue(
      context,
      rows.map(({ id }) => id),
    ),
  ]);
  return {
    total,
    items: listed.map(({ id, bar, place }) => ({
      ...{ bar, place },
      due: due.get(id) ?? null,
      findings: openOnes.get(bar.tag) ?? [],
    })),
  };
}

async function firstDue(context: Context, barIds: string[]) {
  const first = new Map<string, { taskName: string; dueOn: string }>();
  if (barIds.length === 0) return first;
  const { hall } = context;
  const [plan, tasks] = await Promise.all([
    hall.rows(carePlan, {
      where: and(inArray(carePlan.barId, barIds), lte(carePlan.dueOn, context.clock.today)),
      orderBy: [asc(carePlan.dueOn), asc(carePlan.taskId)],
    }),
    careTasksById(hall),
  ]);
  for (const { barId, taskId, dueOn } of plan)
    if (!first.has(barId)) first.set(barId, { taskName: tasks.get(taskId)!.name, dueOn });
  return first;
}

export interface WallFacts {
  total: number;
  quarantined: number;
  families: FamilyKey[];
  states: BarState[];
  finishes: Finish[];
  places: string[];
  /** Least and greatest effective value of every quantity that some bar has. */
  spans: Partial<Record<QuantityKind, { least: number; greatest: number }>>;
}

/** What there is to filter by: every family, state, place and finish on the wall, and how far the numbers reach. */
export const wallFacts = cache(async (context: Context): Promise<WallFacts> => {
  const { hall } = context;
  const [groups, spans, names] = await Promise.all([
    hall.summary(
      bars,
      { family: bars.family, state: bars.state, finish: bars.finish, n: sql<number>`count(*)::int` },
      { groupBy: [bars.family, bars.state, bars.finish] },
    ),
    hall.spans(barQuantities, barQuantities.effective, barQuantities.kind, QUANTITY_KINDS),
    placeNames(hall),
  ]);
  const hung = groups.filter(({ state }) => state !== "retired");
  const sum = (of: typeof groups) => of.reduce((total, { n }) => total + n, 0);
  return {
    total: sum(hung),
    quarantined: sum(hung.filter(({ state }) => state === "quarantined")),
    families: FAMILY_KEYS.filter((key) => hung.some(({ family }) => family === key)),
    states: [...new Set(groups.map(({ state }) => state))] as BarState[],
    finishes: [...new Set(hung.flatMap(({ finish }) => finish ?? []))].sort(),
    places: names,
    spans: Object.fromEntries(
      QUANTITY_KINDS.flatMap((kind) => {
        const span = spans.get(kind);
        return span ? [[kind, span]] : [];
      }),
    ),
  };
});

function whereOf(context: Context, { state, family, finish, place, text, ranges }: WallQuery): SQL | undefined {
  // Who may not know the seller does not find bars by the seller's name.
  const said = may(context, "price.read")
    ? sql`${bars.said}`
    : sql`replace(${bars.said}, lower(coalesce(${bars.supplier}, '')), '')`;
  return and(
    // Retired bars hang nowhere; they show when somebody asks for them.
    state === "" ? ne(bars.state, "retired") : undefined,
    state === "usable" ? inArray(bars.state, ["in-service", "watch"]) : undefined,
    state !== "" && state !== "usable" ? eq(bars.state, state) : undefined,
    family === "" ? undefined : eq(bars.family, family),
    finish === "" ? undefined : eq(bars.finish, finish),
    place === "" ? undefined : sql`${bars.placeId} in (select id from ${places} where ${places.name} = ${place})`,
    ...Object.entries(ranges).map(([kind, { from, to }]) => {
      const value = valueOf(kind as QuantityKind);
      return and(
        from === null ? undefined : sql`${value} >= ${from}::float8`,
        to === null ? undefined : sql`${value} <= ${to}::float8`,
      );
    }),
    ...text
      .split(/\s+/)
      .filter(Boolean)
      .map((word) => {
        const pattern = `%${word.toLowerCase().replace(/[\\%_]/g, "\\$&")}%`;
        return sql`(${said} like ${pattern} or ${bars.placeId} in (select id from ${places} where lower(${places.name}) like ${pattern}))`;
      }),
  );
}

/** Effective values that have a column of their own, with an index. */
const COLUMNS = {
  mass: bars.massKg,
  shaftDiameter: bars.shaftDiameterMm,
  shaftLength: bars.shaftLengthMm,
  seatToSeat: bars.seatToSeatMm,
} as const satisfies Partial<Record<QuantityKind, unknown>>;

function valueOf(kind: QuantityKind): SQL {
  return kind in COLUMNS
    ? sql`${COLUMNS[kind as keyof typeof COLUMNS]}`
    : sql`(select ${barQuantities.effective} from ${barQuantities} where ${barQuantities.barId} = ${bars.id} and ${barQuantities.kind} = ${kind})`;
}

function orderOf({ sort, isDescending }: WallQuery): SQL[] {
  const way = isDescending ? desc : asc;
  const key = keyOf(sort);
  // Unknown values come last, whichever way.
  return [...(key ? [sql`${way(key)} nulls last`] : []), sort === "tag" ? way(bars.tag) : asc(bars.tag), asc(bars.id)];
}

function keyOf(sort: WallSort): SQL | null {
  switch (sort) {
    case "tag":
      return null;
    case "name":
      return sql`${bars.name}`;
    case "state":
      return sql`${bars.state}`;
    case "place":
      return sql`(select ${places.roundOrder} from ${places} where ${places.id} = ${bars.placeId})`;
    case "family":
      return sql`array_position(array[${sql.join(
        FAMILY_KEYS.map((family) => sql.raw(`'${family}'`)),
        sql`, `,
      )}]::text[], ${bars.family})`;
    default:
      return valueOf(sort);
  }
}
