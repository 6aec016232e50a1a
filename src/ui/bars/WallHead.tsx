import type { ReactNode } from "react";
import { QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import { SHEET_HALF_MM } from "../kit/BarDrawing";
import Link from "../kit/Link";
import { type WallQuery, type WallSort } from "@/core/bars/wallQuery";

const OWN_COLUMNS: readonly QuantityKind[] = ["mass", "shaftDiameter", "seatToSeat"];

/** The quantity that is sorted or filtered by and has no column of its own. */
export function extraKind({ sort, ranges }: WallQuery): QuantityKind | null {
  const asked = [sort, ...Object.keys(ranges)];
  return QUANTITY_KINDS.find((kind) => asked.includes(kind) && !OWN_COLUMNS.includes(kind)) ?? null;
}

export function SortHead({
  sort,
  query,
  address,
  className,
  children,
}: {
  sort: WallSort;
  query: WallQuery;
  address: (change: Record<string, string | null>) => string;
  className: string;
  children: ReactNode;
}) {
  const isSorted = query.sort === sort;
  const isDown = isSorted && query.isDescending;
  return (
    <th
      scope="col"
      aria-sort={isSorted ? (isDown ? "descending" : "ascending") : undefined}
      className={`py-2 pr-1 font-normal ${className}`}
    >
      <Link
        href={address({ sort: sort === "tag" ? null : sort, down: isSorted && !isDown ? "1" : null })}
        replace
        scroll={false}
        className={
          isSorted ? "text-base-content font-semibold underline decoration-2 underline-offset-4" : "hover:underline"
        }
      >
        {children}
        {isSorted && <span aria-hidden="true">{isDown ? " ↓" : " ↑"}</span>}
      </Link>
    </th>
  );
}

/** Distances from the centre line, with the place where most collars sit. */
export function Ruler() {
  const ticks = [500, 655, 1000];
  return (
    <svg viewBox={`${-SHEET_HALF_MM} -118 ${2 * SHEET_HALF_MM} 118`} className="block w-full" aria-hidden="true">
      {[...ticks, 0, ...ticks.map((x) => -x)].map((x) => (
        <g key={x}>
          <line
            x1={x}
            x2={x}
            y1={Math.abs(x) === 655 ? -34 : -22}
            y2={0}
            stroke="var(--color-base-content)"
            strokeWidth={4}
          />
          <text x={x} y={-44} textAnchor="middle" fontSize={50} fill="var(--color-quiet)">
            {x === 0 ? "centre" : Math.abs(x)}
          </text>
        </g>
      ))}
    </svg>
  );
}
