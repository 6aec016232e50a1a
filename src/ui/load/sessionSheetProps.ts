import type { Bar } from "@/core/bars/bar";
import type { SessionRun } from "@/server/loading";
import type { SessionAsk } from "./sessionAsk";
import type { RunningSession } from "./RunningNow";
import type { FormAction } from "../kit/formState";

/** What the sheet and its parts are given. */
export interface SessionSheetProps {
  bars: readonly { tag: string; name: string }[];
  bar: Bar;
  clamps: readonly { key: string; name: string }[];
  clampKey: string;
  stations: readonly { key: string; name: string }[];
  lifts: readonly { key: string; name: string }[];
  ask: SessionAsk;
  run: SessionRun | null;
  problems: readonly string[];
  mayRun: boolean;
  running: readonly RunningSession[];
  /** The address as it was asked, to begin just this. */
  search: Record<string, string | undefined>;
  beginAction: FormAction;
  endAction: FormAction;
}
