import type { SvgSheet } from "@/core/drawing/svgText";
import { Say } from "./shown";
import { Shapes } from "./BarDrawing";

/** A drawing with its lines and lettering, in the theme's inks. */
export function SheetDrawing({ sheet, className }: { sheet: SvgSheet; className?: string }) {
  const { extent, shapes, lines = [], texts = [], title } = sheet;
  const ink = (color: string | undefined, usual: string) =>
    color === "accent" ? "var(--color-accent)" : (color ?? usual);
  return (
    <svg
      viewBox={`${extent.left} ${-extent.top} ${extent.right - extent.left} ${extent.top - extent.bottom}`}
      role="img"
      aria-label={title}
      className={`drawn block w-full ${className ?? ""}`}
    >
      {lines.map(({ points, widthMm, color, dash }, i) => (
        <polyline
          key={i}
          points={points.map(([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`).join(" ")}
          stroke={ink(color, "var(--color-quiet)")}
          strokeWidth={widthMm}
          strokeDasharray={dash}
        />
      ))}
      <Shapes shapes={shapes} />
      {lines
        .filter(({ color }) => color === "accent")
        .map(({ points, widthMm }, i) => (
          <polyline
            key={`over${i}`}
            points={points.map(([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`).join(" ")}
            stroke="var(--color-accent)"
            strokeWidth={widthMm}
          />
        ))}
      {texts.map(({ x, y, text, sizeMm, anchor, isBold, color }, i) => (
        <text
          key={i}
          x={x}
          y={-y}
          fontSize={sizeMm}
          textAnchor={anchor ?? "start"}
          fontWeight={isBold ? 700 : 400}
          fill={ink(color, "var(--color-base-content)")}
          className="lettered"
        >
          <Say text={text} />
        </text>
      ))}
    </svg>
  );
}
