import type { Bar } from "@/core/bars/bar";
import { valueOf } from "@/core/bars/bar";
import { drawBar } from "@/core/drawing/drawBar";
import { drawPlates } from "@/core/drawing/drawPlates";
import type { Box } from "@/core/drawing/shapes";
import { seatToSeatOf } from "@/core/bars/lengths";
import { Shapes } from "../kit/BarDrawing";
import { plateLook } from "./plateLooks";

export interface HalfPlate {
  label: string;
  thicknessMm: number;
  diameterMm: number;
  colour: string | null;
}

interface Props {
  bar: Bar;
  plates: readonly HalfPlate[];
  clampWidthMm: number | null;
  label: string;
}

/** The right half of the bar from the last of the knurl outwards, to scale, plates in order with their masses on them. */
export function LoadedHalf({ bar, plates, clampWidthMm, label }: Props) {
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
  const left = seat - 150;
  const right = Math.max(seat + sleeve, outer) + 25;
  return (
    <svg
      viewBox={`${left} -240 ${right - left} 480`}
      className="drawn block max-h-[24rem] w-full"
      role="img"
      aria-label={label}
    >
      <Shapes shapes={shapes} />
      {drawn.map((plate, i) => {
        const look = plateLook(plate.tone);
        const x = plate.x + plate.width / 2;
        // Thick plates carry large letters, thin ones small; all are read from below upwards.
        const size = Math.min(40, Math.max(9, plate.width * 0.85));
        return (
          <g key={i}>
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
              transform={`translate(${x} ${-plate.height / 2 + 12}) rotate(90)`}
              dominantBaseline="central"
              fontSize={size}
              fontWeight={700}
              fill={look.text}
            >
              {plate.label}
            </text>
          </g>
        );
      })}
      {clampWidthMm !== null && (
        <g>
          <rect x={outer + 1} y={-42} width={clampWidthMm} height={84} rx={5} fill="var(--color-base-content)" />
        </g>
      )}
    </svg>
  );
}
