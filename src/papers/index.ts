import { buyPdf } from "./buyPdf";
import { comparisonPdf } from "./comparisonPdf";
import { labelsPdf } from "./labelsPdf";
import { careReportPdf } from "./reportPdf";
import { cardPdf, cardsPdf } from "./setupPdf";

/** Every paper by name: what it shows in, the bytes of a PDF out. Each runs in a server thread: only plain data goes in. */
export const PAPERS = {
  purchase: buyPdf,
  comparison: comparisonPdf,
  careReport: careReportPdf,
  setupCard: cardPdf,
  setupCards: cardsPdf,
  labels: labelsPdf,
};

export type PaperName = keyof typeof PAPERS;
export type ShownOn<Name extends PaperName> = Parameters<(typeof PAPERS)[Name]>;
