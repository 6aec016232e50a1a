import { drawBar } from "@/core/drawing/drawBar";
import { Day } from "../kit/shown";
import type { ClassDetails } from "@/server/classes";
import { BarDrawing, KnurlPatterns } from "../kit/BarDrawing";
import { BarTag } from "../kit/BarTag";
import { BrokenPlan } from "./BrokenPlan";

interface Props {
  details: ClassDetails;
  times: readonly string[];
  stations: readonly { key: string; name: string }[];
}

/**
 * The class on paper, for everybody to read: who is where with which bar. No loads, no reasons, nothing about anybody
 * but the name.
 */
export function PrintedSheet({ details, times, stations }: Props) {
  const { row, items, plan, bars, breaks } = details;
  if (!plan) return <p className="sheet p-6">Nothing is assigned yet.</p>;
  return (
    <article className="sheet px-5 py-4" aria-label="Class sheet">
      <KnurlPatterns />
      <header className="mb-3 flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-2xl">{row.name}</h1>
        <p>
          <Day on={row.heldOn} />, {row.blockMinutes} minutes a block
        </p>
      </header>
      <BrokenPlan details={details} />
      {times.map((time, block) => {
        const here = plan.entries.filter((entry) => entry.block === block);
        return (
          <section key={time + block} aria-label={`Block at ${time}`} className="break-inside-avoid">
            <h2 className="border-base-content mt-3 border-b text-xl font-bold tabular-nums">{time}</h2>
            <table className="w-full border-collapse text-sm">
              <thead className="sr-only">
                <tr>
                  <th>station</th>
                  <th>bar</th>
                  <th>drawing</th>
                  <th>who</th>
                </tr>
              </thead>
              <tbody className="divide-base-300 divide-y">
                {stations
                  .filter(({ key }) => here.some(({ station }) => station === key))
                  .map(({ key, name }) => {
                    const own = here.filter(({ station }) => station === key);
                    const bar = bars.find(({ tag }) => tag === own[0]!.tag);
                    return (
                      <tr key={key}>
                        <th scope="row" className="w-20 py-2 pr-2 text-left font-bold sm:w-36">
                          {name}
                        </th>
                        <td className="w-24 sm:w-44">
                          <BarTag tag={own[0]!.tag!} /> {bar?.name}
                          {own.some(({ id }) => breaks.has(id)) && (
                            <strong className="text-error block text-xs">Not this bar</strong>
                          )}
                        </td>
                        <td className="hidden w-64 sm:table-cell print:table-cell">
                          {bar && (
                            <BarDrawing drawing={drawBar(bar)} label={`${bar.name} to scale`} className="max-h-14" />
                          )}
                        </td>
                        <td className="pl-4">
                          {own
                            .flatMap(({ id }) => items.find((item) => item.id === id) ?? [])
                            .map(({ id, lifterName, liftName }) => (
                              <span key={id} className={`block ${breaks.has(id) ? "text-error line-through" : ""}`}>
                                <strong>{lifterName}</strong> {liftName}
                              </span>
                            ))}
                        </td>
                      </tr>
                    );
                  })}
              </tbody>
            </table>
          </section>
        );
      })}
      <p className="mt-4 text-sm">
        Clamps on, safeties set, a spotter for heavy racked lifts. Load both sides evenly. First time on a bar: light.
        Not sure? Ask the staff.
      </p>
    </article>
  );
}
