import type { Bar } from "@/core/bars/bar";
import type { BarDemand, Covered, LiftCoverage } from "@/core/matching/coverage";
import { peopleText } from "@/core/buying/offerGain";
import type { Verdict } from "@/core/matching/verdict";
import type { OfferedCover } from "@/server/matching";
import type { Lift } from "@/core/matching/lifts";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { CoverageTable } from "./CoverageTable";
import { MARKS, MARK_WORDS } from "./coverageMarks";

interface Props {
  /** Bars of the table; of many a part. */
  bars: readonly Bar[];
  /** Bars in service in all, and how many come before those of the table. */
  total: number;
  from: number;
  lifts: readonly Lift[];
  byLift: readonly LiftCoverage[];
  byBar: readonly BarDemand[];
  /** Of the bars of the table. */
  demand: readonly BarDemand[];
  busy: { name: string; people: number; byBar: readonly BarDemand[] } | null;
  weak: readonly { lift: string; name: string; best: Verdict; people: readonly string[] }[];
  /** By tag, people for whom no other bar is as good. */
  alone: Readonly<Record<string, readonly string[]>>;
  offered: readonly OfferedCover[];
  /** Whether people are counted: only for who may read lifters. */
  showsPeople: boolean;
}

/** Lifts × bars in service: what is covered well, barely and not at all, and who leans on which bar. */
export function CoverageSheet({
  bars,
  total,
  from,
  lifts,
  byLift,
  byBar,
  demand,
  busy,
  weak,
  alone: aloneOf,
  offered,
  showsPeople,
}: Props) {
  const count = (covered: Covered) => byLift.filter((one) => one.covered === covered).length;
  const nameOf = (key: string) => lifts.find((lift) => lift.key === key)!.name;
  const listed = (covered: Covered) =>
    byLift
      .filter((one) => one.covered === covered)
      .map(({ lift }) => nameOf(lift))
      .join(", ");
  const helpful = offered.filter((one) => one.lifts.length > 0);
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
              .map(({ tag }) => `${tag} by ${peopleText(aloneOf[tag] ?? [])}, for whom nothing else is as good`)
              .join("; ")}
            .
          </p>
        )}
        {showsPeople &&
          weak.map(({ lift, name, best, people }) => (
            <p key={`${lift} ${best}`}>
              <strong>{name}</strong>: nothing is better than {best.replace("-", " ")} for {peopleText(people)}.
            </p>
          ))}
        {helpful.length > 0 && (
          <p>
            <strong>On offer:</strong>{" "}
            {helpful.map(({ id, code, name, lifts: own }, i) => (
              <span key={id}>
                {i > 0 && "; "}
                <Link href={`/buy/${id}`} className="link decoration-dashed">
                  {code} {name}
                </Link>{" "}
                for {own.join(", ").toLowerCase()}
              </span>
            ))}
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
      <CoverageTable
        bars={bars.map(({ tag, name }) => ({ tag, name }))}
        rows={byLift.map(({ lift, loadKg, covered, verdicts, people }) => ({
          ...{ lift, name: nameOf(lift), loadKg, covered, people },
          verdicts,
        }))}
        byBar={demand}
        offered={offered.map(({ id, code, name, verdicts }) => ({ id, code, name, verdicts }))}
        showsPeople={showsPeople}
      />
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
