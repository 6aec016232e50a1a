import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { flaggedGaps } from "@/core/bars/flaggedGaps";
import { listed, sentence, signed, trimmed } from "@/core/units/format";
import { barsOnTheWall } from "./bars";
import { careDueOn, type DueItem } from "./care";
import type { Who } from "./who";

/** One sentence of the Today page with its one button. */
export interface TodayItem {
  id: string;
  weight: "danger" | "now" | "soon";
  title: string;
  because: string;
  action: { label: string; href: string };
}

/** What needs doing today, most urgent first; empty when there is nothing. */
export async function todayItems(who: Who): Promise<TodayItem[]> {
  const [wall, due] = [await barsOnTheWall(who), await careDueOn(who, who.today)];
  return [...outOfUse(wall), ...careItems(due), ...underWatch(wall), ...heavyOrLight(wall), ...neverWeighed(wall)];
}

type Wall = Awaited<ReturnType<typeof barsOnTheWall>>;

function outOfUse(wall: Wall): TodayItem[] {
  return wall
    .filter(({ bar }) => bar.state === "quarantined")
    .map(({ bar }) => ({
      id: `quarantine-${bar.tag}`,
      weight: "danger",
      title: `${bar.tag} ${bar.name} is quarantined: ${bar.stateReason ?? "no reason kept"}.`,
      because: "Nobody may lift with it. Repair or retire it, or return it to service with a reason.",
      action: { label: "Decide", href: `/bars/${bar.tag}#state` },
    }));
}

/** Care that is late, one sentence a task, the longest overdue first. */
function careItems(due: DueItem[]): TodayItem[] {
  const byTask = groupBy(due, ({ task }) => task);
  return [...byTask.values()]
    .map((items) => ({ items, late: items.filter((item) => item.overdueDays > 0) }))
    .sort((a, b) => (b.late[0]?.overdueDays ?? 0) - (a.late[0]?.overdueDays ?? 0))
    .map(({ items, late }) => {
      const worst = items[0]!;
      const minutes = items.reduce((sum, item) => sum + item.minutes, 0);
      const tags = items.slice(0, 4).map(({ tag }) => tag);
      const more = items.length - tags.length;
      return {
        id: `care-${worst.task}`,
        weight: late.length > 0 ? "now" : "soon",
        title: `${sentence(worst.taskName)}: ${items.length === 1 ? `${worst.tag} ${worst.barName}` : `${items.length} bars`}, about ${Math.ceil(minutes)} min.`,
        because:
          worst.overdueDays > 0
            ? `${listed(more > 0 ? [...tags, `${more} more`] : tags)}; ${worst.tag} is ${days(worst.overdueDays)} late (${worst.reason}).`
            : `${listed(more > 0 ? [...tags, `${more} more`] : tags)}, due today.`,
        action: { label: "Open the list", href: `/care?task=${worst.task}` },
      };
    });
}

function underWatch(wall: Wall): TodayItem[] {
  return wall
    .filter(({ bar }) => bar.state === "watch")
    .map(({ bar }) => ({
      id: `watch-${bar.tag}`,
      weight: "soon",
      title: `${bar.tag} ${bar.name} is under watch: ${bar.stateReason ?? "no reason kept"}.`,
      because: "Look at it before the next session.",
      action: { label: "Look at it", href: `/bars/${bar.tag}#state` },
    }));
}

/** Bars whose measured mass is off from what the seller says by more than the tolerance: every sum is off by that. */
function heavyOrLight(wall: Wall): TodayItem[] {
  const off = wall.flatMap(({ bar }) => {
    const gap = flaggedGaps(bar).find(({ kind }) => kind === "mass")?.gap;
    return gap === undefined ? [] : [{ bar, gap }];
  });
  if (off.length === 0) return [];
  const worst = off.reduce((a, b) => (Math.abs(b.gap) > Math.abs(a.gap) ? b : a));
  return [
    {
      id: "mass-gaps",
      weight: "soon",
      title: `${off.length} ${off.length === 1 ? "bar weighs" : "bars weigh"} something else than the end cap says: ${listed(off.map(({ bar }) => bar.tag))}.`,
      because: `${worst.bar.tag} is off by ${signed(worst.gap, 2)} kg, and so is every load worked out from its label. Garrison counts the measured mass.`,
      action: { label: `See ${worst.bar.tag}`, href: `/bars/${worst.bar.tag}` },
    },
  ];
}

function neverWeighed(wall: Wall): TodayItem[] {
  const unknown = wall.filter(({ bar }) => bar.state !== "on-order" && bar.quantities.mass?.source !== "measured");
  if (unknown.length === 0) return [];
  const first = unknown[0]!.bar;
  return [
    {
      id: "never-weighed",
      weight: "soon",
      title: `Never weighed: ${listed(unknown.map(({ bar }) => bar.tag))}.`,
      because: `${first.quantities.mass ? `The seller says ${trimmed(first.quantities.mass.value, 2)} kg; a` : "A"} scale tells in two minutes.`,
      action: { label: `Weigh ${first.tag}`, href: `/bars/${first.tag}#measure` },
    },
  ];
}

function days(count: number): string {
  return count === 1 ? "1 day" : `${count} days`;
}
