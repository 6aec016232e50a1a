import type { Bar } from "@/core/bars/bar";
import { Say } from "../kit/shown";
import { dimensionsOf, type Dimension } from "@/core/drawing/dimensionedSheet";
import { touchParts } from "@/core/drawing/touchParts";
import { href } from "../kit/search";
import { drawBar, WALL_THICKNESS_FACTOR } from "@/core/drawing/drawBar";
import { SHEET_HALF_MM, Shapes } from "../kit/BarDrawing";

const LINE_STEP_MM = 78;
/** So high that a thumb meets a part of it on a telephone, where 2400 mm lie across 358 px. */
const LEAST_HEIGHT_MM = 300;

/**
 * One bar large and whole, with its lengths on dimension lines below it; on a telephone, where figures on lines would be
 * too small to read, as a list.
 */
export function DimensionedBar({ bar, isTouchable = false }: { bar: Bar; isTouchable?: boolean }) {
  const drawing = drawBar(bar, WALL_THICKNESS_FACTOR);
  const { extent } = drawing;
  const lines = dimensionsOf(bar, extent.right);
  const spare = Math.max(0, LEAST_HEIGHT_MM - (extent.top - extent.bottom) - 40) / 2;
  const [top, bottom] = [-extent.top - 30 - spare, -extent.bottom + 10 + spare];
  const linesHeight = lines.length * LINE_STEP_MM + 40;
  return (
    <figure className="relative">
      <svg
        viewBox={`${-SHEET_HALF_MM} ${top} ${2 * SHEET_HALF_MM} ${bottom - top}`}
        className="drawn block w-full"
        role={isTouchable ? "group" : "img"}
        aria-label={`${bar.name} with its lengths`}
      >
        <CentreLine from={top} to={bottom} />
        <Shapes shapes={drawing.shapes} />
        {isTouchable &&
          touchParts(bar, drawing).map(({ kind, label, left, right }) => (
            <a
              key={`${kind} ${left}`}
              href={href("/bars/measure", { bars: bar.tag, at: bar.tag, kind })}
              aria-label={`Measure the ${label}, ${left < 0 ? (right > 0 ? "middle" : "left") : "right"}`}
              className="touch-part"
            >
              <title>{`Measure the ${label}`}</title>
              {/* As high as the drawing: a finger is thicker than a shaft. */}
              <rect x={left} y={top} width={right - left} height={bottom - top} />
            </a>
          ))}
      </svg>
      <svg
        viewBox={`${-SHEET_HALF_MM} ${bottom} ${2 * SHEET_HALF_MM} ${linesHeight}`}
        className="drawn hidden w-full sm:block"
        aria-hidden="true"
      >
        <CentreLine from={bottom} to={bottom + linesHeight} />
        {lines.map((line, i) => (
          <DimensionLine key={line.text} {...line} y={bottom + 60 + i * LINE_STEP_MM} fromY={bottom} />
        ))}
      </svg>
      <ul className="flex flex-wrap gap-x-4 px-4 pb-2 text-sm sm:sr-only">
        {lines.map(({ text, isStated }) => (
          <li key={text} className={isStated ? "italic" : ""}>
            <Say text={text} />
          </li>
        ))}
      </ul>
    </figure>
  );
}

/** The middle of the bar. */
function CentreLine({ from, to }: { from: number; to: number }) {
  return (
    <line
      x1={0}
      x2={0}
      y1={from}
      y2={to}
      stroke="var(--color-base-300)"
      strokeWidth={2.5}
      strokeDasharray="24 10 6 10"
    />
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
