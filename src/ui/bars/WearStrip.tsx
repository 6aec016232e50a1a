import type { Bar } from "@/core/bars/bar";
import { drawnSizes } from "@/core/drawing/drawnSizes";
import { bendPlaceWords, type BendPlace } from "@/core/wear/bendPlace";
import type { WearAlong } from "@/core/wear/wearAlong";
import { wearWords } from "@/core/wear/wearWords";
import { type FoundAlong, foundAt, SIDES_ARE, zoneSpan } from "@/core/wear/zones";
import { SHEET_HALF_MM } from "../kit/BarDrawing";
import { Day, Say } from "../kit/shown";

interface Props {
  bar: Bar;
  wear: WearAlong | null;
  found: readonly FoundAlong[];
  bend: BendPlace | null;
}

const THICK_MM = 90;
const MARK_MM = 46;

/** The shaft as a strip under its drawing: dark where hands wear it, with what was found at its place. */
export function WearStrip({ bar, wear, found, bend }: Props) {
  if (!wear && found.length === 0 && !bend) return null;
  const { halfShaft, seat, sleeveLength } = drawnSizes(bar);
  const end = seat + sleeveLength;
  const placed = found.map((one, i) => {
    const { fromMm, toMm } = zoneSpan(bar, one.zone);
    return { ...one, n: i + 1, x: one.atMm ?? (fromMm + toMm) / 2 };
  });
  const words = wear ? wearWords(wear) : null;
  return (
    <figure className="border-base-300 border-t px-0 pt-2" data-testid="wear-strip">
      <figcaption id="wear-along" className="px-4 text-sm">
        <strong>Along the shaft</strong> {words && <Say text={words} />}
      </figcaption>
      <svg
        viewBox={`${-SHEET_HALF_MM} ${bend ? -110 : -60} ${2 * SHEET_HALF_MM} ${bend ? 170 : 120}`}
        role="img"
        aria-labelledby="wear-along wear-places"
        className="block w-full"
      >
        {[-1, 1].map((side) => (
          <rect
            key={side}
            x={side < 0 ? -end : seat}
            y={-THICK_MM / 2}
            width={sleeveLength}
            height={THICK_MM}
            fill="var(--color-base-300)"
          />
        ))}
        <rect
          x={-halfShaft}
          y={-THICK_MM / 2}
          width={2 * halfShaft}
          height={THICK_MM}
          fill="var(--color-base-100)"
          stroke="var(--color-base-content)"
          strokeWidth={4}
        />
        {wear?.cells.map((value, i) =>
          value < 0.04 ? null : (
            <rect
              key={i}
              x={wear.fromMm + (i - 0.5) * wear.stepMm}
              y={-THICK_MM / 2 + 2}
              width={wear.stepMm + 0.5}
              height={THICK_MM - 4}
              fill="var(--color-accent)"
              fillOpacity={0.12 + 0.78 * value}
            />
          ),
        )}
        {bend && (
          <path
            d={`M${bend.atMm},${-THICK_MM / 2 - 8}l-26,-46h52z`}
            fill="var(--color-error)"
            stroke="var(--color-base-100)"
            strokeWidth={4}
          />
        )}
        {placed.map(({ n, x, isOpen }) => (
          <g key={n}>
            <circle
              cx={x}
              cy={0}
              r={MARK_MM}
              fill={isOpen ? "var(--color-error)" : "var(--color-base-100)"}
              stroke={isOpen ? "var(--color-base-100)" : "var(--color-quiet)"}
              strokeWidth={6}
            />
            <text
              x={x}
              y={20}
              fontSize={58}
              fontWeight={700}
              textAnchor="middle"
              className="lettered"
              fill={isOpen ? "var(--color-base-100)" : "var(--color-quiet)"}
            >
              {n}
            </text>
          </g>
        ))}
      </svg>
      <ol id="wear-places" className="grid gap-x-6 px-4 pb-2 text-sm sm:grid-cols-2">
        {placed.map(({ n, text, zone, on, isOpen }) => (
          <li key={n} className={isOpen ? "" : "text-quiet"}>
            <strong>{n}</strong> {foundAt(text, zone)}, <Day on={on} />
            {!isOpen && ", resolved"}
          </li>
        ))}
        {bend && (
          <li>
            <strong className="text-error">▲</strong> <Say text={bendPlaceWords(bend)} />
          </li>
        )}
      </ol>
      {(placed.length > 0 || bend) && <p className="text-quiet px-4 pb-2 text-xs">{SIDES_ARE}</p>}
    </figure>
  );
}
