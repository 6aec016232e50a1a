import "server-only";
import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage, type RGB } from "pdf-lib";
import type { DrawnLine, SvgSheet } from "@/core/drawing/svgText";
import type { ComparisonRow } from "@/core/whip/comparisonRows";

interface Sheet {
  title: string;
  question: string;
  verdict: string | null;
  text: string;
  caution: string;
  tags: readonly { tag: string; name: string; ink: string }[];
  rows: readonly ComparisonRow[];
  drawing: SvgSheet | null;
  /** Where and when it was made. */
  foot: string;
}

const PAGE = { width: 841.89, height: 595.28 };
const MARGIN = 36;
const ROW = 10.4;
const LINE = 12.5;

/** One page, A4 across: the answer, the bars bent over one another, and the table. */
export async function comparisonPdf(sheet: Sheet): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(printable(sheet.title));
  pdf.setCreator("Garrison");
  const page = pdf.addPage([PAGE.width, PAGE.height]);
  const [plain, bold, slanted] = await Promise.all([
    pdf.embedFont(StandardFonts.Helvetica),
    pdf.embedFont(StandardFonts.HelveticaBold),
    pdf.embedFont(StandardFonts.HelveticaOblique),
  ]);
  const write = (text: string, x: number, y: number, size: number, font = plain, color = INK) =>
    page.drawText(printable(text), { x, y, size, font, color });
  let y = PAGE.height - MARGIN - 12;
  write(sheet.title, MARGIN, y, 16, bold);
  y -= 18;
  write(sheet.question, MARGIN, y, 9, plain, QUIET);
  y -= 16;
  for (const line of wrapped(`${sheet.verdict ?? ""} ${sheet.text}`.trim(), plain, 10, PAGE.width - 2 * MARGIN)) {
    write(line, MARGIN, y, 10);
    y -= LINE;
  }
  const tableHeight = (sheet.rows.length + 1) * ROW + 8;
  if (sheet.drawing) {
    const room = y - MARGIN - 26 - tableHeight;
    const { extent } = sheet.drawing;
    const [w, h] = [extent.right - extent.left, extent.top - extent.bottom];
    const scale = Math.min((PAGE.width - 2 * MARGIN) / w, Math.max(60, room) / h);
    drawSheet(page, sheet.drawing, { x: PAGE.width / 2, y: y - extent.top * scale - 2, scale }, plain, bold);
    y -= h * scale + 8;
  }
  y -= ROW;
  const first = MARGIN + 170;
  const step = Math.min(92, (PAGE.width - MARGIN - first) / (sheet.tags.length + 1));
  const right = (text: string, column: number, at: number, font: PDFFont, color: RGB) => {
    const said = printable(text);
    page.drawText(said, {
      x: first + (column + 1) * step - font.widthOfTextAtSize(said, 8),
      y: at,
      size: 8,
      font,
      color,
    });
  };
  sheet.tags.forEach(({ tag, ink }, i) => right(tag, i, y, bold, colorOf(ink)));
  if (sheet.tags.length > 1) right("by", sheet.tags.length, y, plain, QUIET);
  for (const { name, cells, by, isEqual } of sheet.rows) {
    y -= ROW;
    if (y < MARGIN + 14) break;
    page.drawLine({
      start: { x: MARGIN, y: y + 8.2 },
      end: { x: first + (sheet.tags.length + 1) * step, y: y + 8.2 },
      thickness: 0.3,
      color: RULE,
    });
    write(name, MARGIN, y, 8, plain, isEqual ? QUIET : INK);
    cells.forEach(({ text, isStated }, i) =>
      right(text, i, y, isStated ? slanted : isEqual ? plain : bold, isEqual ? QUIET : INK),
    );
    if (sheet.tags.length > 1) right(by, sheet.tags.length, y, plain, isEqual ? QUIET : INK);
  }
  write(sheet.caution, MARGIN, MARGIN - 8, 7.5, plain, QUIET);
  const foot = printable(sheet.foot);
  write(foot, PAGE.width - MARGIN - plain.widthOfTextAtSize(foot, 7.5), MARGIN - 8, 7.5, plain, QUIET);
  return pdf.save();
}

const INK = rgb(0.11, 0.165, 0.2);
const QUIET = rgb(0.36, 0.4, 0.42);
const RULE = rgb(0.82, 0.83, 0.82);

interface Placing {
  /** Where the drawing's origin lies, in points. */
  x: number;
  y: number;
  scale: number;
}

function drawSheet(page: PDFPage, sheet: SvgSheet, { x, y, scale }: Placing, plain: PDFFont, bold: PDFFont): void {
  for (const line of sheet.lines ?? []) drawLine(page, line, { x, y, scale });
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
      color: colorOf(text.color ?? "#1c2a33"),
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
    borderColor: colorOf(color ?? "#5b666c"),
    borderWidth: widthMm * scale,
    ...(dash ? { borderDashArray: dash.split(" ").map((part) => Number(part) * scale) } : {}),
  });
}

function colorOf(hex: string): RGB {
  const part = (at: number) => parseInt(hex.slice(at, at + 2), 16) / 255;
  return rgb(part(1), part(3), part(5));
}

/** The standard fonts of a PDF know Western European letters only; others are spelled without their marks, or as "?". */
function printable(text: string): string {
  return text
    .replace(/\u2212/g, "\u2013")
    .replace(/[\u2190-\u21ff]/g, "-")
    .replace(/[^\u0020-\u007e\u00a0-\u00ff\u2013\u2014\u2018\u2019\u201c\u201d\u2022\u2026\u20ac]/g, (c) => {
      const bare = c.normalize("NFD").replace(/[\u0300-\u036f]/g, "");
      return /^[\u0020-\u007e]+$/.test(bare) ? bare : "?";
    });
}

function wrapped(text: string, font: PDFFont, size: number, width: number): string[] {
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
