import { Fragment } from "react";
import type { Bar } from "@/core/bars/bar";
import { bentAxis } from "@/core/drawing/drawBentBar";
import { spreadLabels } from "@/core/drawing/spreadLabels";
import type { Bent } from "@/core/whip/compareWhip";
import type { ComparedKind } from "@/server/compare";
import { SHEET_HALF_MM } from "../kit/BarDrawing";
import { INKS } from "./inks";
import { Mm } from "../kit/shown";

interface Props {
  bent: { bar: Bar; bent: Bent; kind: ComparedKind }[];
  handsMm: number;
  exaggeration: number;
  supportWord: string;
}

/** Plates are drawn lower than they are, so that bars stay what is looked at. */
const PLATE_HALF_MM = 150;
const ROOM_MM = 24;

/** Bars bent over one another on the centre line, with their seats on dimension lines below. */
export function BentBars({ bent, handsMm, exaggeration, supportWord }: Props) {
  const drawn = bent.flatMap(({ bar, bent: own, kind }, i) => {
    if (!own.ok) return [];
    const half = (bar.quantities.overallLength?.value ?? own.bar.seatToSeatMm + 800) / 2;
    const axis = bentAxis(own.shape, half, exaggeration);
    return [{ bar, own, isOffer: kind !== "own", ink: INKS[i]!, axis, boxes: plateBoxes(own, exaggeration) }];
  });
  const heights = drawn.flatMap(({ axis }) => axis.map(([, y]) => y));
  const plateHeights = drawn.flatMap(({ boxes }) => boxes.map(({ y }) => y));
  // Where bars hardly bend, plates stand higher than any of them.
  const top = Math.max(...heights.map((y) => y + 70), ...plateHeights.map((y) => y + PLATE_HALF_MM + ROOM_MM));
  const linesAt = Math.max(...heights.map((y) => 110 - y), ...plateHeights.map((y) => PLATE_HALF_MM + 70 - y));
  const height = top + linesAt + drawn.length * 62 + 20;
  return (
    <section className="sheet relative mb-3" aria-label="Bars bent under the load">
      <span id="bent-bars" className="sr-only">
        {drawn.map(({ bar, own }, i) => (
          <Fragment key={bar.tag}>
            {i > 0 && ", "}
            {bar.tag} bends <Mm value={own.whip.deflectionMm} decimals={1} />
          </Fragment>
        ))}
      </span>
      <svg
        viewBox={`${-SHEET_HALF_MM} ${-top} ${2 * SHEET_HALF_MM} ${height}`}
        className="drawn block max-h-[22rem] w-full"
        role="img"
        aria-labelledby="bent-bars"
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
        {drawn.map(({ bar, boxes, ink, isOffer }) =>
          [1, -1].flatMap((side) =>
            boxes.map(({ x, y, width, angle }, i) => (
              <rect
                key={`${bar.tag}${side}${i}`}
                x={-width / 2}
                y={-PLATE_HALF_MM}
                width={width}
                height={2 * PLATE_HALF_MM}
                rx={6}
                fill={ink.color}
                opacity={isOffer ? 0.06 : 0.13}
                {...(isOffer && { stroke: ink.color, strokeWidth: 4, strokeDasharray: "16 10", strokeOpacity: 1 })}
                transform={`translate(${side * x} ${-y}) rotate(${side * angle})`}
              />
            )),
          ),
        )}
        {drawn.map(({ bar, ink, axis, isOffer }) => (
          <polyline
            key={bar.tag}
            points={axis.map(([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`).join(" ")}
            stroke={ink.color}
            strokeWidth={15}
            strokeDasharray={isOffer ? "44 20" : undefined}
            opacity={0.88}
          />
        ))}
        {/* Moved upwards where they would meet: below its bar's end a label would lie on the bar. */}
        {spreadLabels(
          drawn.map(({ axis }) => axis.at(-1)![1]),
          38,
        ).map((height, i) => {
          const y = -height;
          const { bar, ink } = drawn[i]!;
          return (
            <text
              key={bar.tag}
              className="lettered max-sm:hidden"
              x={SHEET_HALF_MM - 8}
              y={y - 26}
              textAnchor="end"
              fontSize={34}
              fontWeight={700}
              fill={ink.color}
            >
              {bar.tag}
            </text>
          );
        })}
        {[handsMm / 2, -handsMm / 2].map((x) => (
          <path key={x} d={`M${x},10l-22,40h44z`} fill="var(--color-base-content)" />
        ))}
        <text x={0} y={48} textAnchor="middle" fontSize={32} fill="var(--color-quiet)" className="max-sm:hidden">
          {supportWord}
        </text>
        {drawn.map(({ bar, own, ink }, i) => {
          const seat = own.bar.seatToSeatMm / 2;
          const y = linesAt + i * 62;
          return (
            <g key={bar.tag} stroke={ink.color} strokeWidth={3}>
              <path d={`M${-seat},${y - 16}v32M${seat},${y - 16}v32M${-seat},${y}H-190M190,${y}H${seat}`} fill="none" />
              <text
                x={0}
                y={y + 12}
                textAnchor="middle"
                fontSize={36}
                fontWeight={600}
                className="lettered max-sm:hidden"
                fill={ink.color}
              >
                {bar.tag} seats <Mm value={own.bar.seatToSeatMm} decimals={1} />
              </text>
            </g>
          );
        })}
      </svg>
      {/* On a telephone the same in words that can be read. */}
      <ul className="flex flex-wrap gap-x-4 px-4 pb-2 text-sm font-semibold sm:hidden">
        {drawn.map(({ bar, own, ink }) => (
          <li key={bar.tag} style={{ color: ink.color }}>
            {bar.tag} seats <Mm value={own.bar.seatToSeatMm} decimals={1} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Where the assumed discs sit on the bent axis, and how they lean with it. */
function plateBoxes(own: Bent & { ok: true }, exaggeration: number) {
  const count = own.shape.plateDropsMm.length;
  const width = ((own.whip.loadCentroidMm - own.bar.seatToSeatMm / 2) * 2) / count;
  return Array.from({ length: count }, (_, i) => {
    const x = own.bar.seatToSeatMm / 2 + width * (i + 0.5);
    const slope = (own.shape.heightAtMm(x + 10) - own.shape.heightAtMm(x - 10)) / 20;
    return {
      x,
      y: own.shape.heightAtMm(x) * exaggeration,
      width: width - 2,
      angle: (-Math.atan(slope * exaggeration) * 180) / Math.PI,
    };
  });
}
