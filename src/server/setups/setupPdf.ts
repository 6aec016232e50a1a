import "server-only";
import { PDFDocument, type PDFFont, type PDFPage, StandardFonts } from "pdf-lib";
import QRCode from "qrcode";
import { madeFor } from "@/core/setups/setupCard";
import { INK, QUIET, RULE, colorOf, drawSheet, printable, wrapped } from "@/server/pdf";
import type { CardPage } from "./setupCards";

/* A4 upright, in points. */
const PAGE = { width: 595.28, height: 841.89 };

const MARGIN = 40;

const DANGER = colorOf("#a5322a");

interface Fonts {
  plain: PDFFont;
  bold: PDFFont;
}

async function document(title: string): Promise<{ pdf: PDFDocument; fonts: Fonts }> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(printable(title));
  pdf.setCreator("Garrison");
  const [plain, bold] = await Promise.all([
    pdf.embedFont(StandardFonts.Helvetica),
    pdf.embedFont(StandardFonts.HelveticaBold),
  ]);
  return { pdf, fonts: { plain, bold } };
}

/** A QR code as squares, its lower left corner at x and y, with the quiet margin it needs. */
function drawQr(page: PDFPage, text: string, { x, y, size }: { x: number; y: number; size: number }): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
  const quiet = 4;
  const step = size / (modules.size + 2 * quiet);
  page.drawRectangle({ x, y, width: size, height: size, color: colorOf("#ffffff") });
  for (let row = 0; row < modules.size; row += 1)
    for (let column = 0; column < modules.size; column += 1)
      if (modules.get(row, column))
        page.drawRectangle({
          x: x + (column + quiet) * step,
          y: y + size - (row + quiet + 1) * step,
          // A hair wider, so that no reader sees seams.
          width: step * 1.02,
          height: step * 1.02,
          color: colorOf("#000000"),
        });
}

/** Writes downwards and remembers where it is. */
class Column {
  constructor(
    private readonly page: PDFPage,
    private readonly fonts: Fonts,
    private readonly left: number,
    private readonly width: number,
    public y: number,
  ) {}
  text(text: string, size: number, { isBold = false, color = INK, gap = 0, indent = 0 } = {}): void {
    const font = isBold ? this.fonts.bold : this.fonts.plain;
    for (const line of wrapped(text, font, size, this.width - indent)) {
      this.y -= size * 1.22;
      this.page.drawText(printable(line), { x: this.left + indent, y: this.y, size, font, color });
    }
    this.y -= gap;
  }
  pair(label: string, value: string, more: string, size = 10): void {
    this.y -= size * 1.45;
    const { page, fonts, left, width } = this;
    page.drawText(printable(label), { x: left, y: this.y, size, font: fonts.plain, color: QUIET });
    const right = (text: string, font: PDFFont, at: number, color = INK) =>
      page.drawText(printable(text), {
        x: at - font.widthOfTextAtSize(printable(text), size),
        y: this.y,
        size,
        font,
        color,
      });
    right(value, fonts.bold, left + width - 62);
    if (more) right(more, fonts.plain, left + width, QUIET);
    page.drawLine({
      start: { x: left, y: this.y - 3.5 },
      end: { x: left + width, y: this.y - 3.5 },
      thickness: 0.3,
      color: RULE,
    });
  }
}

