import type { Bar } from "@/core/bars/bar";
import { valueOf } from "@/core/bars/bar";
import { drawBar } from "@/core/drawing/drawBar";
import { drawPlates } from "@/core/drawing/drawPlates";
import { loadedWhip } from "@/core/drawing/loadedWhip";
import type { Box } from "@/core/drawing/shapes";
import { seatToSeatOf } from "@/core/bars/lengths";
import { Shapes } from "../kit/BarDrawing";
import { plateLook } from "./plateLooks";
import { Mm } from "../kit/shown";

export interface HalfPlate {
  label: string;
  massKg: number;
  thicknessMm: number;
  diameterMm: number;
  colour: string | null;
}

interface Props {
  bar: Bar;
  plates: readonly HalfPlate[];
  clampWidthMm: number | null;
  label: string;
  /** Half the distance between the J-cups of the rack it lies on. */
  supportHalfSpacingMm?: number;
  /** As large as there is room, to be read from across the room. */
  isLarge?: boolean;
}

/** The right half of the bar from the last of the knurl outwards, to scale, plates in order with their masses on them. */
export function LoadedHalf({ bar, plates, clampWidthMm, label, supportHalfSpacingMm, isLarge }: Props) {
  const { shapes } = drawBar(bar, 1);
  const seat = (seatToSeatOf(bar)?.value ?? 1370) / 2;
  const sleeve = valueOf(bar, "sleeveLength") ?? 400;
  const drawn = drawPlates(
    seat,
    plates.map(({ label: text, thicknessMm, diameterMm, colour }) => ({
      label: text,
      thicknessMm,
      diameterMm,
      tone: colour ?? "grey",
    })),
  ) as Box[];
  const outer = (drawn.at(-1)?.x ?? seat) + (drawn.at(-1)?.width ?? 0);
  const left = seat - 180;
  const right = Math.max(seat + sleeve, outer) + 25;
  const whip = loadedWhip(bar, plates, { fromMm: left, ...(supportHalfSpacingMm ? { supportHalfSpacingMm } : {}) });
  // Collar, sleeve and what is on it turn together, about the point where the shaft ends.
  const turned = whip ? `translate(0 ${-whip.seat[1]}) rotate(${whip.angleDeg} ${whip.seat[0]} 0)` : undefined;
  const collar = valueOf(bar, "collarThickness") ?? 30;
  const outboard = shapes.filter((shape) => shape.kind !== "box" || shape.x + 1 >= seat - collar);
  const shaft = valueOf(bar, "shaftDiameter") ?? 28;
  return (
    <figure className={isLarge ? "min-h-0" : undefined}>
      <svg
        viewBox={`${left} -245 ${right - left} ${whip ? 510 : 490}`}
        className={`drawn block w-full ${isLarge ? "h-full" : "max-h-[24rem]"}`}
        role="img"
        aria-label={label}
      >
        {whip && (
          <>
            <line
              x1={left}
              x2={right}
              y1={0}
              y2={0}
              stroke="var(--color-base-300)"
              strokeWidth={2}
              strokeDasharray="14 6 3 6"
            />
            <polyline
              points={whip.axis.map(([x, y]) => `${x},${-y}`).join(" ")}
              fill="none"
              stroke="var(--color-base-content)"
              strokeWidth={shaft}
              opacity={0.55}
            />
            {whip.supportHalfSpacingMm > left && (
              <path
                d={`M ${whip.supportHalfSpacingMm} ${shaft / 2} l -16 30 h 32 z`}
                fill="var(--color-base-content)"
                opacity={0.8}
              />
            )}
          </>
        )}
        <g transform={turned}>
          <Shapes shapes={whip ? outboard : shapes} />
          {drawn.map((plate, i) => (
            <DrawnPlate key={i} plate={plate} />
          ))}
          {clampWidthMm !== null && (
            <rect x={outer + 1} y={-42} width={clampWidthMm} height={84} rx={5} fill="var(--color-base-content)" />
          )}
        </g>
      </svg>
      {whip && (
        <figcaption className="text-quiet text-xs">
          On J-cups <Mm value={2 * whip.supportHalfSpacingMm} decimals={0} /> apart the plates hang{" "}
          <Mm value={whip.dropMm} decimals={1} /> below them; drawn{" "}
          {whip.exaggeration === 1 ? "as it is" : `× ${whip.exaggeration}`}.
        </figcaption>
      )}
    </figure>
  );
}

/** Thick plates carry large letters, thin ones small; all are read from above downwards. */
function DrawnPlate({ plate }: { plate: Box }) {
  const look = plateLook(plate.tone ?? "grey");
  const size = Math.min(40, Math.max(9, plate.width * 0.85));
  return (
    <g>
      <rect
        x={plate.x + 0.6}
        y={-plate.height / 2}
        width={plate.width - 1.2}
        height={plate.height}
        rx={4}
        fill={look.fill}
        stroke="var(--color-base-content)"
        strokeWidth={1.2}
      />
      <text
        transform={`translate(${plate.x + plate.width / 2} ${-plate.height / 2 + 12}) rotate(90)`}
        dominantBaseline="central"
        fontSize={size}
        fontWeight={700}
        fill={look.text}
      >
        {plate.label}
      </text>
    </g>
  );
}
