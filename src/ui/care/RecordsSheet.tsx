import { monthText } from "@/core/units/dates";
import type { ComponentProps } from "react";
import type { CareShare, RustByCare } from "@/core/care/careAndCondition";
import { fixed } from "@/core/units/format";
import type { CareRecords } from "@/server/care/records";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import { BarTag } from "../kit/BarTag";
import Link from "../kit/Link";
import { ConditionChart } from "./ConditionChart";

const MONTHS = Array.from({ length: 12 }, (_, i) => monthText(`2026-${String(i + 1).padStart(2, "0")}`));

/** More bars than so many at once nobody reads. */
const MAX_BARS = 150;

interface Props {
  records: CareRecords;
  years: readonly number[];
  /** Rust against care over all bars; null while too few were looked at. */
  rust: RustByCare | null;
  /** One bar over time, when it was asked for. */
  shown: (ComponentProps<typeof ConditionChart> & { name: string }) | null;
}

/** A year of care: by month, and bar by bar against its condition. */
export function RecordsSheet({ records, years, rust, shown }: Props) {
  const { year, months, bars, jobs, minutes, hourMinor, currency } = records;
  // Of a long wall those that took most; every bar is in the report and the file.
  const listed = bars.length <= MAX_BARS ? bars : bars.toSorted((a, b) => b.minutes - a.minutes).slice(0, MAX_BARS);
  const most = Math.max(1, ...months.map((month) => month.minutes));
  const cost = (of: number) => (hourMinor === null ? null : `${fixed((of / 60) * (hourMinor / 100), 0)} ${currency}`);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <AskForm
        action="/care/records"
        label="Which year"
        className="sheet flex flex-wrap items-baseline gap-x-6 px-4 py-1"
      >
        <AskChoice
          name="year"
          word="of"
          value={String(year)}
          options={years.map((one): [string, string] => [String(one), String(one)])}
        />
        <a href={`/care/records/report.pdf?year=${year}`} className="link inline-flex min-h-11 items-center text-sm">
          Annual report, PDF
        </a>
        <a href={`/care/records/log.csv?year=${year}`} className="link inline-flex min-h-11 items-center text-sm">
          Every entry, CSV
        </a>
      </AskForm>
      <section className="sheet px-4 py-3" aria-label="By month">
        <p className="text-lg font-semibold">
          {jobs} jobs in {fixed(minutes / 60, 1)} hours{cost(minutes) && `, worth ${cost(minutes)}`}.
        </p>
        {hourMinor === null && (
          <p className="text-quiet text-xs">
            What it costs is said once the gym says what an hour of care costs: under Meters, by the rule.
          </p>
        )}
        <ol className="mt-2 grid gap-0.5 text-sm">
          {months.map((month, i) => (
            <li key={month.month} className="grid grid-cols-[2.5rem_3rem_5rem_minmax(0,1fr)_6rem] items-center gap-x-2">
              <span>{MONTHS[i]}</span>
              <span className="text-right">{month.jobs}</span>
              <span className="text-right">
                {fixed(month.minutes, 0)}
                <span className="unit">min</span>
              </span>
              <span aria-hidden>
                <span className="bg-primary block h-2" style={{ width: `${(100 * month.minutes) / most}%` }} />
              </span>
              <span className="text-right">{cost(month.minutes)}</span>
            </li>
          ))}
        </ol>
      </section>
      {shown && (
        <section id="over-time" className="sheet px-4 py-3" aria-label={`${shown.tag} over time`}>
          <h2 className="mb-2 flex flex-wrap items-baseline gap-x-3 font-bold">
            {shown.tag} {shown.name}: care against condition
            <Link href={`/care/records?year=${year}`} className="link text-sm font-normal">
              Close
            </Link>
          </h2>
          <ConditionChart {...shown} />
          {shown.condition.looks.length === 0 && (
            <p className="text-quiet text-sm">
              Nobody inspected it yet, so there is no condition to set care against.{" "}
              <Link href={`/bars/${encodeURIComponent(shown.tag)}/inspect`} className="link">
                Inspect it
              </Link>
            </p>
          )}
        </section>
      )}
      <section className="sheet px-4 py-2" aria-label="Bar by bar">
        {listed.length < bars.length && (
          <p className="mb-2 text-sm">
            Shown are the {listed.length} of {bars.length} bars that took most. All are in the report and the file.
          </p>
        )}
        {rust && <p className="mb-2 text-sm">{rustWords(rust)}</p>}
        <div className="relative overflow-x-auto">
          <table className="w-full text-sm">
            <thead className="text-quiet text-left text-xs">
              <tr>
                <th className="py-1 font-normal">bar</th>
                <th className="font-normal">done</th>
                <th className="text-right font-normal">min</th>
                <th className="text-right font-normal">
                  {hourMinor === null ? <span className="sr-only">cost</span> : "cost"}
                </th>
                <th className="pl-6 text-right font-normal">runout, mm</th>
                <th className="pl-4 font-normal">rust</th>
                <th className="text-right font-normal">found</th>
                <th>
                  <span className="sr-only">over time</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {listed.map((bar) => (
                <tr key={bar.tag} className="border-base-300 border-t align-baseline">
                  <th scope="row" className="py-1 pr-3 text-left font-normal whitespace-nowrap">
                    <BarTag tag={bar.tag} /> {bar.name}
                  </th>
                  <td className="text-quiet pr-3">
                    {bar.tasks.map(({ name, times }) => `${name} ${times}×`).join(", ") || "nothing recorded"}
                  </td>
                  <td className="text-right">{fixed(bar.minutes, 0)}</td>
                  <td className="pl-4 text-right whitespace-nowrap">{cost(bar.minutes)}</td>
                  <td
                    className={`pl-6 text-right whitespace-nowrap ${(bar.lastTirMm ?? 0) > (bar.firstTirMm ?? 0) + 0.5 ? "text-accent font-bold" : ""}`}
                  >
                    {bar.lastTirMm === null
                      ? "–"
                      : bar.firstTirMm === bar.lastTirMm
                        ? fixed(bar.lastTirMm, 1)
                        : `${fixed(bar.firstTirMm!, 1)} to ${fixed(bar.lastTirMm, 1)}`}
                  </td>
                  <td className="pl-4">{bar.lastRust ?? "–"}</td>
                  <td className="text-right">{bar.findings || ""}</td>
                  <td className="pl-4 text-right whitespace-nowrap">
                    <Link
                      href={`/care/records?year=${year}&bar=${encodeURIComponent(bar.tag)}#over-time`}
                      className="link inline-flex min-h-11 items-center lg:min-h-0"
                    >
                      over time<span className="sr-only"> {bar.tag}</span>
                    </Link>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
    </div>
  );
}

function rustWords({ often, seldom }: RustByCare): string {
  const gained = ({ stepsPer100Days: steps }: CareShare) =>
    Math.abs(steps) < 0.05 ? "no rust" : `${fixed(Math.abs(steps), 1)} grades of rust ${steps > 0 ? "more" : "less"}`;
  const share = ({ done }: CareShare) => `${fixed(100 * done, 0)} %`;
  return `Where ${share(often)} of the brushing that was due was done, a hundred days brought ${gained(often)}; where ${share(seldom)} was done, ${gained(seldom)} (${often.spans} and ${seldom.spans} spans between two looks at a bar). It says what happened, not why.`;
}
