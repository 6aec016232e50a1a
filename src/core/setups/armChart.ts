/** One mark of the angle, as measured on either arm, in degrees: 0 hangs along the trunk, positive turns forward. */
export interface ArmMark {
  name: string;
  leftDeg: number;
  rightDeg: number;
}

/** One pin of the distance, as measured on either arm, in mm from the axis to the middle of the sleeve. */
export interface ArmPin {
  name: string;
  leftMm: number;
  rightMm: number;
}

/** What was measured of one real adjustable yoke bar. It belongs to that bar and to no other of the same model. */
export interface ArmChart {
  kind: "arm";
  marks: readonly ArmMark[];
  pins: readonly ArmPin[];
  /** Whether the arms also lock half-way from each mark to the next. */
  hasHalfMarks: boolean;
  /** Whether a loaded bar must not be changed. */
  changesEmptyOnly: boolean;
  /** The part of the bar's mass that stays at the pad whatever the arms do, in kg. */
  padKg: number;
  /** How the handles stand at depth at a mark and pin, as it was seen at calibration; not worked out from the arm. */
  handlePoses?: readonly { mark: string; pin: string; text: string }[];
}

/** One way the arms can stand, both alike. */
export interface ArmSetting {
  mark: string;
  pin: string;
}

/** A setting with what it is in the trunk's frame, in degrees and mm. */
export interface PlacedSetting extends ArmSetting {
  angleDeg: number;
  distanceMm: number;
  forwardMm: number;
  dropMm: number;
}

const rad = (degrees: number) => (degrees * Math.PI) / 180;

/**
 * The load's place about the axis: forward = r·sin ψ, drop = r·cos ψ (handbook §9).
 *
 * @returns mm in the trunk's frame
 */
export function placeOf(angleDeg: number, distanceMm: number): { forwardMm: number; dropMm: number } {
  return { forwardMm: distanceMm * Math.sin(rad(angleDeg)), dropMm: distanceMm * Math.cos(rad(angleDeg)) };
}

const mean = (a: number, b: number) => (a + b) / 2;

/**
 * Every angle the arms lock at, in order of the marks: six marks are six, with half marks twelve.
 *
 * @returns names and degrees
 */
export function anglesOfMarks({ marks, hasHalfMarks }: ArmChart): { name: string; angleDeg: number }[] {
  const whole = marks.map(({ name, leftDeg, rightDeg }) => ({ name, angleDeg: mean(leftDeg, rightDeg) }));
  if (!hasHalfMarks || whole.length < 2) return whole;
  return whole.flatMap((mark, i) => {
    const next = whole[i + 1];
    // Beyond the last mark there is half a step more, as long as the step before it.
    const half = next ? (next.angleDeg - mark.angleDeg) / 2 : (mark.angleDeg - whole[i - 1]!.angleDeg) / 2;
    return [mark, { name: `${mark.name}½`, angleDeg: mark.angleDeg + half }];
  });
}

/**
 * Every setting of a bar: all marks at all pins.
 *
 * @returns each with its place in mm in the trunk's frame
 */
export function settingsOf(chart: ArmChart): PlacedSetting[] {
  const angles = anglesOfMarks(chart);
  return chart.pins.flatMap(({ name: pin, leftMm, rightMm }) => {
    const distanceMm = mean(leftMm, rightMm);
    return angles.map(({ name: mark, angleDeg }) => {
      const { forwardMm, dropMm } = placeOf(angleDeg, distanceMm);
      return { mark, pin, angleDeg, distanceMm, forwardMm, dropMm };
    });
  });
}

/**
 * A setting with its place; null when this bar has no such mark or pin.
 *
 * @returns the setting with its place in mm, or null
 */
export function findSetting(chart: ArmChart, { mark, pin }: ArmSetting): PlacedSetting | null {
  return settingsOf(chart).find((one) => one.mark === mark && one.pin === pin) ?? null;
}

/**
 * The setting whose load lies nearest a place in the trunk's frame; of equals the first.
 *
 * @returns the setting with its place in mm; null when there is none
 */
export function nearestSetting(
  settings: readonly PlacedSetting[],
  { forwardMm, dropMm }: { forwardMm: number; dropMm: number },
): PlacedSetting | null {
  let best: PlacedSetting | null = null;
  let least = Infinity;
  for (const setting of settings) {
    const far = Math.hypot(setting.forwardMm - forwardMm, setting.dropMm - dropMm);
    if (far < least - 1e-9) [best, least] = [setting, far];
  }
  return best;
}

/** From here on the arms of one bar count as unlike: an uneven load twists the lifter. Ours. */
export const SIDES_APART = { deg: 2, mm: 3 } as const;

/**
 * Where left and right of one bar do not agree, in words; nothing when they do.
 *
 * @returns a clause for each
 */
export function unlikeSides({ marks, pins }: Pick<ArmChart, "marks" | "pins">): string[] {
  return [
    ...marks.flatMap(({ name, leftDeg, rightDeg }) =>
      Math.abs(leftDeg - rightDeg) > SIDES_APART.deg
        ? [`mark ${name} is ${leftDeg}° on the left and ${rightDeg}° on the right`]
        : [],
    ),
    ...pins.flatMap(({ name, leftMm, rightMm }) =>
      Math.abs(leftMm - rightMm) > SIDES_APART.mm
        ? [`pin ${name} is ${leftMm} mm on the left and ${rightMm} mm on the right`]
        : [],
    ),
  ];
}
