import type { RunSet } from "@/core/loading/run/runState";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import { Kg } from "../kit/shown";

interface Props {
  sets: readonly RunSet[];
  changes: readonly { off: string[]; on: string[] }[];
  words: (stack: readonly string[]) => string;
}

/** "5 with 2 left", "missed"; nothing where nobody said. */
function effortText({ effort }: RunSet): string {
  if (!effort) return "";
  const left = effort.reserve === null ? "" : ` with ${trimmed(effort.reserve, 1)} left`;
  return effort.isMade ? `, ${effort.repetitions}${left}` : ", missed";
}

const MARKS = { open: "", done: "done", skipped: "left out" } as const;

/** All sets of the run in their order, what was done and what comes; this is what is printed. */
export function RunList({ sets, changes, words }: Props) {
  return (
    <details className="sheet px-4 print:block">
      <summary className="min-h-11 cursor-pointer py-3 text-sm font-semibold">
        All sets: {sets.filter(({ state }) => state === "done").length} done,{" "}
        {sets.filter(({ state }) => state === "open").length} to come
      </summary>
      <div className="relative overflow-x-auto pb-3">
        <table className="w-full text-sm">
          <thead className="text-quiet text-left text-xs">
            <tr>
              <th className="pr-3 font-normal">who</th>
              <th className="pr-3 text-right font-normal">load</th>
              <th className="pr-3 font-normal">take off</th>
              <th className="pr-3 font-normal">put on</th>
              <th className="font-normal">
                <span className="sr-only">state</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {sets.map((set, i) => {
              const { id, lifter, achievedUnits, state, setup, jCupHole } = set;
              return (
                <tr key={id} className={`border-base-300 border-t ${state === "open" ? "" : "text-quiet"}`}>
                  <th scope="row" className="py-1 pr-3 text-left">
                    {lifter}
                    {(setup || jCupHole !== null) && (
                      <span className="block text-xs font-normal">
                        {[jCupHole !== null && `hole ${jCupHole}`, setup].filter(Boolean).join(", ")}
                      </span>
                    )}
                  </th>
                  <td className="pr-3 text-right whitespace-nowrap">
                    <Kg value={kgFromMassUnits(achievedUnits)} decimals={2} isSmall />
                  </td>
                  <td className="pr-3">{words(changes[i]!.off) || "–"}</td>
                  <td className="pr-3">{words(changes[i]!.on) || "–"}</td>
                  <td className="whitespace-nowrap">
                    {MARKS[state]}
                    {effortText(set)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </details>
  );
}
