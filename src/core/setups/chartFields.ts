import type { FieldDef } from "../bars/barFields";
import { fieldTexts, readFields } from "../bars/fieldText";
import type { FamilyKey } from "../bars/families";
import type { Problem } from "../problem";
import { unlikeSides, type ArmChart, type ArmMark, type ArmPin } from "./armChart";
import type { FrameChart, FrameHole } from "./frame";

export type SetupChart = ArmChart | FrameChart;

const length = (label: string, range: readonly [number, number], more: Partial<FieldDef> = {}) =>
  ({ kind: "number", unit: "mm", range, group: "geometry", label, ...more }) as FieldDef;
const yesNo = (label: string, hint?: string) =>
  ({ kind: "yes-no", group: "geometry", label, isRequired: true, ...(hint ? { hint } : {}) }) as FieldDef;
const EMPTY_ONLY = yesNo("may only be changed empty", "as its maker says; if nobody knows, yes");

/** What is kept of an adjustable yoke bar's settings (handbook §9). Marks and pins are lines: name = left right. */
export const ARM_CHART_FIELDS: Record<string, FieldDef> = {
  marks: {
    kind: "list",
    most: 60,
    mostEach: 60,
    group: "geometry",
    label: "marks of the angle",
    isRequired: true,
    hint: "name = degrees on the left, on the right: 3 = 42.1 42.3",
  },
  pins: {
    kind: "list",
    most: 10,
    mostEach: 60,
    group: "geometry",
    label: "pins of the distance",
    isRequired: true,
    hint: "name = mm on the left, on the right: B = 150 150.5",
  },
  handlePoses: {
    kind: "list",
    most: 60,
    mostEach: 120,
    group: "geometry",
    label: "handles at depth, as seen",
    hint: "mark / pin = what they do: 3 / B = clear of the thighs",
  },
  hasHalfMarks: yesNo("locks half-way between marks"),
  changesEmptyOnly: EMPTY_ONLY,
  padKg: {
    kind: "number",
    unit: "kg",
    range: [0, 60],
    group: "geometry",
    label: "of its mass, at the pad",
    isRequired: true,
    hint: "what does not turn with the arms",
  },
};

/** What is kept of a frame bar's settings (handbook §9). Lengths from the axis of the sleeves, arms up, x forward. */
export const FRAME_CHART_FIELDS: Record<string, FieldDef> = {
  holes: {
    kind: "list",
    most: 20,
    mostEach: 60,
    group: "geometry",
    label: "holes of the handles",
    isRequired: true,
    hint: "name = mm between the two grips: 2 = 600; of a second row, how far above too: B2 = 600 / 60",
  },
  armOffsetMm: length("mounts above the axis, arms up", [0, 500], { isRequired: true }),
  mountAheadUpMm: length("mounts ahead of the axis, arms up", [-600, 600], {
    isRequired: true,
    hint: "negative: behind it",
  }),
  mountAheadDownMm: length("the same, arms down", [-600, 600], { isRequired: true }),
  handleOffsetMm: length("grip above its mount, handle up", [0, 300], { isRequired: true }),
  underslungMm: length("grip below its mount, handle down", [0, 400], { hint: "where it is not as far as above" }),
  gripRiseDeg: {
    kind: "number",
    unit: "",
    range: [-45, 45],
    group: "geometry",
    label: "grip rises from its mount, degrees",
    hint: "of angled handles",
  },
  gripFromMm: length("grip begins, from the mount", [-400, 400], { isRequired: true }),
  gripToMm: length("grip ends, from the mount", [-400, 600], { isRequired: true }),
  handlesTurn: yesNo("handles can point back, too"),
  handleKg: {
    kind: "number",
    unit: "kg",
    range: [0, 20],
    group: "geometry",
    label: "mass of a handle",
    isRequired: true,
  },
  frameAheadMm: length("mass centre of the frame, ahead", [-600, 600], {
    isRequired: true,
    hint: "without handles: balance it on an edge",
  }),
  frameAboveMm: length("mass centre of the frame, above", [-300, 300], { isRequired: true }),
  lowestUpMm: length("reaches below the axis, arms up", [0, 500], { isRequired: true }),
  lowestDownMm: length("reaches below the axis, arms down", [0, 500], { isRequired: true }),
  standMm: length("axis above the floor on its stands", [0, 800], { isRequired: true, hint: "0 without stands" }),
  pinMm: length("pins stand into the frame", [0, 200], { isRequired: true }),
  insideMm: length("room at the knees", [200, 1500]),
  changesEmptyOnly: EMPTY_ONLY,
};

