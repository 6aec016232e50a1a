import type { Drawing, Shape } from "@/core/drawing/shapes";
import { shapesMarkup } from "@/core/drawing/shapesMarkup";
import { HATCHES } from "@/core/drawing/svgText";

/** Half of the width that every bar on a sheet is drawn in, in mm, so that rows share one scale and one centre line. */
export const SHEET_HALF_MM = 1200;

interface Props {
  drawing: Drawing;
  /** For people who do not see it; empty where what stands beside it says as much. */
  label: string;
  className?: string;
  /** Room above and below, in mm. */
  marginMm?: number;
}

/** One bar to scale on the sheet's centre line. */
export function BarDrawing({ drawing, label, className, marginMm = 8 }: Props) {
  const { extent, shapes } = drawing;
  const top = extent.top + marginMm;
  const height = top - extent.bottom + marginMm;
  return (
    <svg
      viewBox={`${-SHEET_HALF_MM} ${-top} ${2 * SHEET_HALF_MM} ${height}`}
      {...(label === "" ? { "aria-hidden": true } : { role: "img", "aria-label": label })}
      className={`drawn block w-full ${className ?? ""}`}
      // One text instead of thirty elements: a page has dozens of drawings.
      dangerouslySetInnerHTML={{
        __html: `<line x1="0" x2="0" y1="${-top}" y2="${height}" stroke="var(--color-base-300)" stroke-width="3" stroke-dasharray="24 10 6 10"/>${shapesMarkup(shapes)}`,
      }}
    />
  );
}

/** Shapes in mm, y up, as SVG, y down. */
export function Shapes({ shapes }: { shapes: readonly Shape[] }) {
  return <g dangerouslySetInnerHTML={{ __html: shapesMarkup(shapes) }} />;
}

/** Hatching for the three knurls, from light to dense; put once on a page that draws bars. */
export function KnurlPatterns() {
  return (
    <svg aria-hidden="true" className="absolute size-0">
      <defs>
        {Object.entries(HATCHES).map(([id, hatch]) => (
          <Hatch key={id} id={id} {...hatch} />
        ))}
      </defs>
    </svg>
  );
}

function Hatch({ id, pitch, width }: { id: string; pitch: number; width: number }) {
  return (
    <pattern id={id} width={pitch} height={pitch} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d={`M0 0H${pitch}M0 0V${pitch}`} stroke="var(--steel-dark)" strokeWidth={width} fill="none" />
    </pattern>
  );
}
