import Link from "../kit/Link";
import { BAR_STATES, type Bar } from "@/core/bars/bar";
import { FAMILIES } from "@/core/bars/families";
import { seatToSeatOf } from "@/core/bars/lengths";
import { drawBar, WALL_THICKNESS_FACTOR } from "@/core/drawing/drawBar";
import { trimmed } from "@/core/units/format";
import { AskForm } from "../kit/AskForm";
import { BarDrawing, KnurlPatterns, SHEET_HALF_MM } from "../kit/BarDrawing";
import { PageHead } from "../kit/PageHead";
import { QuantityLegend, QuantityText } from "../kit/QuantityText";
import { StateText } from "../kit/StateText";
import { href } from "../kit/search";
import { dueText } from "../kit/dayText";
import { PickBox, PicksProvider } from "./PickBox";
import { WallKeys } from "./WallKeys";
import { type WallQuery, type WallSort } from "./wallQuery";

interface WallBar {
  bar: Bar;
  place: string | null;
  /** The most urgent care that is due, if any. */
  due: { taskName: string; dueOn: string } | null;
}

interface Props {
  shown: WallBar[];
  all: readonly { bar: Bar }[];
  query: WallQuery;
  today: string;
  isSearchFocused: boolean;
}

/** The wall of bars: every row is the bar, to scale, all on one centre line. */
export function Wall({ shown, all, query, today, isSearchFocused }: Props) {
  const address = (change: Partial<Record<"state" | "family" | "q" | "sort" | "pick", string>>) =>
    href("/bars", {
      state: query.state,
      family: query.family,
      q: query.text,
      sort: query.sort === "tag" ? "" : query.sort,
      pick: query.picked.join(","),
      ...change,
    });
  const quarantined = all.filter(({ bar }) => bar.state === "quarantined").length;
  const families = [...new Set(all.map(({ bar }) => bar.family))].map((key) => FAMILIES[key]);
  const states = BAR_STATES.filter((state) => all.some(({ bar }) => bar.state === state));

  return (
    <PicksProvider picked={query.picked} address={address({ pick: "" })}>
      <KnurlPatterns />
      <PageHead
        title="Bars"
        about={`${shown.length === all.length ? all.length : `${shown.length} of ${all.length}`} on the wall${quarantined ? ` · ${quarantined} quarantined` : ""} · lengths to scale, thickness ×${WALL_THICKNESS_FACTOR}`}
      />
      <AskForm
        action="/bars"
        label="Which bars"
        keep={{ pick: query.picked.join(",") || undefined }}
        className="mb-2 flex flex-wrap items-center gap-2"
      >
        <label className="sr-only" htmlFor="state">
          State
        </label>
        <select id="state" name="state" defaultValue={query.state} className="select select-sm min-h-10 w-auto">
          <option value="">any state</option>
          <option value="usable">usable today</option>
          {states.map((state) => (
            <option key={state} value={state}>
              {state.replace("-", " ")}
            </option>
          ))}
        </select>
        <label className="sr-only" htmlFor="family">
          Family
        </label>
        <select id="family" name="family" defaultValue={query.family} className="select select-sm min-h-10 w-auto">
          <option value="">any family</option>
          {families.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
        <label className="sr-only" htmlFor="sort">
          Sort
        </label>
        <select id="sort" name="sort" defaultValue={query.sort} className="select select-sm min-h-10 w-auto">
          <option value="tag">by tag</option>
          <option value="place">by place</option>
          <option value="family">by family</option>
          <option value="mass">by mass</option>
          <option value="shaft">by shaft diameter</option>
          <option value="seats">by seat to seat</option>
        </select>
        <label className="input input-sm ml-auto min-h-10 w-full sm:w-64">
          <span className="sr-only">Search bars</span>
          <input
            type="search"
            name="q"
            data-search
            defaultValue={query.text}
            placeholder="tag, name, finish, place"
            autoFocus={isSearchFocused}
          />
          <kbd className="kbd kbd-sm" aria-hidden="true">
            /
          </kbd>
        </label>
      </AskForm>

      {shown.length === 0 ? (
        <p className="sheet p-6">
          No bar answers to that.{" "}
          <Link className="link" href="/bars">
            Show the whole wall
          </Link>
          .
        </p>
      ) : (
        <div className="sheet">
          <table className="w-full table-fixed border-collapse text-sm">
            <caption className="sr-only">Bars, drawn to scale on one centre line</caption>
            <colgroup>
              <col className="w-12 sm:w-24" />
              <col className="w-auto md:w-36" />
              <col className="hidden md:table-column" />
              <col className="w-18" />
              <col className="hidden w-18 sm:table-column" />
              <col className="hidden w-20 sm:table-column" />
              <col className="hidden w-36 lg:table-column" />
            </colgroup>
            <thead className="border-base-content border-b">
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
                  mass kg
                </SortHead>
                <SortHead sort="shaft" query={query} address={address} className="hidden text-right sm:table-cell">
                  shaft mm
                </SortHead>
                <SortHead sort="seats" query={query} address={address} className="hidden text-right sm:table-cell">
                  seats mm
                </SortHead>
                <th scope="col" className="hidden py-2 pl-4 text-left font-normal lg:table-cell">
                  state
                </th>
              </tr>
            </thead>
            <tbody className="divide-base-300 divide-y">
              {shown.map(({ bar, place, due }) => {
                const state = (
                  <>
                    {bar.state !== "in-service" ? (
                      <StateText state={bar.state} reason={bar.stateReason} />
                    ) : (
                      !due && <span className="text-quiet">in service</span>
                    )}
                    {due && bar.state !== "quarantined" && (
                      <Link
                        href={href("/care", { bar: bar.tag })}
                        className="text-accent block font-semibold hover:underline"
                      >
                        {due.taskName}: {dueText(due.dueOn, today)}
                      </Link>
                    )}
                  </>
                );
                return (
                  <tr key={bar.tag} className="hover:bg-base-200/60 has-aria-checked:bg-primary/10">
                    <td className="py-1 pl-1 sm:pl-2">
                      <div className="flex items-center gap-1.5">
                        <PickBox tag={bar.tag} />
                        <span className="bar-tag">{bar.tag}</span>
                      </div>
                    </td>
                    <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                      <Link
                        href={`/bars/${encodeURIComponent(bar.tag)}`}
                        data-row={bar.tag}
                        className="block hover:underline"
                      >
                        <span className="block font-semibold">{bar.name}</span>
                      </Link>
                      <span className="text-quiet block text-xs">
                        {FAMILIES[bar.family].name}
                        {place ? <span className="lg:hidden"> · {place}</span> : null}
                      </span>
                      <span className="block text-xs lg:hidden">{state}</span>
                    </th>
                    <td className="hidden p-0 md:table-cell">
                      <BarDrawing drawing={drawBar(bar)} label={`${bar.name}, drawn to scale`} className="max-h-32" />
                    </td>
                    <td className="pr-1 text-right">
                      <QuantityText quantity={bar.quantities.mass} decimals={1} isAligned />
                    </td>
                    <td className="hidden pr-1 text-right sm:table-cell">
                      <QuantityText quantity={bar.quantities.shaftDiameter} decimals={1} isAligned />
                    </td>
                    <td className="hidden pr-1 text-right sm:table-cell">
                      <QuantityText quantity={seatToSeatOf(bar)} decimals={0} isAligned />
                    </td>
                    <td className="hidden py-1 pr-2 pl-4 text-xs leading-snug lg:table-cell">{state}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}

      <footer className="bg-base-200 border-base-300 sticky bottom-0 mt-2 flex flex-wrap items-center gap-x-5 gap-y-1 border-t py-2 text-sm">
        <Picked query={query} all={all} clear={address({ pick: "" })} />
        <span className="ml-auto">
          <QuantityLegend />
        </span>
      </footer>
      <WallKeys />
    </PicksProvider>
  );
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
  address: (change: { sort: string }) => string;
  className: string;
  children: string;
}) {
  const isSorted = query.sort === sort;
  return (
    <th scope="col" aria-sort={isSorted ? "ascending" : undefined} className={`py-2 pr-1 font-normal ${className}`}>
      <Link
        href={address({ sort })}
        replace
        className={
          isSorted ? "text-base-content font-semibold underline decoration-2 underline-offset-4" : "hover:underline"
        }
      >
        {children}
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

function Picked({ query, all, clear }: { query: WallQuery; all: readonly { bar: Bar }[]; clear: string }) {
  const picked = query.picked
    .map((tag) => all.find(({ bar }) => bar.tag === tag)?.bar)
    .filter((bar) => bar !== undefined);
  if (picked.length === 0)
    return (
      <p className="text-quiet hidden sm:block">
        Pick two to four bars with the boxes, or <kbd className="kbd kbd-sm">c</kbd> on a row, to lay them over one
        another.
      </p>
    );
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
          {picked.length === 2 && Number.isFinite(seats) && ` · seats differ ${trimmed(seats, 0)} mm`}
          {picked.length === 2 && Number.isFinite(shaft) && `, shaft ${trimmed(shaft, 1)} mm`}
        </span>
      </p>
      {picked.length > 1 && (
        <Link href={href("/compare", { bars: query.picked.join(",") })} className="btn btn-neutral btn-sm min-h-10">
          Compare
        </Link>
      )}
      <Link href={clear} replace scroll={false} className="link text-sm">
        clear
      </Link>
    </>
  );
}