/**
 * Which chart a family has; null for bars that do not adjust by marks or holes.
 *
 * @returns "arm", "frame" or null
 */
export function chartKindOf(family: FamilyKey): SetupChart["kind"] | null {
  if (family === "adjustable-yoke") return "arm";
  return family === "open-frame" || family === "closed-frame" ? "frame" : null;
}

/**
 * What is measured of a bar whose chart is of a kind.
 *
 * @returns fields by key
 */
export const chartFieldsOf = (kind: SetupChart["kind"]) => (kind === "arm" ? ARM_CHART_FIELDS : FRAME_CHART_FIELDS);

const LINE = /^(.{1,20}?)\s*=\s*(.+)$/;
const NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/;

/** Lines "name = number …" with one to so many numbers each; one number counts for all. */
function readLines(path: string, lines: readonly string[], [least, most]: readonly [number, number], wanted: number) {
  const problems: Problem[] = [];
  const rows: { name: string; values: number[] }[] = [];
  lines.forEach((line, i) => {
    const refuse = (message: string) => problems.push({ path, message: `line ${i + 1}: ${message}` });
    const [, name, rest] = LINE.exec(line) ?? [];
    const words = (rest ?? "")
      .replace(/(°|mm|deg)/g, " ")
      .split(/[\s/]+/)
      .filter(Boolean);
    const values = words.map((word) => (NUMBER.test(word) ? Number(word.replace(",", ".")) : NaN));
    if (!name || values.length < 1 || values.length > wanted || values.some(Number.isNaN))
      refuse(`“${line.slice(0, 30)}” is no “name = ${wanted === 1 ? "number" : "left right"}”`);
    else if (values.some((value) => value < least || value > most)) refuse(`must lie between ${least} and ${most}`);
    else if (rows.some((row) => row.name === name)) refuse(`“${name}” is there twice`);
    else rows.push({ name, values: values.length < wanted ? [values[0]!, values[0]!] : values });
  });
  return { rows, problems };
}

const RAISE_MM = 300;

/** Lines "name = mm" of the first row of holes, "name = mm / mm above it" of a second. */
function readHoles(lines: readonly string[]): { rows: FrameHole[]; problems: Problem[] } {
  const split = lines.map((line) => line.split("/"));
  const widths = readLines(
    "holes",
    split.map(([line]) => line!.trim()),
    [200, 1500],
    1,
  );
  const problems = [...widths.problems];
  const raises = split.map(([, raise, ...more], i) => {
    if (raise === undefined) return 0;
    const text = raise.replace(/mm/g, "").trim();
    const value = NUMBER.test(text) && more.length === 0 ? Number(text.replace(",", ".")) : NaN;
    if (!(Math.abs(value) <= RAISE_MM))
      problems.push({ path: "holes", message: `line ${i + 1}: above the first row by −${RAISE_MM} to ${RAISE_MM} mm` });
    return value;
  });
  return {
    rows: widths.rows.map(({ name, values: [width] }): FrameHole => {
      const i = lines.findIndex((line) => LINE.exec(line.split("/")[0]!.trim())?.[1] === name);
      return { name, gripWidthMm: width!, ...(raises[i] ? { raiseMm: raises[i] } : {}) };
    }),
    problems,
  };
}

const POSE = /^(.{1,20}?)\s*\/\s*(.{1,20}?)\s*=\s*(.+)$/;

/** Lines "mark / pin = words". */
function readPoses(lines: readonly string[]) {
  const problems: Problem[] = [];
  const rows: { mark: string; pin: string; text: string }[] = [];
  lines.forEach((line, i) => {
    const [, mark, pin, text] = POSE.exec(line) ?? [];
    if (!mark || !pin || !text)
      problems.push({
        path: "handlePoses",
        message: `line ${i + 1}: “${line.slice(0, 30)}” is no “mark / pin = words”`,
      });
    else rows.push({ mark, pin, text });
  });
  return { rows, problems };
}

/**
 * A chart from texts by field, or every problem. Arms whose sides differ are refused: they must agree.
 *
 * @returns the chart in degrees, mm and kg, or every problem
 */