/** One card on a page of its own: what not to do first, what to set, the drawing, numbers in both units, the steps. */
export async function cardPdf(card: CardPage, foot: string): Promise<Uint8Array> {
  const { pdf, fonts } = await document(`${card.set.bar.tag} ${card.lifterName}, ${card.liftName}`);
  const page = pdf.addPage([PAGE.width, PAGE.height]);
  const width = PAGE.width - 2 * MARGIN;
  const column = new Column(page, fonts, MARGIN, width, PAGE.height - MARGIN);
  column.text(`${card.set.bar.tag}  ${card.set.bar.name}`, 22, { isBold: true });
  column.text(`${card.lifterName}, ${card.liftName}. Set on ${card.keptOn}. Made for ${madeFor(card)}.`, 11, {
    color: QUIET,
    gap: 6,
  });
  for (const text of [...card.card.first, ...card.card.refusals])
    column.text(text, 12, { isBold: true, color: DANGER, gap: 2 });
  column.text(card.card.set, 20, { isBold: true, gap: 6 });

  const { extent } = card.drawing;
  const [w, h] = [extent.right - extent.left, extent.top - extent.bottom];
  const scale = Math.min(width / w, 190 / h);
  drawSheet(
    page,
    card.drawing,
    {
      x: PAGE.width / 2 - (scale * (extent.left + extent.right)) / 2,
      y: column.y - extent.top * scale,
      scale,
    },
    fonts.plain,
    fonts.bold,
  );
  column.y -= h * scale + 6;

  const half = width / 2 - 12;
  const [left, right] = [
    new Column(page, fonts, MARGIN, half, column.y),
    new Column(page, fonts, MARGIN + half + 24, half, column.y),
  ];
  for (const { label, text, imperial } of card.card.numbers) left.pair(label, text, imperial ?? "");
  left.y -= 8;
  for (const [head, text] of [
    ["Hands", card.card.hands],
    ["Letting go", card.card.lettingGo],
    ["At depth", card.card.atDepth],
    ["In", card.card.getIn],
    ["Out", card.card.getOut],
    ["Note", card.note],
  ] as const)
    if (text) {
      left.text(head, 8.5, { isBold: true, color: QUIET });
      left.text(text, 10, { gap: 3 });
    }
  right.text("At the bar, in this order", 8.5, { isBold: true, color: QUIET, gap: 1 });
  card.card.steps.forEach((step, i) => right.text(`${i + 1}. ${step}`, 10, { gap: 2 }));
  right.y -= 4;
  for (const effect of card.card.effects) right.text(effect, 9, { color: QUIET, gap: 1 });

  const qr = 104;
  drawQr(page, card.address, { x: PAGE.width - MARGIN - qr, y: MARGIN + 8, size: qr });
  const low = new Column(page, fonts, MARGIN, width - qr - 16, MARGIN + qr + 8);
  for (const caution of card.card.cautions) low.text(caution, 8.5, { gap: 2 });
  low.text(`The live page: ${card.address}`, 8, { color: QUIET });
  page.drawText(printable(foot), { x: MARGIN, y: MARGIN - 12, size: 7.5, font: fonts.plain, color: QUIET });
  return pdf.save();
}

/** A sheet of small cards to cut out and hang up: eight on a page, two by four. */
export async function cardsPdf(cards: readonly CardPage[], title: string, foot: string): Promise<Uint8Array> {
  const { pdf, fonts } = await document(title);
  const across = 2;
  const down = 4;
  const [cw, ch] = [(PAGE.width - 2 * 28) / across, (PAGE.height - 2 * 34) / down];
  for (let first = 0; first < Math.max(1, cards.length); first += across * down) {
    const page = pdf.addPage([PAGE.width, PAGE.height]);
    page.drawText(printable(foot), { x: 28, y: 16, size: 7, font: fonts.plain, color: QUIET });
    if (cards.length === 0)
      page.drawText("No settings are kept yet.", {
        x: 40,
        y: PAGE.height - 60,
        size: 12,
        font: fonts.plain,
        color: INK,
      });
    cards.slice(first, first + across * down).forEach((card, i) => {
      const x = 28 + (i % across) * cw;
      const y = PAGE.height - 34 - (Math.floor(i / across) + 1) * ch;
      page.drawRectangle({ x, y, width: cw, height: ch, borderColor: RULE, borderWidth: 0.6 });
      const qr = 62;
      const column = new Column(page, fonts, x + 10, cw - 20, y + ch - 6);
      column.text(`${card.set.bar.tag}  ${card.lifterName}`, 12, { isBold: true });
      column.text(`${card.set.bar.name}, ${card.liftName}`, 8, { color: QUIET, gap: 1 });
      for (const text of [...card.card.first, ...card.card.refusals])
        column.text(text, 7, { isBold: true, color: DANGER });
      column.text(card.card.set, 12, { isBold: true, gap: 2 });
      const { extent } = card.drawing;
      const [w, h] = [extent.right - extent.left, extent.top - extent.bottom];
      const lower = y + 10 + qr * 0.55;
      const room = { width: cw - qr - 30, height: Math.max(30, column.y - lower) };
      const scale = Math.min(room.width / w, room.height / h);
      drawSheet(
        page,
        card.drawing,
        {
          x: x + 10 + (room.width - w * scale) / 2 - extent.left * scale,
          y: column.y - extent.top * scale,
          scale,
        },
        fonts.plain,
        fonts.bold,
      );
      const holes = card.card.numbers.filter(({ text }) => text.startsWith("hole"));
      const foot2 = new Column(page, fonts, x + 10, cw - qr - 30, y + 36);
      foot2.text(holes.map(({ label, text }) => `${label} ${text}`).join(", ") || "One light set first.", 8, {
        isBold: true,
      });
      if (holes.length > 0) foot2.text("One light set first.", 7.5, { color: QUIET });
      drawQr(page, card.address, { x: x + cw - qr - 8, y: y + 6, size: qr });
    });
  }
  return pdf.save();
}
