import { Day, Time } from "../kit/shown";
import { USE_PART_WORDS, type UsePart } from "@/core/use/useCards";
import type { ClassDetails } from "@/server/classes";
import { BarDrawing, KnurlPatterns } from "../kit/BarDrawing";
import { BarTag } from "../kit/BarTag";
import { boardOf } from "./boardModel";
import { BrokenPlan } from "./BrokenPlan";

interface Props {
  details: ClassDetails;
  times: readonly string[];
  stations: readonly { key: string; name: string }[];
  /** How its bars are used, one of each family that somebody has to be told about. */
  use: readonly { tag: string; name: string; lines: readonly (readonly [UsePart, string])[] }[];
}

/**
 * The class on paper, for everybody to read: who is where with which bar. No loads, no reasons, nothing about anybody
 * but the name.
 */
export function PrintedSheet({ details, times, stations, use }: Props) {
  const { row, plan } = details;
  if (!plan) return <p className="sheet p-6">Nothing is assigned yet.</p>;
  // Only stations where somebody lifts are printed.
  const rows = boardOf(details, stations, new Map()).rows.filter(({ cells }) => cells.some(({ tag }) => tag));
  return (
    <article className="sheet landscape-page px-5 py-4" aria-label="Class sheet">
      <KnurlPatterns />
      <header className="mb-3 flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-2xl">{row.name}</h1>
        <p>
          <Day on={row.heldOn} />, {row.blockMinutes} minutes a block
          {row.brushBy && (
            <>
              . Brush duty: <strong>{row.brushBy}</strong>
            </>
          )}
        </p>
      </header>
      <BrokenPlan details={details} />
      <div className="overflow-x-auto">
        <table className="w-full min-w-2xl table-fixed border-collapse print:min-w-0">
          <thead>
            <tr>
              <th scope="col" className="w-24">
                <span className="sr-only">Station</span>
              </th>
              {times.map((time, block) => (
                <th
                  key={time + block}
                  scope="col"
                  className="border-base-content border-b-2 px-3 text-left text-2xl font-bold tabular-nums"
                >
                  <Time at={time} />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ station, name, cells }) => (
              <tr key={station} className="border-base-content/40 break-inside-avoid border-b align-top">
                <th scope="row" className="py-2 pr-2 text-left font-bold">
                  {name}
                </th>
                {cells.map(({ tag, barName, drawing, people }, block) => (
                  <td key={block} className="border-base-300 border-l px-3 py-2">
                    {tag && (
                      <>
                        <p className="flex items-baseline gap-2 text-sm">
                          <BarTag tag={tag} /> <span className="truncate">{barName}</span>
                        </p>
                        {drawing && <BarDrawing drawing={drawing} label={`${barName} to scale`} className="max-h-12" />}
                        {people.some(({ broken }) => broken.length > 0) && (
                          <strong className="text-error block text-xs">Not this bar</strong>
                        )}
                      </>
                    )}
                    {people.map(({ id, lifter, lift, broken }) => (
                      <span
                        key={id}
                        className={`block leading-tight ${broken.length > 0 ? "text-error line-through" : ""}`}
                      >
                        <strong>{lifter}</strong> <span className="text-sm">{lift}</span>
                      </span>
                    ))}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-4 text-sm">
        Clamps on, safeties set, a spotter for heavy racked lifts. Load both sides evenly. First time on a bar: light.
        Not sure? Ask the staff.
      </p>
      {use.length > 0 && (
        <section className="mt-6 break-before-page" aria-label="How its bars are used">
          <h2 className="mb-2 text-xl font-bold">How its bars are used</h2>
          <div className="grid gap-x-8 gap-y-4 md:grid-cols-2 print:grid-cols-2">
            {use.map(({ tag, name, lines }) => (
              <div key={tag} className="break-inside-avoid">
                <p className="mb-1 flex items-baseline gap-2">
                  <BarTag tag={tag} /> <strong>{name}</strong>
                </p>
                <dl className="grid grid-cols-[7rem_minmax(0,1fr)] gap-x-2 text-sm">
                  {lines.map(([part, text]) => (
                    <div key={part} className="col-span-2 grid grid-cols-subgrid">
                      <dt className="text-quiet">{USE_PART_WORDS[part]}</dt>
                      <dd>{text}</dd>
                    </div>
                  ))}
                </dl>
              </div>
            ))}
          </div>
        </section>
      )}
    </article>
  );
}
