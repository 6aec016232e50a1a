import "server-only";
import { gapToStated } from "@/core/bars/effectiveQuantity";
import type { StorageConflict } from "@/core/setups/storage";
import { listed, sentence, signed, trimmed } from "@/core/units/format";
import { type ListedBar } from "@/server/bars";
import { type sweatWarning } from "@/server/care/air";
import { type NeedyBar, type TaskDue } from "@/server/care/due";
import { type Finding } from "@/server/care/findings";
import { type TodayItem, days } from "./todayItem";

type Wall = readonly ListedBar[];

/** Steel below the dew point in the last hours: bars are wet where hands go. */
export function sweating(sweat: Awaited<ReturnType<typeof sweatWarning>>): TodayItem[] {
  if (!sweat) return [];
  return [
    {
      id: "sweat",
      weight: "now",
      title: `The bars sweated at ${sweat.sensor}: wipe them before anyone chalks up.`,
      because: `The steel was at ${trimmed(sweat.steelC, 1)} °C, below the dew point of ${trimmed(sweat.dewPointC, 1)} °C.`,
      action: { label: "See the air", href: "/care/air" },
    },
  ];
}

/** What was found wrong and waits. */
export function found(findings: readonly Finding[]): TodayItem[] {
  if (findings.length === 0) return [];
  const [first] = findings;
  const tags = [...new Set(findings.map(({ tag }) => tag))];
  return [
    {
      id: "findings",
      weight: "now",
      title: `${first!.tag}: ${first!.note}. Not resolved.`,
      because:
        tags.length === 1
          ? "Shown wherever the bar is named until someone resolves it."
          : `Also on ${listed(tags.filter((tag) => tag !== first!.tag))}.`,
      action: { label: "Resolve", href: "/care" },
    },
  ];
}

export function outOfUse(wall: Wall): TodayItem[] {
  return wall.map(({ bar }) => ({
    id: `quarantine-${bar.tag}`,
    weight: "danger",
    title: `${bar.tag} ${bar.name} is quarantined: ${bar.stateReason ?? "no reason kept"}.`,
    because: "Nobody lifts with it. Repair and inspect it to return it to service, or retire it.",
    action: { label: "Decide", href: `/bars/${bar.tag}#state` },
  }));
}

/** Bars that hang so that somebody can be hurt, or lack a part. */
export function badlyHung(dangers: readonly StorageConflict[]): TodayItem[] {
  return dangers.map(({ key, tags, text, place }) => ({
    id: `storage-${key}-${tags.join("-")}`,
    weight: "danger",
    title: text,
    because: key === "parts" ? "Find them before the bar is set up." : `${place ?? "It"} is by a walkway.`,
    action: { label: "Where bars hang", href: "/setups/storage" },
  }));
}

/** The bar that wants care most; Care says the same. */
export function neediest([first, ...others]: readonly NeedyBar[]): TodayItem[] {
  if (!first) return [];
  return [
    {
      id: "neediest",
      weight: "now",
      title: `${first.tag} ${first.barName} needs care most: ${first.what[0]}.`,
      because: [
        ...(first.drivers.length > 0 ? [`${sentence(listed(first.drivers))}.`] : []),
        ...(others.length > 0 ? [`Then ${listed(others.map(({ tag }) => tag))}.`] : []),
      ].join(" "),
      action: { label: "Open it", href: `/care?bar=${encodeURIComponent(first.tag)}` },
    },
  ];
}

/** Care that is late, one sentence a task, the longest overdue first. */
export function careItems(due: readonly TaskDue[]): TodayItem[] {
  return due.map(({ task, taskName, bars, minutes, first }) => {
    const worst = first[0]!;
    const tags = first.map(({ tag }) => tag);
    const listedTags = listed(bars > tags.length ? [...tags, `${bars - tags.length} more`] : tags);
    return {
      id: `care-${task}`,
      weight: worst.overdueDays > 0 ? "now" : "soon",
      title: `${sentence(taskName)}: ${bars === 1 ? `${worst.tag} ${worst.barName}` : `${bars} bars`}, about ${Math.ceil(minutes)} min.`,
      because:
        worst.overdueDays > 0
          ? `${listedTags}; ${worst.tag} is ${days(worst.overdueDays)} late${worst.drivers.length > 0 ? `: ${listed(worst.drivers)}` : ""}.`
          : `${listedTags}, due today.`,
      action: { label: "Open the list", href: `/care?task=${task}` },
    };
  });
}

export function underWatch(wall: Wall): TodayItem[] {
  return wall.map(({ bar }) => ({
    id: `watch-${bar.tag}`,
    weight: "soon",
    title: `${bar.tag} ${bar.name} is under watch: ${bar.stateReason ?? "no reason kept"}.`,
    because: "Check it before the next session.",
    action: { label: "Look at it", href: `/bars/${bar.tag}#state` },
  }));
}

/** Bars whose measured mass is off from what the seller says by more than the tolerance: every sum is off by that. */
export function heavyOrLight(wall: Wall): TodayItem[] {
  const off = wall.flatMap(({ bar }) => {
    const gap = gapToStated(bar.quantities.mass ?? null);
    return gap === null ? [] : [{ bar, gap }];
  });
  if (off.length === 0) return [];
  const worst = off.reduce((a, b) => (Math.abs(b.gap) > Math.abs(a.gap) ? b : a));
  return [
    {
      id: "mass-gaps",
      weight: "soon",
      title: `${off.length} ${off.length === 1 ? "bar does" : "bars do"} not weigh what the end cap says: ${listed(off.map(({ bar }) => bar.tag))}.`,
      because: `${worst.bar.tag} is off by ${signed(worst.gap, 2)} kg, and so is every load worked out from its label. Garrison counts the measured mass.`,
      action: { label: `See ${worst.bar.tag}`, href: `/bars/${worst.bar.tag}` },
    },
  ];
}

export function neverWeighed(wall: Wall): TodayItem[] {
  if (wall.length === 0) return [];
  const first = wall[0]!.bar;
  return [
    {
      id: "never-weighed",
      weight: "soon",
      title: `Never weighed: ${listed(wall.map(({ bar }) => bar.tag))}.`,
      because: `${first.quantities.mass ? `The seller says ${trimmed(first.quantities.mass.value, 2)} kg; a` : "A"} scale tells in two minutes.`,
      action: { label: `Weigh ${first.tag}`, href: `/bars/measure?bars=${first.tag}` },
    },
  ];
}
