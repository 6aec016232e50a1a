import type { InspectionLimits, Runout } from "@/core/care/inspection";
import { fixed } from "@/core/units/format";
import { Mm } from "../kit/shown";

interface Props {
  dialMm: readonly number[];
  runout: Runout;
  limits: InspectionLimits;
}

const SIZE = 100;
const RADIUS = 52;

/** The turn as the dial saw it, and where the bend points: readings on their angles, the fitted turn through them. */
export function BendPicture({ dialMm, runout: { tirMm, bendAtDeg, residualMm }, limits }: Props) {
  const mean = dialMm.reduce((sum, value) => sum + value, 0) / dialMm.length;
  // What the dial travels is drawn as a third of the radius, whatever it is; the ring's offset says where to.
  const scale = (RADIUS * 0.45) / Math.max(0.2, tirMm / 2);
  const at = (deg: number, radius: number): [number, number] => [
    radius * Math.sin((deg * Math.PI) / 180),
    -radius * Math.cos((deg * Math.PI) / 180),
  ];
  const fitted = Array.from({ length: 73 }, (_, i) => {
    const deg = i * 5;
    return at(deg, RADIUS + scale * (tirMm / 2) * Math.cos(((deg - bendAtDeg) * Math.PI) / 180));
  });
  const [tipX, tipY] = at(bendAtDeg, RADIUS + scale * (tirMm / 2) + 4);
  const isBad = tirMm > limits.watchTirMm;
  return (
    <figure className="mt-3 flex flex-wrap items-center gap-4">
      <svg
        viewBox={`${-SIZE} ${-SIZE} ${2 * SIZE} ${2 * SIZE}`}
        className="drawn h-44 w-44 shrink-0"
        role="img"
        aria-label={`One turn seen along the bar: it bends towards ${fixed(bendAtDeg, 0)}°`}
      >
        <circle r={RADIUS} fill="none" stroke="var(--color-faint)" strokeDasharray="3 3" />
        {[0, 90, 180, 270].map((deg) => {
          const [x, y] = at(deg, SIZE - 10);
          return (
            <text
              key={deg}
              x={x}
              y={y}
              fontSize={11}
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--color-quiet)"
            >
              {deg}°
            </text>
          );
        })}
        <polygon
          points={fitted.map((point) => point.join()).join(" ")}
          fill="none"
          stroke={isBad ? "var(--color-error)" : "var(--color-primary)"}
          strokeWidth={2}
        />
        <line
          x1={0}
          y1={0}
          x2={tipX}
          y2={tipY}
          stroke={isBad ? "var(--color-error)" : "var(--color-primary)"}
          strokeWidth={3}
        />
        <circle r={3} fill="var(--color-base-content)" />
        {dialMm.map((value, i) => {
          const [x, y] = at((360 * i) / dialMm.length, RADIUS + scale * (value - mean));
          return (
            <circle
              key={i}
              cx={x}
              cy={y}
              r={4}
              fill="var(--color-base-100)"
              stroke="var(--color-base-content)"
              strokeWidth={2}
            />
          );
        })}
      </svg>
      <figcaption className="min-w-0 flex-1 text-sm">
        <strong className="text-lg">
          Runout <Mm value={tirMm} decimals={2} isAligned />
        </strong>
        <br />
        It bends towards {fixed(bendAtDeg, 0)}° from the first reading. Drawn large; the dashed ring is a straight bar.
        Watch over {limits.watchTirMm} mm, quarantine over {limits.quarantineTirMm} mm.
        {residualMm > Math.max(0.1, tirMm / 5) && (
          <span className="text-accent block font-semibold">
            Readings lie up to <Mm value={residualMm} decimals={2} isAligned /> off one even turn: grit, an oval shaft
            or a slip of the gauge. Read it again.
          </span>
        )}
      </figcaption>
    </figure>
  );
}
