import { FoldOnPhone } from "../kit/FoldOnPhone";
import { BAR_STATES, type Bar } from "@/core/bars/bar";
import { QUANTITIES } from "@/core/bars/quantities";
import { WALL_THICKNESS_FACTOR } from "@/core/drawing/drawBar";
import type { WallBar, WallFacts } from "@/server/bars";
import { KnurlPatterns } from "../kit/BarDrawing";
import { changedHref } from "../kit/intent";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { QuantityLegend } from "../kit/QuantityText";
import { PicksProvider } from "./PickBox";
import { WallFilters } from "./WallFilters";
import { WallKeys } from "./WallKeys";
import { ShortWall } from "./ShortWall";
import { LongWall } from "./LongWall";
import { wallParams, type WallQuery } from "@/core/bars/wallQuery";
import { UnitName } from "../kit/shown";
import { extraKind, SortHead, Ruler } from "./WallHead";
import { Picked } from "./WallPicked";

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
