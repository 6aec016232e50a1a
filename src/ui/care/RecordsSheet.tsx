import { monthText } from "@/core/units/dates";
import type { ComponentProps } from "react";
import type { CareShare, RustByCare } from "@/core/care/careAndCondition";
import { fixed } from "@/core/units/format";
import type { CareRecords } from "@/server/care/records";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import { BarTag } from "../kit/BarTag";
import { DataTable, type DataColumn, type DataRow } from "../kit/DataTable";
import Link from "../kit/Link";
import { ConditionChart } from "./ConditionChart";
import { MonthBars } from "./MonthCare";
import { UnitName } from "../kit/shown";

const MONTHS = Array.from({ length: 12 }, (_, i) => monthText(`2026-${String(i + 1).padStart(2, "0")}`));

/** Of a longer wall those that took most are listed; every bar is in the report and the file. */
const MAX_BARS = 300;

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
  const listed = bars.length <= MAX_BARS ? bars : bars.toSorted((a, b) => b.minutes - a.minutes).slice(0, MAX_BARS);
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
          <p className="text-quiet text-xs">To see costs, enter what an hour of care costs under Meters.</p>
        )}
        <MonthBars
          label={`Minutes of care by month: ${months.map((month, i) => `${MONTHS[i]} ${fixed(month.minutes, 0)}`).join(", ")}`}
          months={months.map((month, i) => ({
            month: MONTHS[i]!,
            jobs: month.jobs,
            minutes: Math.round(month.minutes),
            cost: cost(month.minutes),
          }))}
        />
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
        <DataTable
          label="bars"
          columns={COLUMNS.filter(({ key }) => key !== "cost" || hourMinor !== null)}
          rows={listed.map((bar) => rowOf(bar, year, cost))}
          empty="No bars yet."
        />
      </section>
    </div>
  );
}

const COLUMNS: DataColumn[] = [
  { key: "bar", head: "bar" },
  { key: "done", head: "done", isWide: true },
  { key: "minutes", head: "min", isNumber: true },
  { key: "cost", head: "cost", isNumber: true },
  {
    key: "runout",
    head: (
      <>
        runout, <UnitName of="mm" />
      </>
    ),
    name: "runout, mm",
    isNumber: true,
  },
  { key: "rust", head: "rust" },
  { key: "found", head: "found", isNumber: true, isWide: true },
  { key: "time", head: "over time", isPlain: true },
];

function rowOf(bar: CareRecords["bars"][number], year: number, cost: (minutes: number) => string | null): DataRow {
  const { tag, firstTirMm, lastTirMm } = bar;
  const isWorse = (lastTirMm ?? 0) > (firstTirMm ?? 0) + 0.5;
  const runout =
    lastTirMm === null
      ? null
      : firstTirMm === lastTirMm
        ? fixed(lastTirMm, 1)
        : `${fixed(firstTirMm!, 1)} to ${fixed(lastTirMm, 1)}`;
  return {
    id: tag,
    cells: {
      bar: {
        value: `${tag} ${bar.name}`,
        node: (
          <>
            <BarTag tag={tag} /> {bar.name}
          </>
        ),
      },
      done: { value: bar.tasks.map(({ name, times }) => `${name} ${times}×`).join(", ") || "nothing recorded" },
      minutes: { value: Math.round(bar.minutes), node: fixed(bar.minutes, 0) },
      cost: { value: bar.minutes, node: cost(bar.minutes) },
      runout: {
        value: lastTirMm,
        node: runout && <span className={isWorse ? "text-accent font-bold" : ""}>{runout}</span>,
      },
      rust: { value: bar.lastRust },
      found: { value: bar.findings || null },
      time: {
        value: null,
        node: (
          <Link
            href={`/care/records?year=${year}&bar=${encodeURIComponent(tag)}#over-time`}
            className="link inline-flex min-h-11 items-center"
          >
            over time<span className="sr-only"> {tag}</span>
          </Link>
        ),
      },
    },
  };
}

function rustWords({ often, seldom }: RustByCare): string {
  const gained = ({ stepsPer100Days: steps }: CareShare) =>
    Math.abs(steps) < 0.05 ? "did not change" : `${steps > 0 ? "rose" : "fell"} by ${fixed(Math.abs(steps), 1)} grades`;
  const share = ({ done }: CareShare) => `${fixed(100 * done, 0)} %`;
  return `Where ${share(often)} of the due brushing was done, rust ${gained(often)} in 100 days; where ${share(seldom)} was done, it ${gained(seldom)} (from ${often.spans} and ${seldom.spans} pairs of looks at a bar). This is what happened, not why.`;
}
