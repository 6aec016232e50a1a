"use client";

import type { BarDemand, Covered, LiftCoverage } from "@/core/matching/coverage";
import type { Verdict } from "@/core/matching/verdict";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { MARKS, MARK_WORDS } from "./coverageMarks";
import { Kg } from "../kit/shown";

interface Props {
  bars: readonly { tag: string; name: string }[];
  rows: readonly (Pick<LiftCoverage, "lift" | "loadKg" | "covered" | "people" | "verdicts"> & { name: string })[];
  byBar: readonly BarDemand[];
  /** Bars that might be bought, in columns of their own. */
  offered: readonly { id: string; code: string; name: string; verdicts: readonly Verdict[] }[];
  showsPeople: boolean;
}

const COVERED: Record<Covered, string> = { well: "well", barely: "barely", not: "not at all" };
const OTHER = "min-w-6 text-center";
const MADE_FOR = `${OTHER} text-primary`;

/**
 * A mark for every lift and bar. A leaf of the client's, so that some thousand cells go over as their verdicts and not
 * as elements.
 */
export function CoverageTable({ bars, rows, byBar, offered, showsPeople }: Props) {
  return (
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
            {offered.map(({ id, code, name }) => (
              <th
                key={id}
                scope="col"
                title={`${name}, on offer`}
                className="border-base-content border-l border-dashed px-0.5 py-2 align-bottom font-normal"
              >
                <Link
                  href={`/buy/${id}`}
                  className="text-quiet inline-block rotate-180 [writing-mode:vertical-rl] hover:underline"
                >
                  {code}
                </Link>
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="divide-base-300 divide-y">
          {rows.map(({ lift, name, loadKg, covered, verdicts, people }, r) => (
            <tr key={lift} className="hover:bg-base-200/60">
              <th scope="row" className="bg-base-100 sticky left-0 px-3 py-1 text-left font-normal whitespace-nowrap">
                <Link href={href("/match", { lift, load: String(loadKg) })} className="font-semibold hover:underline">
                  {name}
                </Link>{" "}
                <span className="text-quiet text-xs">
                  <Kg value={loadKg} decimals={1} />
                </span>
              </th>
              <td className={`px-2 text-xs whitespace-nowrap ${covered === "well" ? "" : "font-bold"}`}>
                {COVERED[covered]}
              </td>
              {showsPeople && <td className="px-2 text-right tabular-nums">{people || ""}</td>}
              {verdicts.map((verdict, i) => (
                <td key={bars[i]!.tag} className={verdict === "made-for" ? MADE_FOR : OTHER}>
                  <a
                    href={`${href("/match", { lift, load: String(loadKg) })}#bar-${encodeURIComponent(bars[i]!.tag)}`}
                    title={`${bars[i]!.tag}, ${name}: ${MARK_WORDS[verdict]}. Why?`}
                    aria-label={`${bars[i]!.tag}: ${MARK_WORDS[verdict]}`}
                    className="hover:bg-base-300 flex min-h-6 items-center justify-center"
                  >
                    {MARKS[verdict]}
                  </a>
                </td>
              ))}
              {offered.map(({ id, code, verdicts: own }) => (
                <td
                  key={id}
                  className={`border-base-content border-l border-dashed ${OTHER} text-quiet`}
                  title={`${code}, ${name}: ${MARK_WORDS[own[r]!]}`}
                  aria-label={`${code}: ${MARK_WORDS[own[r]!]}`}
                >
                  {MARKS[own[r]!]}
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
  );
}
