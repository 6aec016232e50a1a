import type { ReactNode } from "react";
import { FoldOnPhone } from "../kit/FoldOnPhone";
import { BAR_STATES, type Bar } from "@/core/bars/bar";
import { seatToSeatOf } from "@/core/bars/lengths";
import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "@/core/bars/quantities";
import { WALL_THICKNESS_FACTOR } from "@/core/drawing/drawBar";
import { trimmed } from "@/core/units/format";
import type { WallBar, WallFacts } from "@/server/bars";
import { KnurlPatterns, SHEET_HALF_MM } from "../kit/BarDrawing";
import { changedHref } from "../kit/intent";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { QuantityLegend } from "../kit/QuantityText";
import { href } from "../kit/search";
import { PicksProvider } from "./PickBox";
import { WallFilters } from "./WallFilters";
import { WallKeys } from "./WallKeys";
import { ShortWall } from "./ShortWall";
import { LongWall } from "./LongWall";
import { wallParams, type WallQuery, type WallSort } from "@/core/bars/wallQuery";
import { Say, UnitName } from "../kit/shown";

interface Props {
  items: WallBar[];
  total: number;
  facts: WallFacts;
  /** The picked bars, wherever they hang. */
  picked: readonly Bar[];
  query: WallQuery;
  today: string;
  isSearchFocused: boolean;
  mayEdit: boolean;
  mayMeasure: boolean;
}

/** The wall of bars: every row is the bar, to scale, all on one centre line. */
export function Wall({ items, total, facts, picked, query, today, isSearchFocused, mayEdit, mayMeasure }: Props) {
  const params = new URLSearchParams();
  const address = (change: Record<string, string | null>) =>
    changedHref("/bars", params, { ...wallParams(query), ...change });
  const extra = extraKind(query);
  const columns = 7 + (extra ? 1 : 0);
  const isLong = items.length < total;
  return (
    <PicksProvider picked={query.picked} address={address({ pick: null })}>
      <KnurlPatterns />
      <PageHead
        title="Bars"
        about={`${total === facts.total ? total : `${total} of ${facts.total}`} on the wall${facts.quarantined ? ` · ${facts.quarantined} quarantined` : ""} · lengths to scale, thickness ×${WALL_THICKNESS_FACTOR}`}
      >
        <nav aria-label="About the bars" className="no-print flex flex-wrap gap-2">
          {mayEdit && (
            <Link href="/bars/new" className="btn btn-sm btn-neutral">
              Add bar
            </Link>
          )}
          <FoldOnPhone label="More" className="flex flex-wrap gap-2">
            <Link href="/wall/which?from=bars" className="btn btn-sm btn-outline">
              Which bar is this?
            </Link>
            <Link href="/bars/labels" className="btn btn-sm btn-outline">
              Labels
            </Link>
            {mayMeasure && (
              <Link href="/bars/measure" className="btn btn-sm btn-outline">
                Measure
              </Link>
            )}
            <Link href="/bars/equipment" className="btn btn-sm btn-outline">
              Plates, clamps, stations
            </Link>
            <Link href="/bars/files" className="btn btn-sm btn-outline">
              Import / export
            </Link>
          </FoldOnPhone>
        </nav>
      </PageHead>
      <WallFilters
        query={query}
        facts={facts}
        states={BAR_STATES.filter((state) => facts.states.includes(state))}
        isSearchFocused={isSearchFocused}
      />

      {total === 0 ? (
        <p className="sheet p-6">
          {facts.total === 0 ? (
            <>
              No bars yet.{" "}
              <Link className="link" href="/bars/new">
                Add the first
              </Link>{" "}
              or{" "}
              <Link className="link" href="/bars/files">
                import a file
              </Link>
              .
            </>
          ) : (
            <>
              No bars match.{" "}
              <Link className="link" href="/bars">
                Show all bars
              </Link>
              .
            </>
          )}
        </p>
      ) : (
        <div className="sheet">
          <table
            role="table"
            className="w-full table-fixed border-collapse text-sm max-md:block"
            aria-rowcount={isLong ? total + 1 : undefined}
          >
            <caption className="sr-only">Bars, drawn to scale on one centre line</caption>
            <colgroup>
              <col className="w-12 sm:w-24" />
              <col className="w-auto md:w-36" />
              <col className="hidden md:table-column" />
              <col className="w-18" />
              <col className="hidden w-18 md:table-column" />
              <col className="hidden w-20 md:table-column" />
              {extra && <col className="hidden w-24 md:table-column" />}
              <col className="hidden w-36 lg:table-column" />
            </colgroup>
            <thead role="rowgroup" className="border-base-content border-b max-md:sr-only">
              <tr className="text-quiet text-xs">
                <SortHead sort="tag" query={query} address={address} className="pl-3 text-left sm:pl-9">
                  tag
                </SortHead>
                <SortHead sort="family" query={query} address={address} className="text-left">
                  name, family
                </SortHead>
                <th scope="col" className="hidden px-0 pb-0 font-normal md:table-cell">
                  <span className="sr-only">Drawing</span>
                  <Ruler />
                </th>
                <SortHead sort="mass" query={query} address={address} className="text-right">
                  mass <UnitName of="kg" />
                </SortHead>
                <SortHead
                  sort="shaftDiameter"
                  query={query}
                  address={address}
                  className="hidden text-right md:table-cell"
                >
                  shaft <UnitName of="mm" />
                </SortHead>
                <SortHead sort="seatToSeat" query={query} address={address} className="hidden text-right md:table-cell">
                  seats <UnitName of="mm" />
                </SortHead>
                {extra && (
                  <SortHead sort={extra} query={query} address={address} className="hidden text-right md:table-cell">
                    {QUANTITIES[extra].label} <UnitName of={QUANTITIES[extra].unit} />
                  </SortHead>
                )}
                <SortHead sort="state" query={query} address={address} className="hidden pl-4 text-left lg:table-cell">
                  state
                </SortHead>
              </tr>
            </thead>
            {isLong ? (
              <LongWall
                key={address({ pick: null })}
                first={items}
                total={total}
                source={changedHref("/bars/rows", params, { ...wallParams(query), pick: null })}
                today={today}
                extra={extra}
                columns={columns}
              />
            ) : (
              <ShortWall items={items} today={today} extra={extra} />
            )}
          </table>
        </div>
      )}

      <footer className="bg-base-200 border-base-300 sticky bottom-0 mt-2 flex flex-wrap items-center gap-x-5 gap-y-1 border-t py-2 text-sm">
        <Picked picked={picked} clear={address({ pick: null })} mayMeasure={mayMeasure} />
        <span className="ml-auto">
          <QuantityLegend />
        </span>
      </footer>
      <WallKeys />
    </PicksProvider>
  );
}

