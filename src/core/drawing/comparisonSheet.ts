import type { Bar } from "../bars/bar";
import { trimmed } from "../units/format";
import type { Bent } from "../whip/compareWhip";
import { bentAxis } from "./drawBentBar";
import { spreadLabels } from "./spreadLabels";
import type { DrawnLine, DrawnText, SvgSheet } from "./svgText";

interface Question {
  handsMm: number;
  exaggeration: number;
  /** What stands between the supports: "hands" or "back". */
  supportWord: string;
  /** One ink a bar. */
  inks: readonly { paper: string; dash: string }[];
  title: string;
}

const HALF_WIDTH_MM = 1250;
const LINE_STEP_MM = 62;
const LABEL_STEP_MM = 46;
/** Room beside the bars for their tags. */
const LABELS_MM = 260;
/** Sleeve beyond the seat when nobody knows the overall length. */
const USUAL_SLEEVE_MM = 400;

/**
 * Bars bent over one another as a sheet for a file: axes in their inks, supports, seats on dimension lines.
 *
 * @returns a sheet in mm, y up
 */
export function comparisonSheet(
  items: readonly { bar: Bar; bent: Bent }[],
  { handsMm, exaggeration, supportWord, inks, title }: Question,
): SvgSheet {
  const drawn = items.flatMap(({ bar, bent }, i) => {
    if (!bent.ok) return [];
    const half = (bar.quantities.overallLength?.value ?? bent.bar.seatToSeatMm + 2 * USUAL_SLEEVE_MM) / 2;
    return [{ bar, bent, ink: inks[i]!, axis: bentAxis(bent.shape, half, exaggeration) }];
  });
  const lines: DrawnLine[] = [];
  const texts: DrawnText[] = [];
  const heights = drawn.flatMap(({ axis }) => axis.map(([, y]) => y));
  const lowest = Math.min(-60, ...heights);
  const top = Math.max(0, ...heights) + 170;
  const labelsAt = spreadLabels(
    drawn.map(({ axis }) => -axis.at(-1)![1]),
    LABEL_STEP_MM,
  );
  for (const [i, { bar, bent, ink, axis }] of drawn.entries()) {
    lines.push({
      points: axis,
      widthMm: 12,
      color: ink.paper,
      ...(ink.dash === "none" ? {} : { dash: scaled(ink.dash) }),
    });
    texts.push({
      // Beside the end of its bar, where no bar runs through it.
      x: axis.at(-1)![0] + 24,
      y: -labelsAt[i]! - 10,
      text: `${bar.tag} ${trimmed(bent.whip.deflectionMm, 1)} mm`,
      sizeMm: 34,
      isBold: true,
      color: ink.paper,
    });
  }
  for (const x of [handsMm / 2, -handsMm / 2])
    lines.push({
      points: [
        [x - 20, -46],
        [x, -8],
        [x + 20, -46],
        [x - 20, -46],
      ],
      widthMm: 5,
      color: "#1c2a33",
    });
  texts.push({ x: 0, y: -48, text: supportWord, sizeMm: 30, anchor: "middle", color: "#5b666c" });
  const linesAt = Math.min(lowest - 120, -Math.max(0, ...labelsAt) - 60);
  drawn.forEach(({ bar, bent, ink }, i) => {
    const y = linesAt - i * LINE_STEP_MM;
    const seat = bent.bar.seatToSeatMm / 2;
    for (const x of [-seat, seat])
      lines.push({
        points: [
          [x, y - 14],
          [x, y + 14],
        ],
        widthMm: 3,
        color: ink.paper,
      });
    lines.push(
      {
        points: [
          [-seat, y],
          [-230, y],
        ],
        widthMm: 3,
        color: ink.paper,
      },
      {
        points: [
          [230, y],
          [seat, y],
        ],
        widthMm: 3,
        color: ink.paper,
      },
    );
    texts.push({
      x: 0,
      y: y - 10,
      text: `${bar.tag} seats ${trimmed(bent.bar.seatToSeatMm, 1)} mm`,
      sizeMm: 32,
      anchor: "middle",
      color: ink.paper,
    });
  });
  const bottom = linesAt - Math.max(0, drawn.length - 1) * LINE_STEP_MM - 90;
  texts.push(
    { x: -HALF_WIDTH_MM + 30, y: top - 60, text: title, sizeMm: 40, isBold: true },
    {
      x: -HALF_WIDTH_MM + 30,
      y: bottom + 26,
      text: `Lengths to scale, bend drawn ×${exaggeration}.`,
      sizeMm: 28,
      color: "#5b666c",
    },
  );
  // The centre line stops where something is written on it.
  for (const [from, to] of [
    [top - 90, -14],
    [-64, linesAt + 44],
  ] as const)
    lines.unshift({
      points: [
        [0, from],
        [0, to],
      ],
      widthMm: 2,
      dash: "24 10 6 10",
    });
  return {
    extent: { left: -HALF_WIDTH_MM, right: HALF_WIDTH_MM + LABELS_MM, top, bottom },
    shapes: [],
    lines,
    texts,
    title,
  };
}

/** A screen's dash pattern in mm of a wide sheet. */
function scaled(dash: string): string {
  return dash
    .split(" ")
    .map((part) => Number(part) * 3)
    .join(" ");
}
