import { Document, Page, StyleSheet, Text, View } from "@react-pdf/renderer";
import { dayText } from "@/core/units/dates";
import { extentOf } from "@/core/drawing/shapes";
import type { SvgSheet } from "@/core/drawing/svgText";
import { madeFor } from "@/core/setups/setupCard";
import { USE_PART_WORDS, type UsePart } from "@/core/use/useCards";
import { DANGER, FACES, Foot, INK, Paper, pdfBytes, Picture, printable, Qr, QUIET, RULE } from "./kit";
import type { CardPage } from "@/server/setups";

const styles = StyleSheet.create({
  danger: { color: DANGER, fontWeight: 700, fontSize: 12, marginTop: 2 },
  set: { fontSize: 20, fontWeight: 700, lineHeight: 1.2, marginVertical: 6 },
  head: { fontSize: 8.5, fontWeight: 700, color: QUIET, marginTop: 4 },
  number: { flexDirection: "row", borderBottomWidth: 0.3, borderBottomColor: RULE, paddingVertical: 2 },
  small: { fontSize: 8.5 },
  cards: {
    ...{ fontFamily: FACES, color: INK, paddingTop: 30, paddingBottom: 44, paddingHorizontal: 30 },
    ...{ flexDirection: "row", flexWrap: "wrap", alignContent: "flex-start" },
  },
});

/** One card on a page of its own: what not to do first, what to set, the drawing, numbers in both units, the steps. */
export async function cardPdf(
  asked: CardPage,
  foot: string,
  use: readonly (readonly [UsePart, string])[] = [],
): Promise<Uint8Array> {
  const page = printable(asked);
  const { card, set } = page;
  return pdfBytes(
    <Paper title={`${set.bar.tag} ${set.bar.name}`} foot={foot}>
      <Text style={{ color: QUIET, fontSize: 11 }}>
        {`${page.lifterName}, ${page.liftName}. Set on ${dayText(page.keptOn, "")}. Made for ${madeFor(page)}.`}
      </Text>
      {[...card.first, ...card.refusals].map((text) => (
        <Text key={text} style={styles.danger}>
          {text}
        </Text>
      ))}
      <Text style={styles.set}>{card.set}</Text>
      <Picture drawing={page.drawing} width={515} height={200} />
      <View style={{ flexDirection: "row", columnGap: 24, marginTop: 8 }}>
        <View style={{ flex: 1 }}>
          {card.numbers.map(({ label, text, imperial }) => (
            <View key={label} style={styles.number}>
              <Text style={{ flex: 1, color: QUIET }}>{label}</Text>
              <Text style={{ fontWeight: 700 }}>{text}</Text>
              <Text style={{ width: 62, textAlign: "right", color: QUIET }}>{imperial ?? ""}</Text>
            </View>
          ))}
          {(
            [
              ["Hands", card.hands],
              ["Letting go", card.lettingGo],
              ["At depth", card.atDepth],
              ["In", card.getIn],
              ["Out", card.getOut],
              ["Note", page.note],
            ] as const
          ).map(([head, text]) =>
            text ? (
              <View key={head} wrap={false}>
                <Text style={styles.head}>{head}</Text>
                <Text>{text}</Text>
              </View>
            ) : null,
          )}
        </View>
        <View style={{ flex: 1 }}>
          <Text style={styles.head}>At the bar, in this order</Text>
          {card.steps.map((step, i) => (
            <Text key={i} style={{ marginTop: 2 }}>
              {`${i + 1}. ${step}`}
            </Text>
          ))}
          {card.effects.map((effect) => (
            <Text key={effect} style={{ color: QUIET, fontSize: 9, marginTop: 2 }}>
              {effect}
            </Text>
          ))}
          <View style={{ marginTop: 10 }} wrap={false}>
            <Qr text={page.address} size={96} />
            <Text style={{ fontSize: 8, color: QUIET }}>{`The live page: ${page.address}`}</Text>
          </View>
          {card.cautions.map((caution) => (
            <Text key={caution} style={[styles.small, { marginTop: 3 }]}>
              {caution}
            </Text>
          ))}
        </View>
      </View>
      {use.length > 0 && (
        <View style={{ marginTop: 10 }} wrap={false}>
          <Text style={styles.head}>How to use it, whatever its setting</Text>
          {use.map(([part, text]) => (
            <View key={part} style={{ flexDirection: "row", marginTop: 2 }}>
              <Text style={{ width: 96, color: QUIET, fontSize: 9 }}>{USE_PART_WORDS[part]}</Text>
              <Text style={{ flex: 1, fontSize: 9 }}>{printable(text)}</Text>
            </View>
          ))}
        </View>
      )}
    </Paper>,
  );
}

