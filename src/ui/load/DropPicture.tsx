import type { Blow } from "@/core/loading/blow";
import { trimmed } from "@/core/units/format";
import type { HalfPlate } from "./LoadedHalf";
import { plateLook } from "./plateLooks";

interface Props {
  plates: readonly HalfPlate[];
  blow: Blow;
  totalKg: number;
}

/** Wide enough for a row of ten plates. */
const WIDTH_MM = 560;
const FLOOR_Y = 225;

/** A dropped side from the front: which plates meet the floor, and how much each millimetre of rubber has to catch. */
export function DropPicture({ plates, blow, totalKg }: Props) {
  if (plates.length === 0) return null;
  const drawn = plates.map((plate, i) => ({
    ...plate,
    at: 40 + plates.slice(0, i).reduce((sum, one) => sum + one.thicknessMm, 0),
    ...blow.plates[i]!,
  }));
  const right = drawn.at(-1)!.at + drawn.at(-1)!.thicknessMm;
  const isBad = !blow.isCarried || blow.ironVerdict === "refuse";
  const words =
    blow.kgPerMm === null
      ? `No rubber at full diameter meets the floor: iron alone is never dropped.`
      : `${trimmed(totalKg, 1)} kg fall on ${trimmed(2 * blow.rubberMm, 0)} mm of rubber at full diameter, both sides: ${trimmed(blow.kgPerMm, 2)} kg a mm. The gym allows ${trimmed(blow.maxKgPerMm, 2)}.`;
  return (
    <figure className={`border-l-4 pl-3 ${isBad ? "border-error" : "border-base-300"}`}>
      <svg
        viewBox={`0 -240 ${WIDTH_MM} 500`}
        className="drawn block max-h-52 w-full"
        role="img"
        aria-label={`Dropped: ${words}`}
      >
        <rect x={0} y={-14} width={right + 60} height={28} fill="var(--color-base-content)" opacity={0.35} />
        {drawn.map(({ at, thicknessMm, diameterMm, label, colour, meetsFloor, isRubber }, i) => (
          <g key={i}>
            <rect
              x={at + 1}
              y={-diameterMm / 2}
              width={thicknessMm - 2}
              height={diameterMm}
              rx={isRubber ? 6 : 1}
              fill={plateLook(colour ?? "grey").fill}
              stroke={meetsFloor && !isRubber ? "var(--color-error)" : "var(--color-base-content)"}
              strokeWidth={meetsFloor && !isRubber ? 6 : 1.5}
              opacity={meetsFloor ? 1 : 0.55}
            />
            <text
              transform={`translate(${at + thicknessMm / 2} ${-diameterMm / 2 + 10}) rotate(90)`}
              dominantBaseline="central"
              fontSize={Math.min(26, Math.max(9, thicknessMm * 0.8))}
              fontWeight={700}
              fill={plateLook(colour ?? "grey").text}
            >
              {label}
            </text>
            {meetsFloor && isRubber && (
              // The blow comes back up through the rubber; a thin disc has little to spread it on.
              <path
                d={`M ${at + thicknessMm / 2} ${FLOOR_Y - 4} v -52 m -9 14 l 9 -14 l 9 14`}
                fill="none"
                stroke={blow.isCarried ? "var(--color-primary)" : "var(--color-error)"}
                strokeWidth={5}
              />
            )}
          </g>
        ))}
        <line x1={0} x2={WIDTH_MM} y1={FLOOR_Y} y2={FLOOR_Y} stroke="var(--color-base-content)" strokeWidth={4} />
        <text x={right + 30} y={FLOOR_Y - 12} fontSize={24} fill="var(--color-base-content)">
          the floor
        </text>
      </svg>
      <figcaption className={`text-sm ${isBad ? "text-error font-semibold" : ""}`}>
        {words}
        {blow.ironShare !== null &&
          blow.ironShare > 0 &&
          ` Iron is ${Math.round(100 * blow.ironShare)} % of the rubber.`}
        {!blow.isCarried &&
          blow.kgPerMm !== null &&
          " A thin disc alone breaks, or bends the sleeve: add rubber at full diameter, or lower the bar."}
      </figcaption>
    </figure>
  );
}
