import { LIMIT_WORDS, type Limit } from "@/core/matching/lifter";
import { ValueText } from "../kit/QuantityText";
import { Day, UnitName } from "../kit/shown";
import type { Meeting } from "@/core/matching/lifterFields";
import type { LifterRow } from "@/server/lifters";
import { DataTable, type DataColumn, type DataRow } from "../kit/DataTable";
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
    <section className="sheet" aria-label="Lifters">
      <DataTable
        label="lifters"
        columns={COLUMNS}
        rows={lifters.map((row) => rowOf(row, today))}
        empty="No lifters yet."
      />
    </section>
  );
}

const COLUMNS: DataColumn[] = [
  { key: "name", head: "name" },
  { key: "squad", head: "squad", isWide: true },
  { key: "experience", head: "experience", isWide: true },
  {
    key: "height",
    head: (
      <>
        height <UnitName of="mm" />
      </>
    ),
    name: "height mm",
    isNumber: true,
    isWide: true,
  },
  {
    key: "mass",
    head: (
      <>
        mass <UnitName of="kg" />
      </>
    ),
    name: "mass kg",
    isNumber: true,
    isWide: true,
  },
  {
    key: "hand",
    head: (
      <>
        hand <UnitName of="mm" />
      </>
    ),
    name: "hand mm",
    isNumber: true,
    isWide: true,
  },
  { key: "limits", head: "not comfortable" },
  { key: "next", head: "next competition", isWide: true },
  { key: "match", head: "Match", isPlain: true },
];

function rowOf(row: LifterRow, today: string): DataRow {
  const next = ((row.meetings ?? []) as Meeting[])
    .filter(({ on }) => on >= today)
    .sort((a, b) => (a.on < b.on ? -1 : 1))[0];
  const number = (value: number | null, unit: "kg" | "mm") => ({
    value,
    node: value === null ? undefined : <ValueText value={value} decimals={0} unit={unit} isBare />,
  });
  return {
    id: row.id,
    cells: {
      name: {
        value: row.name,
        node: (
          <Link
            href={`/lifters/${row.key}`}
            className="inline-flex min-h-11 items-center font-semibold whitespace-nowrap hover:underline"
          >
            {row.name}
          </Link>
        ),
      },
      squad: { value: row.squad },
      experience: { value: row.experience },
      height: number(row.heightMm, "mm"),
      mass: number(row.massKg, "kg"),
      hand: number(row.handLengthMm, "mm"),
      limits: { value: ((row.limits ?? []) as Limit[]).map((limit) => LIMIT_WORDS[limit]).join(", ") || null },
      next: {
        value: next ? `${next.on} ${next.name || next.rules}` : null,
        node: next ? (
          <>
            {next.name || next.rules}{" "}
            <span className="text-quiet text-xs whitespace-nowrap">
              <Day on={next.on} />
            </span>
          </>
        ) : undefined,
      },
      match: {
        value: null,
        node: (
          <Link href={`/match?lifter=${row.key}`} className="btn btn-sm btn-outline">
            Match
          </Link>
        ),
      },
    },
  };
}
