import {
  frameAnswer,
  frameSettings,
  type FrameAnswer,
  type FrameChart,
  type FrameQuestion,
  type FrameSetting,
} from "./frame";
import { changeEffort, changeSteps } from "./frameWays";
import { MAX_STOPS, quickestOrder } from "./quickestOrder";

/** One height that a frame can be set to. */
export interface Rung {
  answer: FrameAnswer;
  gripHeightMm: number;
  /** From the rung below, or from how the bar stands; in order. */
  steps: string[];
  effort: number;
}

/** Heights nearer to one another than this are one. Ours. */
const ONE_HEIGHT_MM = 10;

/** Settings that can be lifted, by height, the lowest first. */
function heightsOf(chart: FrameChart, question: FrameQuestion, gripWidthMm: number | null): FrameAnswer[][] {
  const usable = frameSettings(chart)
    .map((setting) => frameAnswer(chart, setting, question))
    .filter(({ refusals }) => refusals.length === 0)
    .sort((a, b) => a.gripHeightMm - b.gripHeightMm);
  const groups: FrameAnswer[][] = [];
  for (const answer of usable) {
    const last = groups.at(-1);
    if (last && answer.gripHeightMm - last[0]!.gripHeightMm <= ONE_HEIGHT_MM) last.push(answer);
    else groups.push([answer]);
  }
  if (gripWidthMm === null) return groups;
  // As wide as wished wherever a height can be had so; otherwise as near to it as the height allows.
  return groups.map((group) => {
    const off = (answer: FrameAnswer) => Math.abs(answer.gripWidthMm - gripWidthMm);
    const least = Math.min(...group.map(off));
    return group.filter((answer) => off(answer) <= least + 0.5);
  });
}

const between = (from: FrameAnswer, to: FrameAnswer) => changeEffort(from.setting, to.setting);

/**
 * Every height a frame can be set to, from the lowest to the highest, each set so that going up rung by rung takes the
 * least work in all.
 *
 * @param gripWidthMm between the grips, where somebody wishes one
 * @param present how the bar stands; the first rung's steps begin there
 * @returns rungs; empty where nothing can be lifted
 */
export function frameLadder(
  chart: FrameChart,
  question: FrameQuestion,
  present: FrameSetting,
  gripWidthMm: number | null = null,
): Rung[] {
  const heights = heightsOf(chart, question, gripWidthMm);
  if (heights.length === 0) return [];
  const { ways } = quickestOrder(heights, null, between, true);
  return rungsOf(chart, ways, present);
}

const rungsOf = (chart: FrameChart, ways: readonly FrameAnswer[], present: FrameSetting): Rung[] =>
  ways.map((answer, i) => {
    const before = i === 0 ? present : ways[i - 1]!.setting;
    return {
      answer,
      gripHeightMm: answer.gripHeightMm,
      steps: changeSteps(chart, before, answer.setting),
      effort: changeEffort(before, answer.setting),
    };
  });

/**
 * A drop set across some heights of the ladder: from how the bar stands, in the order with the quickest changes, or in
 * the order asked for.
 *
 * @param heightsMm grip heights, each the nearest rung's; at most eight
 * @param order "quickest", or "down" and "up" for the highest or the lowest first
 * @returns rungs in the order in which they are lifted
 * @throws RangeError for more than eight heights in the quickest order
 */
export function frameDropSet(
  chart: FrameChart,
  question: FrameQuestion,
  present: FrameSetting,
  {
    heightsMm,
    order,
    gripWidthMm = null,
  }: { heightsMm: readonly number[]; order: DropOrder; gripWidthMm?: number | null },
): { rungs: Rung[]; effort: number } {
  const heights = heightsOf(chart, question, gripWidthMm);
  if (heights.length === 0 || heightsMm.length === 0) return { rungs: [], effort: 0 };
  const nearest = [
    ...new Set(
      heightsMm.map((wish) =>
        heights.reduce(
          (best, group, i) =>
            Math.abs(group[0]!.gripHeightMm - wish) < Math.abs(heights[best]![0]!.gripHeightMm - wish) ? i : best,
          0,
        ),
      ),
    ),
  ].sort((a, b) => (order === "down" ? b - a : a - b));
  const stops = nearest.map((i) => heights[i]!);
  const stands = frameAnswer(chart, present, question);
  const { ways, cost } = quickestOrder(stops, stands, between, order !== "quickest");
  return { rungs: rungsOf(chart, ways, present), effort: cost };
}

export const DROP_ORDERS = ["quickest", "down", "up"] as const;
export type DropOrder = (typeof DROP_ORDERS)[number];
export const DROP_ORDER_WORDS: Record<DropOrder, string> = {
  quickest: "with the fewest changes",
  down: "from the highest down",
  up: "from the lowest up",
};
export { MAX_STOPS as MAX_DROPS };
