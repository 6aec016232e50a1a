import type { Bar } from "@/core/bars/bar";
import { Say } from "../kit/shown";
import { dimensionsOf, type Dimension } from "@/core/drawing/dimensionedSheet";
import { touchParts } from "@/core/drawing/touchParts";
import { href } from "../kit/search";
import { drawBar, WALL_THICKNESS_FACTOR } from "@/core/drawing/drawBar";
import { SHEET_HALF_MM, Shapes } from "../kit/BarDrawing";

const LINE_STEP_MM = 78;

/** One bar large, with its lengths on dimension lines below it. */
export function DimensionedBar({ bar, isTouchable = false }: { bar: Bar; isTouchable?: boolean }) {
  const drawing = drawBar(bar, WALL_THICKNESS_FACTOR);
  const { extent } = drawing;
  const lines = dimensionsOf(bar, extent.right);
  const top = extent.top + 30;
  const bottom = extent.bottom - 40;
  const height = top - bottom + lines.length * LINE_STEP_MM + 20;
  return (
    <figure className="overflow-x-auto">
      <svg
        viewBox={`${-SHEET_HALF_MM} ${-top} ${2 * SHEET_HALF_MM} ${height}`}
        className="drawn block w-full min-w-[34rem]"
        role={isTouchable ? "group" : "img"}
        aria-label={`${bar.name} with its lengths`}
      >
        <line
          x1={0}
          x2={0}
          y1={-top}
          y2={height}
          stroke="var(--color-base-300)"
          strokeWidth={2.5}
          strokeDasharray="24 10 6 10"
        />
        <Shapes shapes={drawing.shapes} />
        {isTouchable &&
          touchParts(bar, drawing).map(({ kind, label, left, right, top: up, bottom: down }) => (
            <a
              key={`${kind} ${left}`}
              href={href("/bars/measure", { bars: bar.tag, at: bar.tag, kind })}
              aria-label={`Measure the ${label}, ${left < 0 ? (right > 0 ? "middle" : "left") : "right"}`}
              className="touch-part"
            >
              <title>{`Measure the ${label}`}</title>
              <rect x={left} y={-up - 20} width={right - left} height={up - down + 40} />
            </a>
          ))}
        {lines.map((line, i) => (
          <DimensionLine key={line.text} {...line} y={-bottom + 30 + i * LINE_STEP_MM} fromY={-bottom - 30} />
        ))}
      </svg>
    </figure>
  );
}

function DimensionLine({ fromMm, toMm, text, isStated, y, fromY }: Dimension & { y: number; fromY: number }) {
  const gap = text.length * 12 + 24;
  return (
    <g stroke="var(--color-quiet)" strokeWidth={2.5}>
      {[fromMm, toMm].map((x) => (
        <line key={x} x1={x} x2={x} y1={fromY} y2={y + 14} strokeDasharray="2 7" />
      ))}
      <line x1={fromMm} x2={-gap} y1={y} y2={y} />
      <line x1={gap} x2={toMm} y1={y} y2={y} />
      <path
        d={`M${fromMm + 18},${y - 9}L${fromMm},${y}L${fromMm + 18},${y + 9}M${toMm - 18},${y - 9}L${toMm},${y}L${toMm - 18},${y + 9}`}
        fill="none"
      />
      <text
        x={0}
        y={y + 13}
        textAnchor="middle"
        fontSize={40}
        className="lettered"
        fill="var(--color-base-content)"
        fontStyle={isStated ? "italic" : undefined}
      >
        <Say text={text} />
      </text>
    </g>
  );
}
