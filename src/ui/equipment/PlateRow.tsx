import { readMass } from "../kit/massInput";
import { plateLook } from "../load/plateLooks";
import { DRAWN_DIAMETER_MM, DRAWN_THICKNESS_MM } from "../load/Sleeve";

/** Between two plates, in mm. */
const GAP_MM = 26;
/** Below a plate its mark and how many pairs there are. */
const FOOT_MM = 90;

/** Every kind of plate standing on one floor, to scale, the largest first, with its mark and how many pairs there are. */
export function PlateRow({ plates }: { plates: readonly Record<string, string>[] }) {
  const drawn = plates
    .map((texts) => ({
      key: texts.key!,
      mark: texts.mass!,
      kg: readMass(texts.mass, "kg")?.kg ?? 0,
      pairs: Number(texts.pairs ?? 0),
      diameterMm: Number(texts.diameterMm ?? DRAWN_DIAMETER_MM),
      thicknessMm: Number(texts.thicknessMm ?? DRAWN_THICKNESS_MM),
      colour: texts.colour ?? null,
    }))
    .sort((a, b) => b.diameterMm - a.diameterMm || b.kg - a.kg);
  if (drawn.length === 0) return null;
  const tallest = Math.max(...drawn.map(({ diameterMm }) => diameterMm));
  // Each stands in a lane wide enough for its mark.
  const lane = (thicknessMm: number) => Math.max(thicknessMm, 78) + GAP_MM;
  const at = drawn.map((_, i) => drawn.slice(0, i).reduce((sum, { thicknessMm }) => sum + lane(thicknessMm), GAP_MM));
  const width = at.at(-1)! + lane(drawn.at(-1)!.thicknessMm);
  return (
    <figure className="sheet overflow-x-auto px-3 py-2">
      <svg
        viewBox={`0 ${-tallest - 10} ${width} ${tallest + FOOT_MM + 10}`}
        className="drawn block max-h-56 w-full min-w-[44rem]"
        role="img"
        aria-label={`Plates to scale: ${drawn.map(({ mark, pairs }) => `${mark}, ${pairs} ${pairs === 1 ? "pair" : "pairs"}`).join("; ")}`}
      >
        <line x1={0} x2={width} y1={0} y2={0} stroke="var(--color-base-content)" strokeWidth={3} />
        {drawn.map(({ key, mark, pairs, diameterMm, thicknessMm, colour }, i) => {
          const middle = at[i]! + lane(thicknessMm) / 2 - GAP_MM / 2;
          return (
            <g key={key} opacity={pairs === 0 ? 0.35 : 1}>
              <rect
                x={middle - thicknessMm / 2}
                y={-diameterMm}
                width={thicknessMm}
                height={diameterMm}
                rx={5}
                fill={plateLook(colour).fill}
                stroke="var(--color-base-content)"
                strokeWidth={1.5}
              />
              <text
                x={middle}
                y={36}
                textAnchor="middle"
                fontSize={27}
                fontWeight={700}
                fill="var(--color-base-content)"
              >
                {mark}
              </text>
              <text x={middle} y={70} textAnchor="middle" fontSize={26} fill="var(--color-quiet)">
                {`${pairs} ${pairs === 1 ? "pair" : "pairs"}`}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-quiet text-xs">Seen from the edge, to scale.</figcaption>
    </figure>
  );
}
