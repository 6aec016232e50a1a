import { BAR_GAP_MM, floorDistanceMm, type FloorSize, peopleInRows, ROW_MM } from "@/core/setups/floorSpace";
import { trimmed } from "@/core/units/format";
import type { Space } from "@/server/setups";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { Mm, Say } from "../kit/shown";
import { FloorForm } from "./FloorForm";

interface Props {
  space: Space;
  /** The place or station that distances are measured from. */
  from: string | null;
  mayEdit: boolean;
  action: FormAction;
}

/** What the gym's room allows: rows of people by length of bar, cages with stored bars, distances on the sketch. */
export function SpaceSheet({ space: { floor, version, lengths, cages, spots }, from, mayEdit, action }: Props) {
  return (
    <div className="grid gap-3">
      <section className="sheet px-4 py-3" aria-label="The floor">
        <FloorForm floor={floor} version={version} mayEdit={mayEdit} action={action} />
      </section>
      {floor && (
        <section className="sheet px-4 py-3" aria-label="People in rows">
          <h2 className="font-bold">People in rows</h2>
          <p className="text-quiet mb-2 text-sm">
            <Say text={`Bars end to end ${BAR_GAP_MM} mm apart, rows ${ROW_MM} mm from one another.`} />
          </p>
          {lengths.length === 0 ? (
            <p className="text-sm">No straight bar has a measured length yet.</p>
          ) : (
            <ul className="grid gap-4 md:grid-cols-2 xl:grid-cols-3">
              {lengths.map(({ mm, tags }) => {
                const fit = peopleInRows(floor, mm);
                return (
                  <li key={mm}>
                    <p>
                      <strong>
                        {fit.people} {fit.people === 1 ? "person" : "people"}
                      </strong>{" "}
                      with bars of <Mm value={mm} decimals={0} />
                      <span className="text-quiet block text-sm">
                        {fit.perRow} across, {fit.rows} {fit.rows === 1 ? "row" : "rows"}; {tags.slice(0, 6).join(", ")}
                        {tags.length > 6 && " …"}
                        {tags.length < fit.people && `: ${tags.length} here`}
                      </span>
                    </p>
                    <RowsPicture floor={floor} barMm={mm} />
                  </li>
                );
              })}
            </ul>
          )}
        </section>
      )}
      <section className="sheet px-4 py-3" aria-label="Bars stored in racks">
        <h2 className="font-bold">Bars stored in racks</h2>
        {cages.length === 0 ? (
          <p className="text-sm">
            No bar hangs in spare J-cups. A place of the kind rack with its rack’s short name stores one:{" "}
            <Link href="/setups/storage" className="link">
              Where bars hang
            </Link>
            .
          </p>
        ) : (
          cages.map(({ rack, uses }) => (
            <div key={rack} className="mt-1">
              <h3 className="text-sm font-semibold">{rack}</h3>
              <ul className="text-sm">
                {uses.map(({ tag, text, blocked }) => (
                  <li
                    key={tag}
                    className={`border-l-4 pl-2 ${blocked.length > 0 ? "border-accent" : "border-primary"}`}
                  >
                    <Say text={text} />
                  </li>
                ))}
              </ul>
            </div>
          ))
        )}
      </section>
      {floor && spots.length > 1 && <Distances floor={floor} spots={spots} from={from} />}
    </div>
  );
}

/** The floor from above with its rows, to scale. */
function RowsPicture({ floor, barMm }: { floor: FloorSize; barMm: number }) {
  const { perRow, rows } = peopleInRows(floor, barMm);
  const line = Math.max(floor.widthMm, floor.depthMm) / 220;
  return (
    <svg
      viewBox={`${-line} ${-line} ${floor.widthMm + 2 * line} ${floor.depthMm + 2 * line}`}
      role="img"
      aria-label={`${perRow} across in ${rows} rows, from above, to scale`}
      className="mt-1 max-h-56 w-full"
    >
      <rect width={floor.widthMm} height={floor.depthMm} fill="none" stroke="var(--color-quiet)" strokeWidth={line} />
      {Array.from({ length: rows }, (_, row) =>
        Array.from({ length: perRow }, (_, i) => {
          const [x, y] = [i * (barMm + BAR_GAP_MM), row * ROW_MM + ROW_MM / 2];
          return (
            <g key={`${row} ${i}`}>
              <rect x={x} y={y - 30} width={barMm} height={60} fill="var(--color-base-content)" />
              {[0.12, 0.88].map((share) => (
                <rect
                  key={share}
                  x={x + barMm * share - 40}
                  y={y - 225}
                  width={80}
                  height={450}
                  fill="var(--color-quiet)"
                />
              ))}
              <circle cx={x + barMm / 2} cy={y + 260} r={190} fill="var(--color-primary)" />
            </g>
          );
        }),
      )}
    </svg>
  );
}

/** How far it is from one place or station to all others, the nearest first. */
function Distances({ floor, spots, from }: { floor: FloorSize; spots: Space["spots"]; from: string | null }) {
  const start = spots.find(({ name }) => name === from) ?? spots[0]!;
  const others = spots
    .filter((spot) => spot !== start)
    .map((spot) => ({ ...spot, mm: floorDistanceMm(floor, start.at, spot.at) }))
    .sort((a, b) => a.mm - b.mm);
  const parts = [
    ["Stations", others.filter(({ isStation }) => isStation)],
    ["Where bars hang", others.filter(({ isStation }) => !isStation)],
  ] as const;
  return (
    <section className="sheet px-4 py-3" aria-label="Distances">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="font-bold">Distances</h2>
        <AskForm action="/setups/space" label="From where">
          <AskChoice
            name="from"
            word="from"
            value={start.name}
            options={spots.map(({ name }) => [name, name] as const)}
          />
        </AskForm>
      </div>
      <div className="grid gap-x-8 gap-y-2 sm:grid-cols-2">
        {parts.map(
          ([head, list]) =>
            list.length > 0 && (
              <div key={head}>
                <h3 className="text-quiet text-sm">{head}</h3>
                <ul className="text-sm">
                  {list.map(({ name, mm }) => (
                    <li key={name} className="border-base-300 flex justify-between border-b py-1">
                      <span>{name}</span>
                      <strong className="tabular-nums">{trimmed(mm / 1000, 1)} m</strong>
                    </li>
                  ))}
                </ul>
              </div>
            ),
        )}
      </div>
      <p className="text-quiet mt-1 text-xs">
        In a straight line, by the sketch under{" "}
        <Link href="/setups/storage" className="link">
          Where bars hang
        </Link>
        .
      </p>
    </section>
  );
}
