import { StyleSheet, Text, View } from "@react-pdf/renderer";
import type { SvgSheet } from "@/core/drawing/svgText";
import type { ComparisonRow } from "@/core/whip/comparisonRows";
import { INK, Paper, pdfBytes, Picture, printable, QUIET, RULE } from "./kit";

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

const WIDTH = 761;
/** What a row of the table takes, and what page, title and sentences leave for drawing and table, in points. */
const ROW = 10;
const ROOM = 372;
/** The drawing takes what the table leaves of one page, within what can be read. */
const pictureHeight = (rows: number) => Math.min(210, Math.max(120, ROOM - (rows + 1) * ROW));

const styles = StyleSheet.create({
  quiet: { color: QUIET, fontSize: 9 },
  row: { flexDirection: "row", borderTopWidth: 0.4, borderTopColor: RULE, paddingVertical: 0.5 },
  name: { width: 190, fontSize: 8, lineHeight: 1.1 },
  cell: { flex: 1, maxWidth: 100, textAlign: "right", fontSize: 8, lineHeight: 1.1 },
});

/** A4 across: the answer, the bars bent over one another, and the whole table, on as many pages as it takes. */
export async function comparisonPdf(asked: Sheet): Promise<Uint8Array> {
  const sheet = printable(asked);
  const { tags, rows } = sheet;
  return pdfBytes(
    <Paper title={sheet.title} foot={sheet.foot} isLandscape>
      <Text style={styles.quiet}>{sheet.question}</Text>
      <Text style={{ marginTop: 6 }}>
        {sheet.verdict && <Text style={{ fontWeight: 700 }}>{sheet.verdict} </Text>}
        {sheet.text}
      </Text>
      {sheet.drawing && (
        <View style={{ marginVertical: 6 }} wrap={false}>
          <Picture drawing={sheet.drawing} width={WIDTH} height={pictureHeight(rows.length)} />
        </View>
      )}
      <View style={[styles.row, { borderTopWidth: 0 }]} fixed>
        <Text style={styles.name} />
        {tags.map(({ tag, ink }, i) => (
          <Text key={i} style={[styles.cell, { color: ink, fontWeight: 700 }]}>
            {tag}
          </Text>
        ))}
        {tags.length > 1 && <Text style={[styles.cell, { color: QUIET }]}>by</Text>}
      </View>
      {rows.map(({ name, cells, by, unit, isEqual }, r) => {
        const color = isEqual ? QUIET : INK;
        return (
          <View key={r} style={styles.row} wrap={false}>
            <Text style={[styles.name, { color }]}>
              {name}
              {unit && <Text style={{ color: QUIET, fontSize: 8 }}> {unit}</Text>}
            </Text>
            {cells.map(({ text, isStated }, i) => (
              <Text
                key={i}
                style={[
                  styles.cell,
                  { color, fontStyle: isStated ? "italic" : "normal", fontWeight: isStated || isEqual ? 400 : 700 },
                ]}
              >
                {text}
              </Text>
            ))}
            {tags.length > 1 && <Text style={[styles.cell, { color }]}>{by}</Text>}
          </View>
        );
      })}
      <Text style={[styles.quiet, { fontSize: 8, marginTop: 8 }]}>{sheet.caution}</Text>
    </Paper>,
  );
}
