import { Circle, Path, Rect, Svg, Text } from "@react-pdf/renderer";
import type { Shape } from "@/core/drawing/shapes";
import { PAPER_INKS, type DrawnLine, type DrawnText, type SvgSheet } from "@/core/drawing/svgText";
import { INK, QUIET } from "./Paper";

interface Props {
  drawing: SvgSheet;
  /** At most so large, in points; the drawing keeps its proportions. */
  width: number;
  height: number;
}

/** A drawing of the core on paper. Lettering is never under 8 pt, however small the drawing. */
export function Picture({ drawing, width, height }: Props) {
  const { extent, shapes, lines = [], texts = [] } = drawing;
  const [w, h] = [extent.right - extent.left, extent.top - extent.bottom];
  const scale = Math.min(width / w, height / h);
  return (
    <Svg
      viewBox={`${extent.left} ${-extent.top} ${w} ${h}`}
      style={{ width: w * scale, height: h * scale, alignSelf: "center" }}
    >
      {lines.map((line, i) => (
        <Line key={i} line={line} />
      ))}
      {shapes.map((shape, i) => (
        <Drawn key={i} shape={shape} />
      ))}
      {texts.map((text, i) => (
        <Lettering key={i} text={text} leastMm={8 / scale} />
      ))}
    </Svg>
  );
}

/** On paper the accent is an ink of its own; other colours are said as they are. */
const inkOf = (color: string | undefined) => (color === "accent" ? "#b4690e" : color);

const pathOf = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y], i) => `${i === 0 ? "M" : "L"}${x.toFixed(2)},${(-y).toFixed(2)}`).join("");

function Line({ line: { points, widthMm, color, dash } }: { line: DrawnLine }) {
  return (
    <Path
      d={pathOf(points)}
      fill="none"
      stroke={inkOf(color) ?? QUIET}
      strokeWidth={widthMm}
      {...(dash ? { strokeDasharray: dash } : {})}
    />
  );
}

/** A box or a tube; knurl is a plain grey on paper. */
function Drawn({ shape }: { shape: Shape }) {
  const color = PAPER_INKS.fill[shape.role] ?? "#8d9699";
  if (shape.kind === "tube")
    return <Path d={pathOf(shape.points)} fill="none" stroke={color} strokeWidth={shape.thickness} />;
  const { x, y, width, height, radius = 0 } = shape;
  if (width === height && radius >= width / 2 - 0.01)
    return <Circle cx={x + width / 2} cy={-(y + height / 2)} r={width / 2} fill={color} />;
  return <Rect x={x} y={-(y + height)} width={width} height={height} rx={radius} fill={color} />;
}

function Lettering({ text, leastMm }: { text: DrawnText; leastMm: number }) {
  return (
    <Text
      x={text.x}
      y={-text.y}
      textAnchor={text.anchor ?? "start"}
      fill={inkOf(text.color) ?? INK}
      style={{
        fontSize: Math.max(text.sizeMm, leastMm),
        ...(text.isBold ? { fontWeight: 700 } : {}),
        ...(text.isSlanted ? { fontStyle: "italic" } : {}),
      }}
    >
      {text.text}
    </Text>
  );
}
