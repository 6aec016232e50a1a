import "server-only";
import { PDFDocument, type PDFFont, type RGB, StandardFonts } from "pdf-lib";
import type { SvgSheet } from "@/core/drawing/svgText";
import type { ComparisonRow } from "@/core/whip/comparisonRows";
import { INK, QUIET, RULE, colorOf, drawSheet, printable, wrapped } from "@/server/pdf";

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
