import "server-only";
import { type PDFFont, type PDFPage, type RGB, rgb } from "pdf-lib";
import type { Shape } from "@/core/drawing/shapes";
import { type DrawnLine, PAPER_INKS, type SvgSheet } from "@/core/drawing/svgText";

/* Drawings and lettering of the core on a page of a PDF. */

export const INK = rgb(0.11, 0.165, 0.2);

export const QUIET = rgb(0.36, 0.4, 0.42);

export const RULE = rgb(0.82, 0.83, 0.82);

export interface Placing {
  /** Where the drawing's origin lies, in points. */
  x: number;
  y: number;
  scale: number;
}

export function drawSheet(
  page: PDFPage,
  sheet: SvgSheet,
  { x, y, scale }: Placing,
  plain: PDFFont,
  bold: PDFFont,
): void {
  for (const line of sheet.lines ?? []) drawLine(page, line, { x, y, scale });
  for (const shape of sheet.shapes) drawShape(page, shape, { x, y, scale });
  for (const text of sheet.texts ?? []) {
    const font = text.isBold ? bold : plain;
    const size = text.sizeMm * scale;
    const said = printable(text.text);
    const width = font.widthOfTextAtSize(said, size);
    const shift = text.anchor === "middle" ? width / 2 : text.anchor === "end" ? width : 0;
    page.drawText(said, {
      x: x + text.x * scale - shift,
      y: y + text.y * scale,
      size,
      font,
      color: colorOf(paperInk(text.color) ?? "#1c2a33"),
    });
  }
}

function drawLine(page: PDFPage, { points, widthMm, color, dash }: DrawnLine, { x, y, scale }: Placing): void {
  const path = points.map(
    ([px, py], i) => `${i === 0 ? "M" : "L"}${(px * scale).toFixed(2)},${(-py * scale).toFixed(2)}`,
  );
  page.drawSvgPath(path.join(""), {
    x,
    y,
    borderColor: colorOf(paperInk(color) ?? "#5b666c"),
    borderWidth: widthMm * scale,
    ...(dash ? { borderDashArray: dash.split(" ").map((part) => Number(part) * scale) } : {}),
  });
}

/** On paper the accent is an ink of its own; other colours are said as they are. */
const paperInk = (color: string | undefined) => (color === "accent" ? "#b4690e" : color);

/** A box or a tube; knurl is a plain grey on paper. */
function drawShape(page: PDFPage, shape: Shape, { x, y, scale }: Placing): void {
  const color = colorOf(PAPER_INKS.fill[shape.role] ?? "#8d9699");
  if (shape.kind === "tube") {
    const path = shape.points.map(
      ([px, py], i) => `${i === 0 ? "M" : "L"}${(px * scale).toFixed(2)},${(-py * scale).toFixed(2)}`,
    );
    page.drawSvgPath(path.join(""), { x, y, borderColor: color, borderWidth: shape.thickness * scale });
    return;
  }
  const at = { x: x + shape.x * scale, y: y + shape.y * scale };
  const [width, height] = [shape.width * scale, shape.height * scale];
  if (shape.radius && shape.radius >= Math.min(shape.width, shape.height) / 2 - 0.01 && shape.width === shape.height)
    page.drawCircle({ x: at.x + width / 2, y: at.y + height / 2, size: width / 2, color });
  else page.drawRectangle({ ...at, width, height, color });
}

export function colorOf(hex: string): RGB {
  const part = (at: number) => parseInt(hex.slice(at, at + 2), 16) / 255;
  return rgb(part(1), part(3), part(5));
}

/** The standard fonts of a PDF know Western European letters only; others are spelled without their marks, or as "?". */
export function printable(text: string): string {
  return text
    .replace(/\u2212/g, "\u2013")
    .replace(/[\u2190-\u21ff]/g, "-")
    .replace(/[^\u0020-\u007e\u00a0-\u00ff\u2013\u2014\u2018\u2019\u201c\u201d\u2022\u2026\u20ac]/g, (c) => {
      const bare = c.normalize("NFD").replace(/[\u0300-\u036f]/g, "");
      return /^[\u0020-\u007e]+$/.test(bare) ? bare : "?";
    });
}

export function wrapped(text: string, font: PDFFont, size: number, width: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(" ")) {
    const last = lines.at(-1);
    const longer = last === undefined ? word : `${last} ${word}`;
    if (last !== undefined && font.widthOfTextAtSize(printable(longer), size) <= width)
      lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}
