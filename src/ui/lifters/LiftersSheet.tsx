import { LIMIT_WORDS, type Limit } from "@/core/matching/lifter";
import { ValueText } from "../kit/QuantityText";
import { Day, UnitName } from "../kit/shown";
import type { Meeting } from "@/core/matching/lifterFields";
import type { LifterRow } from "@/server/lifters";
import Link from "../kit/Link";

/** Everybody who lifts here, for coach and manager. */
export function LiftersSheet({ lifters, today }: { lifters: readonly LifterRow[]; today: string }) {
  if (lifters.length === 0)
    return (
      <p className="sheet p-6">
        No lifters yet.{" "}
        <Link className="link" href="/lifters/new">
          Add the first
        </Link>
        .
      </p>
    );
  return (
    <div className="sheet relative overflow-x-auto">
      <table className="w-full border-collapse text-sm">
        <thead className="border-base-content text-quiet border-b text-xs">
          <tr>
            <th scope="col" className="px-4 py-2 text-left font-normal">
              name
            </th>
            <th scope="col" className="hidden px-2 text-left font-normal sm:table-cell">
              experience
            </th>
            <th scope="col" className="hidden px-2 text-right font-normal md:table-cell">
              height <UnitName of="mm" />
            </th>
            <th scope="col" className="hidden px-2 text-right font-normal md:table-cell">
              mass <UnitName of="kg" />
            </th>
            <th scope="col" className="hidden px-2 text-right font-normal md:table-cell">
              hand <UnitName of="mm" />
            </th>
            <th scope="col" className="px-2 text-left font-normal">
              not comfortable
            </th>
            <th scope="col" className="hidden px-2 text-left font-normal lg:table-cell">
              next competition
            </th>
            <th scope="col" className="px-4 text-right font-normal">
              <span className="sr-only">Match</span>
            </th>
          </tr>
        </thead>
        <tbody className="divide-base-300 divide-y">
          {lifters.map((row) => {
            const next = ((row.meetings ?? []) as Meeting[])
              .filter(({ on }) => on >= today)
              .sort((a, b) => (a.on < b.on ? -1 : 1))[0];
            return (
              <tr key={row.id} className="hover:bg-base-200/60">
                <th scope="row" className="px-4 py-2 text-left font-normal">
                  <Link href={`/lifters/${row.key}`} className="font-semibold hover:underline">
                    {row.name}
                  </Link>
                  <span className="text-quiet block text-xs">{row.squad}</span>
                </th>
                <td className="hidden px-2 sm:table-cell">{row.experience}</td>
                <Number value={row.heightMm} unit="mm" />
                <Number value={row.massKg} unit="kg" />
                <Number value={row.handLengthMm} unit="mm" />
                <td className="px-2">
                  {((row.limits ?? []) as Limit[]).map((limit) => LIMIT_WORDS[limit]).join(", ") || (
                    <span className="text-quiet">–</span>
                  )}
                </td>
                <td className="hidden px-2 lg:table-cell">
                  {next ? (
                    <>
                      {next.name || next.rules}{" "}
                      <span className="text-quiet text-xs whitespace-nowrap">
                        <Day on={next.on} />
                      </span>
                    </>
                  ) : (
                    <span className="text-quiet">–</span>
                  )}
                </td>
                <td className="px-4 text-right">
                  <Link href={`/match?lifter=${row.key}`} className="btn btn-sm btn-outline min-h-10">
                    Match
                  </Link>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Number({ value, unit }: { value: number | null; unit: "kg" | "mm" }) {
  return (
    <td className="hidden px-2 text-right tabular-nums md:table-cell">
      {value === null ? (
        <span className="text-quiet">–</span>
      ) : (
        <ValueText value={value} decimals={0} unit={unit} isBare />
      )}
    </td>
  );
}
