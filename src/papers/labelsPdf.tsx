import { Circle, Document, Page, Rect, Svg, Text, View } from "@react-pdf/renderer";
import { KG_PER_LB } from "@/core/units/constants";
import { trimmed } from "@/core/units/format";
import { FACES, INK, pdfBytes, printable, Qr, QUIET, RULE } from "./kit";
import { CAP_MM, type LabelKind, SHELF_MM } from "./labelKinds";

const PAGE_MM = { width: 210, height: 297 };

export interface LabelledBar {
  tag: string;
  name: string;
  family: string;
  madeFor: string;
  massKg: number | null;
  ratedKg: number | null;
  /** The gym's colour of the family, as #rrggbb; null where it chose none. */
  colour: string | null;
  /** What the code leads to. */
  address: string;
}

const pt = (mm: number) => (mm * 72) / 25.4;
const inLb = (kg: number) => Math.floor(kg / KG_PER_LB + 0.05);
const both = (kg: number | null) => (kg === null ? "not known: ask" : `${trimmed(kg, 1)} kg · ${inLb(kg)} lb`);

/**
 * Labels to cut out, as large as they are said: print at 100 %. Two shelf tags beside one another, seven down; three caps
 * by five.
 *
 * @returns the bytes of a PDF
 */
export async function labelsPdf(kind: LabelKind, asked: readonly LabelledBar[], title: string): Promise<Uint8Array> {
  const bars = printable(asked);
  const grid =
    kind === "shelf"
      ? { across: 2, down: 7, ...SHELF_MM }
      : { across: 3, down: 5, width: CAP_MM + 8, height: CAP_MM + 4 };
  const aPage = grid.across * grid.down;
  const [left, top] = [(PAGE_MM.width - grid.across * grid.width) / 2, (PAGE_MM.height - grid.down * grid.height) / 2];
  const pages = Array.from({ length: Math.max(1, Math.ceil(bars.length / aPage)) }, (_, i) =>
    bars.slice(i * aPage, (i + 1) * aPage),
  );
  return pdfBytes(
    <Document title={title} creator="Garrison" producer="Garrison">
      {pages.map((on, i) => (
        <Page key={i} size="A4" style={{ fontFamily: FACES, color: INK }}>
          {on.length === 0 && <Text style={{ margin: 40 }}>No bars to label.</Text>}
          {on.map((bar, j) => {
            const at = {
              left: pt(left + (j % grid.across) * grid.width),
              top: pt(top + Math.floor(j / grid.across) * grid.height),
            };
            return kind === "shelf" ? <Shelf key={j} bar={bar} at={at} /> : <Cap key={j} bar={bar} at={at} />;
          })}
        </Page>
      ))}
    </Document>,
  );
}

interface Placed {
  bar: LabelledBar;
  at: { left: number; top: number };
}

/** A long tag is set smaller, so that it stays whole. */
const fitting = (tag: string, size: number, room: number) => Math.min(size, room / (0.68 * Math.max(1, tag.length)));

function Shelf({ bar, at }: Placed) {
  const [width, height] = [pt(SHELF_MM.width), pt(SHELF_MM.height)];
  return (
    <View style={{ position: "absolute", ...at, width, height, flexDirection: "row" }}>
      <Svg viewBox={`0 0 ${width} ${height}`} style={{ position: "absolute", left: 0, top: 0, width, height }}>
        <Rect x={0} y={0} width={width} height={height} fill="none" stroke={RULE} strokeWidth={0.5} />
        {bar.colour && <Rect x={0} y={0} width={pt(5)} height={height} fill={bar.colour} />}
      </Svg>
      <View style={{ flex: 1, paddingLeft: pt(8), paddingVertical: pt(2.5), justifyContent: "space-between" }}>
        <View>
          <Text style={{ fontSize: fitting(bar.tag, 30, pt(46)), fontWeight: 700, lineHeight: 1.1 }}>{bar.tag}</Text>
          <Text style={{ fontSize: 10, fontWeight: 700, lineHeight: 1.25 }}>{bar.name}</Text>
          <Text style={{ fontSize: 8, lineHeight: 1.25, color: QUIET }}>{`${bar.family}: ${bar.madeFor}`}</Text>
        </View>
        <View>
          <Text style={{ fontSize: 10 }}>{`weighs ${both(bar.massKg)}`}</Text>
          <Text style={{ fontSize: 10 }}>{`carries at most ${both(bar.ratedKg)}`}</Text>
        </View>
      </View>
      <View style={{ width: pt(30), alignItems: "center", justifyContent: "center" }}>
        <Qr text={bar.address} size={pt(27)} />
      </View>
    </View>
  );
}

function Cap({ bar, at }: Placed) {
  const across = pt(CAP_MM);
  const middle = across / 2;
  return (
    <View style={{ position: "absolute", ...at, width: across, height: across }}>
      <Svg
        viewBox={`0 0 ${across} ${across}`}
        style={{ position: "absolute", left: 0, top: 0, width: across, height: across }}
      >
        <Circle cx={middle} cy={middle} r={middle} fill="none" stroke={RULE} strokeWidth={0.5} />
        {bar.colour && (
          <Circle cx={middle} cy={middle} r={middle - pt(2)} fill="none" stroke={bar.colour} strokeWidth={pt(2.5)} />
        )}
      </Svg>
      <View style={{ alignItems: "center", paddingTop: pt(6.5) }}>
        <Text style={{ fontSize: fitting(bar.tag, 24, pt(30)), fontWeight: 700, lineHeight: 1.1 }}>{bar.tag}</Text>
        <Text style={{ fontSize: 9, fontWeight: 700 }}>{both(bar.massKg)}</Text>
        <Qr text={bar.address} size={pt(20)} />
      </View>
    </View>
  );
}
