import { Document, Page, renderToBuffer, StyleSheet, Text, View, type DocumentProps } from "@react-pdf/renderer";
import type { ReactElement, ReactNode } from "react";
import { FACES, registerFonts } from "./fonts";

/* What every paper of a gym shares: its faces, its inks, a foot with the number of the page. Nothing is under 8 pt. */

export const INK = "#1c2a33";
export const QUIET = "#5b666c";
export const RULE = "#d1d4d1";
export const DANGER = "#930b08";

const styles = StyleSheet.create({
  page: {
    fontFamily: FACES,
    fontSize: 10,
    color: INK,
    paddingTop: 30,
    paddingHorizontal: 40,
    paddingBottom: 44,
  },
  // Not on the page itself: there the renderer drops what stands at its foot.
  body: { fontSize: 10, lineHeight: 1.3, flexGrow: 1 },
  title: { fontSize: 18, fontWeight: 700, lineHeight: 1.2, marginBottom: 4 },
  foot: { position: "absolute", bottom: 20, left: 40, right: 40, fontSize: 8, color: QUIET },
});

interface PaperProps {
  title: string;
  /** Written on each page beside its number: where and when it was made, or what must never be left out. */
  foot: string;
  isLandscape?: boolean;
  children: ReactNode;
}

/** A paper of A4 pages, as many as it takes, each with its number. */
export function Paper({ title, foot, isLandscape = false, children }: PaperProps): ReactElement<DocumentProps> {
  return (
    <Document title={title} creator="Garrison" producer="Garrison">
      <Page size="A4" orientation={isLandscape ? "landscape" : "portrait"} style={styles.page} wrap>
        <View style={styles.body}>
          <Text style={styles.title}>{title}</Text>
          {children}
        </View>
        <Foot text={foot} />
      </Page>
    </Document>
  );
}

/** At the bottom of each page. */
export function Foot({ text }: { text: string }) {
  return (
    <Text
      style={styles.foot}
      fixed
      render={({ pageNumber, totalPages }) => `${text} · page ${pageNumber} of ${totalPages}`}
    />
  );
}

/**
 * A paper as a file.
 *
 * @returns the bytes of a PDF
 */
export async function pdfBytes(paper: ReactElement<DocumentProps>): Promise<Uint8Array> {
  registerFonts();
  return renderToBuffer(paper);
}