const ACROSS = 2;
const DOWN = 4;
const CARD = { width: 265, height: 188 };

/** A sheet of small cards to cut out and hang up: eight on a page, two by four. */
export async function cardsPdf(asked: readonly CardPage[], title: string, foot: string): Promise<Uint8Array> {
  const cards = printable(asked);
  if (cards.length === 0)
    return pdfBytes(
      <Paper title={title} foot={foot}>
        <Text>No saved settings yet.</Text>
      </Paper>,
    );
  const pages = Array.from({ length: Math.ceil(cards.length / (ACROSS * DOWN)) }, (_, i) =>
    cards.slice(i * ACROSS * DOWN, (i + 1) * ACROSS * DOWN),
  );
  return pdfBytes(
    <Document title={title} creator="Garrison" producer="Garrison">
      {pages.map((on, i) => (
        <Page key={i} size="A4" style={styles.cards}>
          {on.map((card, j) => (
            <SmallCard key={j} page={card} />
          ))}
          <Foot text={foot} />
        </Page>
      ))}
    </Document>,
  );
}

/** A drawing that fills a small card: what would be too small to read stands in words on it, or on the live page. */
function unlettered(drawing: SvgSheet): SvgSheet {
  const { left, right, bottom, top } = extentOf(drawing.shapes);
  const margin = 0.02 * (right - left);
  return {
    ...{ title: drawing.title, shapes: drawing.shapes },
    extent: { left: left - margin, right: right + margin, bottom: bottom - margin, top: top + margin },
  };
}

/** What must be read at the bar, and the live page for the rest. */
function SmallCard({ page }: { page: CardPage }) {
  const { card, set } = page;
  const drawing = unlettered(page.drawing);
  const { left, right, top, bottom } = drawing.extent;
  // A long bar takes the whole width, a side view the place beside the code.
  const isWide = right - left > 2.5 * (top - bottom);
  const holes = card.numbers.filter(({ text }) => text.startsWith("hole"));
  return (
    <View style={{ ...CARD, borderWidth: 0.6, borderColor: RULE, padding: 8 }}>
      <Text style={{ fontSize: 12, fontWeight: 700 }}>{`${set.bar.tag}  ${page.lifterName}`}</Text>
      <Text style={{ fontSize: 8, color: QUIET }}>{`${set.bar.name}, ${page.liftName}`}</Text>
      {[...card.first, ...card.refusals].map((text) => (
        <Text key={text} style={{ fontSize: 8, fontWeight: 700, color: DANGER }}>
          {text}
        </Text>
      ))}
      <Text style={{ fontSize: 12, fontWeight: 700, marginVertical: 2 }}>{card.set}</Text>
      {isWide && <Picture drawing={drawing} width={CARD.width - 18} height={40} />}
      <View style={{ flexDirection: "row", flex: 1, columnGap: 6 }}>
        <View style={{ flex: 1, justifyContent: isWide ? "flex-end" : "space-between" }}>
          {!isWide && <Picture drawing={drawing} width={CARD.width - 90} height={CARD.height - 112} />}
          <View>
            <Text style={{ fontSize: 8.5, fontWeight: 700 }}>
              {holes.map(({ label, text }) => `${label} ${text}`).join(", ") || "One light set first."}
            </Text>
            {holes.length > 0 && <Text style={{ fontSize: 8, color: QUIET }}>One light set first.</Text>}
          </View>
        </View>
        <View style={{ justifyContent: "flex-end" }}>
          <Qr text={page.address} size={64} />
        </View>
      </View>
    </View>
  );
}
