import "server-only";
import { monthText } from "@/core/units/dates";
import { PDFDocument, type PDFPage, StandardFonts } from "pdf-lib";
import { fixed } from "@/core/units/format";
import { INK, QUIET, RULE, printable, wrapped } from "@/server/pdf";
import type { CareRecords } from "./records";

const PAGE = { width: 595.28, height: 841.89 };

const MARGIN = 42;

const ROW = 13;

const MONTHS = Array.from({ length: 12 }, (_, i) => monthText(`2026-${String(i + 1).padStart(2, "0")}`));

/** The year's care as A4 pages: how much by month, and bar by bar what was done and how its condition went. */
export async function careReportPdf(
  records: CareRecords,
  { hallName, today }: { hallName: string; today: string },
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(printable(`Care of bars ${records.year}, ${hallName}`));
  pdf.setCreator("Garrison");
  const [plain, bold] = [
    await pdf.embedFont(StandardFonts.Helvetica),
    await pdf.embedFont(StandardFonts.HelveticaBold),
  ];
  let page: PDFPage = pdf.addPage([PAGE.width, PAGE.height]);
  let y = PAGE.height - MARGIN;
  const write = (text: string, x: number, size = 9, font = plain, color = INK) =>
    page.drawText(printable(text), { x, y, size, font, color });
  const right = (text: string, x: number, size = 9, font = plain) =>
    page.drawText(printable(text), { x: x - font.widthOfTextAtSize(printable(text), size), y, size, font, color: INK });
  const rule = () =>
    page.drawLine({
      start: { x: MARGIN, y: y - 3 },
      end: { x: PAGE.width - MARGIN, y: y - 3 },
      thickness: 0.5,
      color: RULE,
    });
  const next = (height = ROW) => {
    y -= height;
    if (y > MARGIN + 20) return;
    page = pdf.addPage([PAGE.width, PAGE.height]);
    y = PAGE.height - MARGIN;
  };
  const cost = (minutes: number) =>
    records.hourMinor === null ? "" : `${fixed((minutes / 60) * (records.hourMinor / 100), 0)} ${records.currency}`;

  write(`Care of bars ${records.year}`, MARGIN, 18, bold);
  next(18);
  write(`${hallName}; as recorded by ${today}.`, MARGIN, 9, plain, QUIET);
  next(22);
  const worth = cost(records.minutes);
  write(
    `${records.jobs} jobs in ${fixed(records.minutes / 60, 1)} hours${worth ? `, worth ${worth}` : ""}, on ${records.bars.filter(({ jobs }) => jobs > 0).length} of ${records.bars.length} bars.`,
    MARGIN,
    11,
    bold,
  );
  next(22);
  const most = Math.max(1, ...records.months.map(({ minutes }) => minutes));
  for (const [i, { jobs, minutes }] of records.months.entries()) {
    write(MONTHS[i]!, MARGIN);
    right(String(jobs), MARGIN + 70);
    right(`${fixed(minutes, 0)} min`, MARGIN + 130);
    page.drawRectangle({ x: MARGIN + 145, y: y - 1, width: (230 * minutes) / most, height: 8, color: QUIET });
    right(cost(minutes), PAGE.width - MARGIN);
    next();
  }
  next(14);
  const head = () => {
    write("bar", MARGIN, 8, plain, QUIET);
    write("done", MARGIN + 150, 8, plain, QUIET);
    right("min", MARGIN + 385, 8);
    right("runout mm", MARGIN + 450, 8);
    right("found", PAGE.width - MARGIN, 8);
    rule();
    next();
  };
  head();
  for (const bar of records.bars) {
    const words = wrapped(
      bar.tasks.map(({ name, times }) => `${name} ${times}×`).join(", ") || "nothing recorded",
      plain,
      8,
      200,
    );
    if (y < MARGIN + 40 + words.length * 10) {
      next(PAGE.height);
      head();
    }
    write(
      `${bar.tag} ${bar.name}${bar.state === "in-service" ? "" : ` (${bar.state.replace("-", " ")})`}`.slice(0, 34),
      MARGIN,
      9,
      bold,
    );
    right(fixed(bar.minutes, 0), MARGIN + 385);
    const tir =
      bar.lastTirMm === null
        ? ""
        : bar.firstTirMm !== null && bar.firstTirMm !== bar.lastTirMm
          ? `${fixed(bar.firstTirMm, 1)} to ${fixed(bar.lastTirMm, 1)}`
          : fixed(bar.lastTirMm, 1);
    right(tir, MARGIN + 450);
    right(bar.findings > 0 ? String(bar.findings) : "", PAGE.width - MARGIN);
    for (const [i, line] of words.entries()) {
      write(line, MARGIN + 150, 8);
      if (i < words.length - 1) next(10);
    }
    rule();
    next();
  }
  return pdf.save();
}