const OWN_COLUMNS: readonly QuantityKind[] = ["mass", "shaftDiameter", "seatToSeat"];

/** The quantity that is sorted or filtered by and has no column of its own. */
function extraKind({ sort, ranges }: WallQuery): QuantityKind | null {
  const asked = [sort, ...Object.keys(ranges)];
  return QUANTITY_KINDS.find((kind) => asked.includes(kind) && !OWN_COLUMNS.includes(kind)) ?? null;
}

function SortHead({
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
function Ruler() {
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

function Picked({ picked, clear, mayMeasure }: { picked: readonly Bar[]; clear: string; mayMeasure: boolean }) {
  if (picked.length === 0)
    return (
      <p className="text-quiet hidden sm:block">
        Pick two to six bars with the boxes, or <kbd className="kbd kbd-sm">c</kbd> on a row, to lay them over one
        another.
      </p>
    );
  const tags = picked.map(({ tag }) => tag).join(",");
  const [a, b] = picked;
  const seats = a && b ? Math.abs((seatToSeatOf(a)?.value ?? NaN) - (seatToSeatOf(b)?.value ?? NaN)) : NaN;
  const shaft =
    a && b ? Math.abs((a.quantities.shaftDiameter?.value ?? NaN) - (b.quantities.shaftDiameter?.value ?? NaN)) : NaN;
  return (
    <>
      <p>
        <strong>{picked.length} picked</strong>
        <span className="text-quiet">
          {" "}
          {picked.map(({ tag }) => tag).join(", ")}
          {picked.length === 2 && Number.isFinite(seats) && <Say text={` · seats differ ${trimmed(seats, 0)} mm`} />}
          {picked.length === 2 && Number.isFinite(shaft) && <Say text={`, shaft ${trimmed(shaft, 1)} mm`} />}
        </span>
      </p>
      {picked.length > 1 && (
        <Link href={href("/compare", { bars: tags })} className="btn btn-neutral btn-sm">
          Compare
        </Link>
      )}
      {mayMeasure && (
        <Link href={href("/bars/measure", { bars: tags })} className="btn btn-outline btn-sm">
          Measure
        </Link>
      )}
      <Link href={clear} replace scroll={false} className="link text-sm">
        clear
      </Link>
    </>
  );
}
