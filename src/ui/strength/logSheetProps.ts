import type { LifterLog } from "@/server/logbook";
import type { FormAction } from "../kit/formState";
import type { BarChoice } from "./SetFields";

/** A load that is expected, and what the plates make of it. */
export interface ShownLoad {
  tag: string;
  name: string;
  loadKg: number;
  /** What the plates can do, at or below. */
  onBarKg: number | null;
  lowKg: number;
  highKg: number;
  isFirst: boolean;
  isLearning: boolean;
}

/** What the sheet and its parts are given. */
export interface LogSheetProps {
  lifter: { key: string; name: string };
  log: LifterLog;
  lifts: readonly { key: string; name: string }[];
  /** Lift and variant that are looked at. */
  lift: { key: string; name: string; variant: string };
  bars: readonly BarChoice[];
  ask: { tag: string; repetitions: number; reserve: number };
  expected: readonly ShownLoad[];
  /** Every set is listed, not only the latest. */
  isWhole: boolean;
  today: string;
  /** What the latest change was, where it can be undone. */
  undo: { id: string; words: string } | null;
  actions: { add: FormAction; edit: FormAction; remove: FormAction; undo: FormAction; import: FormAction };
}
