import "server-only";
import { PDFDocument, type PDFFont, type PDFPage, StandardFonts } from "pdf-lib";
import type { Bar } from "@/core/bars/bar";
import { drawBar } from "@/core/drawing/drawBar";
import { INK, QUIET, RULE, drawSheet, printable, wrapped } from "@/server/pdf";

const PAGE = { width: 595.28, height: 841.89 };
const MARGIN = 48;

/** One part of such a sheet. */
export type SheetPart =
  | { kind: "text"; text: string; isBold?: boolean }
  | { kind: "head"; text: string }
  | { kind: "rows"; rows: readonly (readonly [string, string])[] }
  | { kind: "bar"; bar: Bar }
  | { kind: "photo"; bytes: Buffer }
  | { kind: "sign"; lines: readonly string[] };

/** A sheet about buying, A4 upright, as many pages as it takes, each numbered. */
export async function buyPdf({
  title,
  foot,
  parts,
}: {
  title: string;
  foot: string;
  parts: readonly SheetPart[];
}): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(printable(title));
  pdf.setCreator("Garrison");
  const [plain, bold] = [
    await pdf.embedFont(StandardFonts.Helvetica),
    await pdf.embedFont(StandardFonts.HelveticaBold),
  ];
  const pages: PDFPage[] = [];
  let [page, y] = [null as unknown as PDFPage, 0];
  const turn = () => {
    page = pdf.addPage([PAGE.width, PAGE.height]);
    pages.push(page);
    y = PAGE.height - MARGIN;
  };
  const room = (height: number) => {
    if (y - height < MARGIN + 20) turn();
  };
  const write = (text: string, x: number, size: number, font: PDFFont, color = INK) =>
    page.drawText(printable(text), { x, y, size, font, color });
  turn();
  y -= 14;
  for (const line of wrapped(title, bold, 18, PAGE.width - 2 * MARGIN)) {
    write(line, MARGIN, 18, bold);
    y -= 24;
  }
  for (const part of parts)
    switch (part.kind) {
      case "head":
        room(40);
        y -= 22;
        write(part.text, MARGIN, 12, bold);
        y -= 5;
        page.drawLine({ start: { x: MARGIN, y }, end: { x: PAGE.width - MARGIN, y }, thickness: 0.6, color: RULE });
        y -= 4;
        break;
      case "text":
        for (const line of wrapped(part.text, part.isBold ? bold : plain, 10.5, PAGE.width - 2 * MARGIN)) {
          room(15);
          y -= 15;
          write(line, MARGIN, 10.5, part.isBold ? bold : plain);
        }
        break;
      case "rows":
        for (const [name, value] of part.rows) {
          const lines = wrapped(value, plain, 10.5, PAGE.width - 2 * MARGIN - 170);
          room(16 * lines.length);
          lines.forEach((line, i) => {
            y -= 16;
            if (i === 0) write(name, MARGIN, 10.5, plain, QUIET);
            write(line, MARGIN + 170, 10.5, plain);
          });
        }
        break;
      case "bar": {
        const drawing = { ...drawBar(part.bar), title: part.bar.name };
        const { extent } = drawing;
        const scale = Math.min(
          (PAGE.width - 2 * MARGIN) / (extent.right - extent.left),
          90 / (extent.top - extent.bottom),
        );
        const height = (extent.top - extent.bottom) * scale;
        room(height + 24);
        y -= 12;
        drawSheet(
          page,
          drawing,
          { x: PAGE.width / 2 - ((extent.left + extent.right) / 2) * scale, y: y - extent.top * scale, scale },
          plain,
          bold,
        );
        y -= height + 8;
        break;
      }
      case "photo": {
        // A copy: the package reads from the start of the memory that a view of bytes lies in.
        const image = await pdf.embedJpg(Uint8Array.from(part.bytes));
        const scale = Math.min(240 / image.width, 240 / image.height);
        room(image.height * scale + 12);
        y -= image.height * scale + 8;
        page.drawImage(image, { x: MARGIN, y, width: image.width * scale, height: image.height * scale });
        break;
      }
      case "sign":
        for (const line of part.lines) {
          room(48);
          y -= 44;
          page.drawLine({
            start: { x: MARGIN, y: y + 12 },
            end: { x: MARGIN + 240, y: y + 12 },
            thickness: 0.6,
            color: INK,
          });
          write(line, MARGIN, 9, plain, QUIET);
        }
        break;
    }
  pages.forEach((one, i) => {
    const text = `${foot} · page ${i + 1} of ${pages.length}`;
    one.drawText(printable(text), { x: MARGIN, y: MARGIN - 14, size: 8, font: plain, color: QUIET });
  });
  return pdf.save();
}
