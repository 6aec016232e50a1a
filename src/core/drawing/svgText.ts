import type { Extent, Shape, ShapeRole } from "./shapes";

/** Inks of a drawing on paper; the screen takes the same roles from its theme. */
export interface Inks {
  paper: string;
  line: string;
  quiet: string;
  fill: Partial<Record<ShapeRole, string>>;
}

export const PAPER_INKS: Inks = {
  paper: "#ffffff",
  line: "#1c2a33",
  quiet: "#5b666c",
  fill: {
    sleeve: "#bcc2c4",
    shaft: "#8d9699",
    tube: "#8d9699",
    collar: "#1c2a33",
    pad: "#1c2a33",
    handle: "#1c2a33",
    weld: "#5b666c",
    hole: "#ffffff",
    "ring-mark": "#ffffff",
    plate: "#5b666c",
  },
};

export interface DrawnText {
  x: number;
  /** Baseline, y up as in the shapes. */
  y: number;
  text: string;
  sizeMm: number;
  anchor?: "start" | "middle" | "end";
  isSlanted?: boolean;
  isBold?: boolean;
  color?: string;
}

export interface DrawnLine {
  points: readonly (readonly [number, number])[];
  widthMm: number;
  color?: string;
  dash?: string;
}

export interface SvgSheet {
  extent: Extent;
  shapes: readonly Shape[];
  lines?: readonly DrawnLine[];
  texts?: readonly DrawnText[];
  title: string;
}

/** Pitch and line width of the three knurls' hatching, in mm. */
export const HATCHES = {
  "knurl-passive": { pitch: 16, width: 2.5 },
  "knurl-medium": { pitch: 13, width: 4 },
  "knurl-aggressive": { pitch: 11, width: 5.5 },
} as const;

/**
 * A whole SVG file from shapes, lines and lettering in mm, y up. One user unit is one millimetre; the picture's width
 * on paper is `widthMm`. Everything said in it is escaped.
 *
 * @returns the file as text
 */
export function svgText(
  { extent, shapes, lines = [], texts = [], title }: SvgSheet,
  widthMm: number,
  inks = PAPER_INKS,
): string {
  const [w, h] = [extent.right - extent.left, extent.top - extent.bottom];
  const body = [
    ...lines.map((line) => lineText(line, inks)),
    ...shapes.map((shape) => shapeText(shape, inks)),
    ...texts.map((text) => letteringText(text, inks)),
  ];
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(widthMm)}mm" height="${n((widthMm * h) / w)}mm" viewBox="${n(extent.left)} ${n(-extent.top)} ${n(w)} ${n(h)}" font-family="Archivo, Helvetica, Arial, sans-serif">
<title>${escaped(title)}</title>
<defs>${Object.entries(HATCHES)
    .map(
      ([id, { pitch, width }]) =>
        `<pattern id="${id}" width="${pitch}" height="${pitch}" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><path d="M0 0H${pitch}M0 0V${pitch}" stroke="${inks.line}" stroke-width="${width}" fill="none"/></pattern>`,
    )
    .join("")}</defs>
<rect x="${n(extent.left)}" y="${n(-extent.top)}" width="${n(w)}" height="${n(h)}" fill="${inks.paper}"/>
${body.join("\n")}
</svg>
`;
}

function shapeText(shape: Shape, inks: Inks): string {
  const ink = shape.role.startsWith("knurl-") ? `url(#${shape.role})` : (inks.fill[shape.role] ?? inks.line);
  if (shape.kind === "tube")
    return `<polyline points="${pointsText(shape.points)}" fill="none" stroke="${ink}" stroke-width="${n(shape.thickness)}" stroke-linejoin="round"/>`;
  const radius = shape.radius ? ` rx="${n(shape.radius)}"` : "";
  return `<rect x="${n(shape.x)}" y="${n(-shape.y - shape.height)}" width="${n(shape.width)}" height="${n(shape.height)}"${radius} fill="${ink}"/>`;
}

function lineText({ points, widthMm, color, dash }: DrawnLine, inks: Inks): string {
  return `<polyline points="${pointsText(points)}" fill="none" stroke="${color ?? inks.quiet}" stroke-width="${n(widthMm)}"${dash ? ` stroke-dasharray="${dash}"` : ""}/>`;
}

function letteringText(
  { x, y, text, sizeMm, anchor = "start", isSlanted, isBold, color }: DrawnText,
  inks: Inks,
): string {
  const style = `${isSlanted ? ' font-style="italic"' : ""}${isBold ? ' font-weight="700"' : ""}`;
  return `<text x="${n(x)}" y="${n(-y)}" font-size="${n(sizeMm)}" text-anchor="${anchor}"${style} fill="${color ?? inks.line}">${escaped(text)}</text>`;
}

function pointsText(points: readonly (readonly [number, number])[]): string {
  return points.map(([x, y]) => `${n(x)},${n(-y)}`).join(" ");
}

function n(value: number): string {
  return String(Math.round(value * 100) / 100 || 0);
}

function escaped(text: string): string {
  return text.replace(/[&<>"']/g, (c) => `&#${c.codePointAt(0)};`);
}
