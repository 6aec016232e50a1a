import type { Bar } from "@/core/bars/bar";
import type { BarDemand, Covered, LiftCoverage } from "@/core/matching/coverage";
import type { Lift } from "@/core/matching/lifts";
import type { Verdict } from "@/core/matching/verdict";
import { trimmed } from "@/core/units/format";
import Link from "../kit/Link";
import { href } from "../kit/search";

interface Props {
  /** Bars of the table; of many a part. */
  bars: readonly Bar[];
  /** Bars in service in all, and how many come before those of the table. */
  total: number;
  from: number;
  lifts: readonly Lift[];
  byLift: readonly LiftCoverage[];
  byBar: readonly BarDemand[];
  busy: { name: string; people: number; byBar: readonly BarDemand[] } | null;
  /** Whether people are counted: only for who may read lifters. */
  showsPeople: boolean;
}

/** A mark for each verdict, so that nothing hangs on a colour. */
const MARKS: Record<Verdict, string> = { "made-for": "●", good: "◐", usable: "○", poor: "·", never: "" };
const MARK_WORDS: Record<Verdict, string> = {
  "made-for": "made for",
  good: "good",
  usable: "usable",
  poor: "poor",
  never: "never",
};
const COVERED: Record<Covered, string> = { well: "well", barely: "barely", not: "not at all" };

/** Lifts × bars in service: what is covered well, barely and not at all, and who leans on which bar. */
export function CoverageSheet({ bars, total, from, lifts, byLift, byBar, busy, showsPeople }: Props) {
  const count = (covered: Covered) => byLift.filter((one) => one.covered === covered).length;
  const nameOf = (key: string) => lifts.find((lift) => lift.key === key)!.name;
  const listed = (covered: Covered) =>
    byLift
      .filter((one) => one.covered === covered)
      .map(({ lift }) => nameOf(lift))
      .join(", ");
  const alone = byBar.filter((one) => one.alone > 0);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <section className="sheet border-l-primary border-l-4 px-4 py-3 text-sm" aria-label="What is covered">
        <p>
          <strong>
            {count("well")} of {byLift.length} lifts are covered well
          </strong>
          : two bars or more are at least good for them at a usual load.
        </p>
        {count("barely") > 0 && (
          <p>
            <strong>Barely:</strong> {listed("barely")}.
          </p>
        )}
        {count("not") > 0 && (
          <p>
            <strong>Not at all:</strong> {listed("not")}.
          </p>
        )}
        {showsPeople && alone.length > 0 && (
          <p>
            <strong>Leaned on:</strong>{" "}
            {alone
              .slice(0, 5)
              .map(({ tag, alone: n }) => `${tag} by ${n} ${n === 1 ? "person" : "people"} who have no other as good`)
              .join("; ")}
            .
          </p>
        )}
        {busy && (
          <p>
            <strong>At the busy hour</strong>, {busy.name} with {busy.people} people:{" "}
            {busy.byBar
              .filter(({ people }) => people > 0)
              .sort((a, b) => b.people - a.people)
              .slice(0, 5)
              .map(
                ({ tag, people: n, alone: only }) =>
                  `${tag} is the best for ${n}${only ? `, the only one for ${only}` : ""}`,
              )
              .join("; ")}
            .
          </p>
        )}
      </section>
      {bars.length < total && (
        <p className="flex flex-wrap items-baseline gap-x-4 text-sm">
          <span className="text-quiet">
            Bars {from + 1}–{from + bars.length} of {total}, by tag.
          </span>
          {from > 0 && (
            <Link
              href={href("/match/coverage", { from: Math.max(0, from - 40) })}
              className="link inline-flex min-h-11 items-center"
            >
              Earlier
            </Link>
          )}
          {from + bars.length < total && (
            <Link
              href={href("/match/coverage", { from: from + bars.length })}
              className="link inline-flex min-h-11 items-center"
            >
              Later
            </Link>
          )}
        </p>
      )}
      <div className="sheet relative overflow-x-auto" tabIndex={0} role="region" aria-label="Lifts by bars">
        <table className="w-full border-collapse text-sm">
          <caption className="sr-only">Verdict of every bar in service for every lift at its usual load</caption>
          <thead className="border-base-content border-b text-xs">
            <tr>
              <th scope="col" className="bg-base-100 sticky left-0 px-3 py-2 text-left font-normal">
                lift, usual load
              </th>
              <th scope="col" className="px-2 text-left font-normal">
                covered
              </th>
              {showsPeople && (
                <th scope="col" className="px-2 text-right font-normal">
                  people
                </th>
              )}
              {bars.map(({ tag, name }) => (
                <th key={tag} scope="col" title={name} className="px-0.5 py-2 align-bottom font-normal">
                  <Link
                    href={`/bars/${encodeURIComponent(tag)}`}
                    className="inline-block rotate-180 font-semibold [writing-mode:vertical-rl] hover:underline"
                  >
                    {tag}
                  </Link>
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="divide-base-300 divide-y">
            {byLift.map(({ lift, loadKg, covered, verdicts, people }) => (
              <tr key={lift} className="hover:bg-base-200/60">
                <th scope="row" className="bg-base-100 sticky left-0 px-3 py-1 text-left font-normal whitespace-nowrap">
                  <Link href={href("/match", { lift, load: String(loadKg) })} className="font-semibold hover:underline">
                    {nameOf(lift)}
                  </Link>{" "}
                  <span className="text-quiet text-xs">{trimmed(loadKg, 1)} kg</span>
                </th>
                <td className={`px-2 text-xs whitespace-nowrap ${covered === "well" ? "" : "font-bold"}`}>
                  {COVERED[covered]}
                </td>
                {showsPeople && <td className="px-2 text-right tabular-nums">{people || ""}</td>}
                {verdicts.map((verdict, i) => (
                  <td
                    key={bars[i]!.tag}
                    className={`min-w-6 text-center ${verdict === "made-for" ? "text-primary" : ""}`}
                    title={`${bars[i]!.tag}, ${nameOf(lift)}: ${MARK_WORDS[verdict]}`}
                  >
                    <span aria-hidden="true">{MARKS[verdict]}</span>
                    <span className="sr-only">{MARK_WORDS[verdict]}</span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
          {showsPeople && (
            <tfoot className="border-base-content border-t text-xs">
              <tr>
                <th scope="row" className="bg-base-100 sticky left-0 px-3 py-2 text-left font-normal" colSpan={1}>
                  people whose best it is
                </th>
                <td />
                <td />
                {bars.map(({ tag }) => {
                  const own = byBar.find((one) => one.tag === tag);
                  return (
                    <td key={tag} className="text-center tabular-nums">
                      {own?.people || ""}
                      {own && own.alone > 0 && <strong title="without another as good"> ({own.alone})</strong>}
                    </td>
                  );
                })}
              </tr>
            </tfoot>
          )}
        </table>
      </div>
      <p className="text-quiet flex flex-wrap gap-x-5 text-sm">
        {(["made-for", "good", "usable", "poor"] as const).map((verdict) => (
          <span key={verdict}>
            <span aria-hidden="true">{MARKS[verdict]}</span> {MARK_WORDS[verdict]}
          </span>
        ))}
        <span>blank: never</span>
        {showsPeople && <span>in brackets: people for whom no other bar is as good</span>}
      </p>
    </div>
  );
}
