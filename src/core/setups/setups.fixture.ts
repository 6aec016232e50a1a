import { MENS_BAR, stated, testBar } from "../bars/testBar.fixture";
import type { ArmChart } from "./armChart";
import type { FrameChart, FrameQuestion, FrameSetting } from "./frame";
import type { SetupBar } from "./setupOptions";

/** Six marks and four pins, both sides alike: 24 settings. */
export const ARM_CHART: ArmChart = {
  kind: "arm",
  marks: [-75, -35, 0, 25, 50, 80].map((deg, i) => ({ name: String(i + 1), leftDeg: deg, rightDeg: deg })),
  pins: [60, 120, 180, 280].map((mm, i) => ({ name: "ABCD"[i]!, leftMm: mm, rightMm: mm })),
  hasHalfMarks: false,
  changesEmptyOnly: true,
  padKg: 8,
};

export const FRAME_CHART: FrameChart = {
  kind: "frame",
  holes: [
    { name: "1", gripWidthMm: 560 },
    { name: "2", gripWidthMm: 610 },
    { name: "3", gripWidthMm: 660 },
  ],
  armOffsetMm: 100,
  mountAheadUpMm: -120,
  mountAheadDownMm: -120,
  handleOffsetMm: 50,
  gripFromMm: 15,
  gripToMm: 205,
  handlesTurn: true,
  handleKg: 1.2,
  frameAheadMm: -60,
  frameAboveMm: 30,
  lowestUpMm: 20,
  lowestDownMm: 120,
  standMm: 300,
  pinMm: 40,
  insideMm: 600,
  changesEmptyOnly: false,
};

export const FRAME_SETTING: FrameSetting = {
  arms: "up",
  handles: "up",
  direction: "forward",
  hole: "1",
  pins: "out",
  stands: "off",
  handMm: null,
};

export const FRAME_QUESTION: FrameQuestion = {
  barKg: 27.3,
  perSideKg: 50,
  plateDiameterMm: 450,
  kneesMm: null,
  rackMm: null,
};

export const armBar = (more: Partial<SetupBar> = {}): SetupBar => ({
  ...testBar({ ...MENS_BAR, mass: stated(24), handleLength: stated(180) }, { tag: "A1", family: "adjustable-yoke" }),
  ...more,
});

/** The angle and distance of a place about the axis: `placeOf` the other way round. */
export function anglesOf({ forwardMm, dropMm }: { forwardMm: number; dropMm: number }) {
  return { angleDeg: (Math.atan2(forwardMm, dropMm) * 180) / Math.PI, distanceMm: Math.hypot(forwardMm, dropMm) };
}
