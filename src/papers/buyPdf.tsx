import { Image, StyleSheet, Text, View } from "@react-pdf/renderer";
import type { Bar } from "@/core/bars/bar";
import { drawBar } from "@/core/drawing/drawBar";
import { INK, Paper, pdfBytes, Picture, printable, QUIET, RULE } from "./kit";

/** One part of such a sheet. */
export type SheetPart =
  | { kind: "text"; text: string; isBold?: boolean }
  | { kind: "head"; text: string }
  | { kind: "rows"; rows: readonly (readonly [string, string])[] }
  | { kind: "bar"; bar: Bar }
  | { kind: "photo"; bytes: Buffer }
  | { kind: "sign"; lines: readonly string[] };

const styles = StyleSheet.create({
  head: {
    ...{ fontSize: 12, fontWeight: 700, marginTop: 12, marginBottom: 3 },
    ...{ borderBottomWidth: 0.6, borderBottomColor: RULE },
  },
  row: { flexDirection: "row", paddingVertical: 1, fontSize: 10.5 },
  photo: { width: 240, height: 240, objectFit: "contain", objectPosition: "0 0", marginTop: 8 },
  sign: {
    fontSize: 9,
    color: QUIET,
    width: 240,
    marginTop: 36,
    borderTopWidth: 0.6,
    borderTopColor: INK,
    paddingTop: 2,
  },
});

/** A sheet about buying, A4 upright, as many pages as it takes, each numbered. */
export async function buyPdf(asked: { title: string; foot: string; parts: readonly SheetPart[] }): Promise<Uint8Array> {
  const { title, foot, parts } = printable(asked);
  return pdfBytes(
    <Paper title={title} foot={foot}>
      {parts.map((part, i) => (
        <Part key={i} part={part} />
      ))}
    </Paper>,
  );
}

function Part({ part }: { part: SheetPart }) {
  switch (part.kind) {
    case "head":
      return (
        <Text style={styles.head} minPresenceAhead={30}>
          {part.text}
        </Text>
      );
    case "text":
      return <Text style={{ fontSize: 10.5, fontWeight: part.isBold ? 700 : 400 }}>{part.text}</Text>;
    case "rows":
      return part.rows.map(([name, value], i) => (
        <View key={i} style={styles.row} wrap={false}>
          <Text style={{ width: 170, color: QUIET }}>{name}</Text>
          <Text style={{ flex: 1 }}>{value}</Text>
        </View>
      ));
    case "bar":
      return (
        <View style={{ marginVertical: 10 }} wrap={false}>
          <Picture drawing={{ ...drawBar(part.bar), title: part.bar.name }} width={515} height={100} />
        </View>
      );
    case "photo":
      // Not of a page: paper has no text beside it that is read out.
      // eslint-disable-next-line jsx-a11y/alt-text
      return <Image src={{ data: Buffer.from(part.bytes), format: "jpg" }} style={styles.photo} />;
    case "sign":
      return part.lines.map((line) => (
        <Text key={line} style={styles.sign}>
          {line}
        </Text>
      ));
  }
}
