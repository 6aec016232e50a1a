import { drawBar } from "@/core/drawing/drawBar";
import type { Drawing } from "@/core/drawing/shapes";
import type { Verdict } from "@/core/matching/verdict";
import type { ClassDetails } from "@/server/classes";

/** One lift of a person on the board. */
export interface BoardPerson {
  id: string;
  lifter: string;
  lift: string;
  load: string;
  verdict: Verdict | null;
  /** What the class cost them, in words; empty when nothing. */
  tradeOff: string;
  /** Where J-cups and safeties go. */
  setting: string | null;
  reasons: string[];
  /** Why it may not be lifted so any more; empty while it holds. */
  broken: string[];
  /** Plates of one side, inside first. */
  perSide: readonly string[];
}

/** A station at an hour: its bar and who shares it. */
export interface BoardCell {
  tag: string | null;
  barName: string;
  drawing: Drawing | null;
  people: BoardPerson[];
}

export interface BoardRow {
  station: string;
  name: string;
  capacity: number;
  /** One for each block. */
  cells: BoardCell[];
}

/** A class as a board of stations × blocks, and whoever has no place. */
export interface Board {
  rows: BoardRow[];
  unassigned: BoardPerson[];
}

/**
 * The board of a class.
 *
 * @param stations those of the class, in the order they are read.
 * @param plates of one side by entry.
 */
export function boardOf(
  { row, items, plan, reasons, settings, bars, breaks }: ClassDetails,
  stations: readonly { key: string; name: string }[],
  plates: ReadonlyMap<string, readonly string[]>,
): Board {
  const barOf = new Map(bars.map((bar) => [bar.tag, bar]));
  const personOf = (id: string): BoardPerson[] => {
    const item = items.find((one) => one.id === id);
    const placed = plan?.entries.find((one) => one.id === id);
    if (!item) return [];
    return [
      {
        ...{ id, lifter: item.lifterName, lift: item.liftName, load: item.load },
        verdict: placed?.verdict ?? null,
        tradeOff: placed?.tradeOff ?? "",
        setting: settings.get(id) ?? null,
        reasons: (reasons.get(id) ?? []).slice(0, 5).map(({ text }) => text),
        broken: breaks.get(id) ?? [],
        perSide: plates.get(id) ?? [],
      },
    ];
  };
  const cellOf = (station: string, block: number): BoardCell => {
    const here = (plan?.entries ?? []).filter((one) => one.station === station && one.block === block);
    const bar = barOf.get(here[0]?.tag ?? "");
    return {
      tag: here[0]?.tag ?? null,
      barName: bar?.name ?? "",
      drawing: bar ? drawBar(bar) : null,
      people: here.flatMap(({ id }) => personOf(id)),
    };
  };
  return {
    rows: stations.map(({ key, name }) => ({
      ...{ station: key, name, capacity: row.capacities[key] ?? 0 },
      cells: Array.from({ length: row.blocks }, (_, block) => cellOf(key, block)),
    })),
    unassigned: (plan?.entries ?? []).filter(({ block }) => block === null).flatMap(({ id }) => personOf(id)),
  };
}
