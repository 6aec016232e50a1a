import { type FrameChart, type FrameQuestion, type FrameSetting, STANDARD_HEIGHT_MM } from "@/core/setups/frame";
import { DROP_ORDERS, type DropOrder, frameDropSet, frameLadder, MAX_DROPS } from "@/core/setups/frameLadder";
import { waysTo } from "@/core/setups/frameWays";
import {
  frameSettingOf,
  settingOfFrame,
  settingWords,
  startingSetting,
  type Setting,
  type SetupOption,
} from "@/core/setups/setupOptions";
import type { SearchTexts, SetupState } from "./setupState";

/** What a frame is asked: its chart, how it is set now, and what the page's address wishes. */
interface Asked {
  chart: FrameChart;
  options: readonly SetupOption[];
  /** As it was last recorded; null where nobody did. */
  present: Setting | null;
  state: SetupState;
  search: SearchTexts;
  barKg: number;
  question: Omit<FrameQuestion, "barKg" | "perSideKg">;
}

export const dropOrderOf = (text: string | undefined): DropOrder =>
  DROP_ORDERS.find((one) => one === text) ?? "quickest";

/** The ways to the wished height, and every height with the drop set that the address asks for. */
export function frameView({ chart, options, present, state, search, barKg, question }: Asked) {
  const perSideKg = Math.max(0, state.loadKg - barKg) / 2;
  const loaded = { ...question, barKg, perSideKg };
  const now = frameSettingOf(present ?? startingSetting(options));
  const wish = { gripHeightMm: state.wishHeightMm ?? STANDARD_HEIGHT_MM, gripWidthMm: state.wishWidthMm };
  const rungs = frameLadder(chart, loaded, now, state.wishWidthMm);
  const known = rungs.map(({ gripHeightMm }) => Math.round(gripHeightMm));
  const heights = [...new Set((search.drop ?? "").split(",").map(Number))]
    .filter((height) => known.includes(height))
    .slice(0, MAX_DROPS);
  const order = dropOrderOf(search.order);
  const asked = { heightsMm: heights, order, gripWidthMm: state.wishWidthMm };
  return {
    ways: waysTo(chart, wish, loaded, now),
    rungs,
    drop: heights.length === 0 ? null : { heights, order, ...frameDropSet(chart, loaded, now, asked) },
  };
}

/** Where the hand is along the handle is not part of how a frame is set. */
export const withoutHand = (options: readonly SetupOption[], setting: FrameSetting) =>
  settingOfFrame(options, { ...setting, handMm: null });

/** How a frame is set, in words: its arms, holes and handles. */
export function frameSettingWords(options: readonly SetupOption[], setting: FrameSetting): string {
  return settingWords(
    options.filter(({ key }) => key !== "hand" && key !== "stands"),
    withoutHand(options, setting),
  );
}
