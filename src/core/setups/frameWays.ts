import {
  frameAnswer,
  frameSettings,
  type FrameAnswer,
  type FrameChart,
  type FrameQuestion,
  type FrameSetting,
} from "./frame";

/** What somebody wants of a frame. */
export interface FrameWish {
  /** Grip above the floor, in mm. */
  gripHeightMm: number;
  /** Between the grips, in mm; null for any. */
  gripWidthMm: number | null;
}

export interface FrameWay {
  answer: FrameAnswer;
  /** Grip height minus the wish. */
  heightOffMm: number;
  widthOffMm: number | null;
  /** What has to be done from how the bar stands now, in order. */
  steps: string[];
  /** How much that is; 0 when nothing is to do. */
  effort: number;
}

/** Heights and widths within this of the nearest count as equally near. Ours. */
const EQUAL_WITHIN_MM = 10;

/** Turning a bar over means an empty sleeve and two people; a handle is out and in again at each side. Ours. */
const EFFORT = { turnOver: 6, handles: 2, aspect: 1, pins: 1, stands: 1 } as const;

/**
 * How much work it is from one setting to another.
 *
 * @returns a count of handles, pins and turns; 0 for none
 */
export function changeEffort(from: FrameSetting, to: FrameSetting): number {
  const aspects = (["handles", "direction", "hole"] as const).filter((key) => from[key] !== to[key]).length;
  return (
    (from.arms === to.arms ? 0 : EFFORT.turnOver) +
    (aspects > 0 ? EFFORT.handles + EFFORT.aspect * aspects : 0) +
    (aspects === 0 && from.pins !== to.pins ? EFFORT.pins : 0) +
    (from.stands === to.stands ? 0 : EFFORT.stands)
  );
}

/**
 * What to do from one setting to another, in the order in which no part slides: empty first, turn over, then one handle
 * after the other with the bar tilted so that the open hole looks up, pins last, both sides checked.
 *
 * @returns one sentence a step
 */
export function changeSteps(chart: FrameChart, from: FrameSetting, to: FrameSetting): string[] {
  const steps: string[] = [];
  const hasAspect = (["handles", "direction", "hole"] as const).some((key) => from[key] !== to[key]);
  const hasPins = from.pins !== to.pins;
  const turns = from.arms !== to.arms;
  if (!turns && !hasAspect && !hasPins && from.stands === to.stands) return steps;
  if (turns || chart.changesEmptyOnly) steps.push("Take all plates off, both sides evenly.");
  if (from.stands === "on" && (turns || to.stands === "off")) steps.push("Take the stands off.");
  if (turns)
    steps.push(`Two people: turn the bar over so that the arms point ${to.arms}, and walk in from the open side.`);
  if (hasAspect)
    for (const side of ["left", "right"]) {
      steps.push(
        `Tilt the bar so that the ${side} arm’s hole looks up, hold the handle, draw the ${side} pin: nothing slides.`,
        `${sentenceOf(to, side)}; pin in, pointing ${to.pins}.`,
      );
    }
  else if (hasPins) steps.push(`Turn both pins so that they point ${to.pins}.`);
  if (to.stands === "on" && (from.stands === "off" || turns)) steps.push("Put both stands on for loading.");
  steps.push(`Check: same hole both sides (${to.hole}), both pins through, both handles snug.`);
  return steps;
}

const sentenceOf = (to: FrameSetting, side: string) =>
  `Put the ${side} handle into hole ${to.hole}, grip ${to.handles}, pointing ${to.direction}`;

/**
 * Every way to a wished height and width that can be lifted: the nearest first, among equally near ones the easiest
 * change from how the bar stands. Ways that must not be used come apart, with their reasons.
 *
 * @returns ways with their heights and widths in mm, those that may be used and those that may not
 */
export function waysTo(
  chart: FrameChart,
  wish: FrameWish,
  question: FrameQuestion,
  present: FrameSetting,
): { ways: FrameWay[]; refused: FrameWay[] } {
  const all = frameSettings(chart).map((setting): FrameWay => {
    const kept = { ...setting, pins: present.pins };
    const tried = frameAnswer(chart, kept, question);
    // Pins that narrow the knees' room are turned out.
    const answer = tried.refusals.some(({ key }) => key === "knees") ? frameAnswer(chart, setting, question) : tried;
    return {
      answer,
      heightOffMm: answer.gripHeightMm - wish.gripHeightMm,
      widthOffMm: wish.gripWidthMm === null ? null : answer.gripWidthMm - wish.gripWidthMm,
      steps: changeSteps(chart, present, answer.setting),
      effort: changeEffort(present, answer.setting),
    };
  });
  const off = (value: number | null) => Math.floor(Math.abs(value ?? 0) / EQUAL_WITHIN_MM);
  const sorted = all.sort(
    (a, b) =>
      off(a.heightOffMm) - off(b.heightOffMm) ||
      off(a.widthOffMm) - off(b.widthOffMm) ||
      a.effort - b.effort ||
      Math.abs(a.heightOffMm) - Math.abs(b.heightOffMm),
  );
  return {
    ways: sorted.filter(({ answer }) => answer.refusals.length === 0),
    refused: sorted.filter(({ answer }) => answer.refusals.length > 0),
  };
}