export function readChart(
  kind: SetupChart["kind"],
  texts: Readonly<Record<string, string | undefined>>,
): { ok: true; chart: SetupChart } | { ok: false; problems: Problem[] } {
  const read = readFields(chartFieldsOf(kind), texts);
  const values = (read.ok ? read.values : {}) as Record<string, unknown>;
  const problems = read.ok ? [] : [...read.problems];
  const linesOf = (key: string) => (values[key] as readonly string[] | undefined) ?? [];
  if (kind === "arm") {
    const marks = readLines("marks", linesOf("marks"), [-90, 90], 2);
    const pins = readLines("pins", linesOf("pins"), [0, 1000], 2);
    problems.push(...marks.problems, ...pins.problems);
    const poses = readPoses(linesOf("handlePoses"));
    problems.push(...poses.problems);
    const chart: ArmChart = {
      kind,
      ...(poses.rows.length > 0 ? { handlePoses: poses.rows } : {}),
      marks: marks.rows.map(({ name, values: [left, right] }): ArmMark => ({ name, leftDeg: left!, rightDeg: right! })),
      pins: pins.rows.map(({ name, values: [left, right] }): ArmPin => ({ name, leftMm: left!, rightMm: right! })),
      hasHalfMarks: values.hasHalfMarks === true,
      changesEmptyOnly: values.changesEmptyOnly === true,
      padKg: Number(values.padKg ?? 0),
    };
    for (const text of unlikeSides(chart))
      problems.push({
        path: text.startsWith("mark") ? "marks" : "pins",
        message: `${text}: both sides must agree. Measure again; if it stays, the arm is bent or the mark is wrong.`,
      });
    return problems.length > 0 ? { ok: false, problems } : { ok: true, chart };
  }
  const holes = readHoles(linesOf("holes"));
  problems.push(...holes.problems);
  const number = (key: string) => Number(values[key] ?? 0);
  const isSaid = (key: string) => values[key] !== null && values[key] !== undefined;
  const chart: FrameChart = {
    kind,
    holes: holes.rows,
    armOffsetMm: number("armOffsetMm"),
    mountAheadUpMm: number("mountAheadUpMm"),
    mountAheadDownMm: number("mountAheadDownMm"),
    handleOffsetMm: number("handleOffsetMm"),
    ...(isSaid("underslungMm") ? { underslungMm: number("underslungMm") } : {}),
    ...(number("gripRiseDeg") === 0 ? {} : { gripRiseDeg: number("gripRiseDeg") }),
    gripFromMm: number("gripFromMm"),
    gripToMm: number("gripToMm"),
    handlesTurn: values.handlesTurn === true,
    handleKg: number("handleKg"),
    frameAheadMm: number("frameAheadMm"),
    frameAboveMm: number("frameAboveMm"),
    lowestUpMm: number("lowestUpMm"),
    lowestDownMm: number("lowestDownMm"),
    standMm: number("standMm"),
    pinMm: number("pinMm"),
    insideMm: values.insideMm === null || values.insideMm === undefined ? null : number("insideMm"),
    changesEmptyOnly: values.changesEmptyOnly === true,
  };
  if (read.ok && chart.gripToMm - chart.gripFromMm < 90)
    problems.push({ path: "gripToMm", message: "the grip must be at least 90 mm long: a hand is that wide" });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, chart };
}

/**
 * A chart as texts that `readChart` reads back.
 *
 * @returns texts by field
 */
export function chartTexts(chart: SetupChart): Record<string, string> {
  const values: Record<string, unknown> = { ...chart };
  if (chart.kind === "arm") {
    values.marks = chart.marks.map(({ name, leftDeg, rightDeg }) => `${name} = ${leftDeg} ${rightDeg}`);
    values.handlePoses = (chart.handlePoses ?? []).map(({ mark, pin, text }) => `${mark} / ${pin} = ${text}`);
    values.pins = chart.pins.map(({ name, leftMm, rightMm }) => `${name} = ${leftMm} ${rightMm}`);
  } else
    values.holes = chart.holes.map(
      ({ name, gripWidthMm, raiseMm }) => `${name} = ${gripWidthMm}${raiseMm ? ` / ${raiseMm}` : ""}`,
    );
  return fieldTexts(chartFieldsOf(chart.kind), values);
}
