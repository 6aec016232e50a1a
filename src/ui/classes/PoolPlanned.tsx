"use client";

import { platesHandled } from "@/core/loading/handled";
import type { PoolPlan, Shortage } from "@/core/loading/plan/poolQuestion";
import { groupBy } from "@/core/collections/groupBy";
import type { PoolRemedy } from "@/core/loading/plan/poolRemedy";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { Sleeve } from "../load/Sleeve";
import { Kg, Say } from "../kit/shown";
import { pairsOf, ShortageWords, clock } from "./ShortageWords";
import type { PoolSheetProps } from "./poolSheetProps";

/** Less than this nobody feels; it is counted, not listed. */
export const FELT_KG = 0.5;

const isFelt = ({ wishedUnits, achievedUnits }: Shortage) => kgFromMassUnits(wishedUnits - achievedUnits) >= FELT_KG;

interface PlannedProps extends Omit<PoolSheetProps, "address" | "problems"> {
  plan: PoolPlan;
  remedy: PoolRemedy | null | undefined;
  ms: number;
  sets: number;
}

export function Planned({
  plan,
  remedy,
  ms,
  sets,
  startsAt,
  stations,
  lifterOf,
  faces,
  question,
  only,
  ladder,
}: PlannedProps) {
  const shortages = plan.shortages.filter(isFelt);
  const unfelt = plan.shortages.length - shortages.length;
  const moved = plan.stations.filter(({ isReordered }) => isReordered);
  const stationOf = (key: string) => stations.find((one) => one.key === key)!;
  return (
    <>
      <section
        className={`sheet mb-3 border-l-4 px-4 py-3 ${shortages.length > 0 ? "border-l-accent" : "border-l-primary"}`}
        aria-label="In short"
      >
        <p className="text-lg leading-snug font-semibold">
          {shortages.length === 0
            ? `All ${sets} sets at ${stations.length} stations have their plates, and none needs one that is on another bar.`
            : `${shortages.length} of ${sets} sets are short of plates.`}
        </p>
        <p className="text-sm">
          {plan.handled} plates are handled on each side in all
          {plan.lowerBound <= plan.handled
            ? `; with every plate to itself each station would handle at least ${plan.lowerBound} together.`
            : "."}
          {moved.length > 0 &&
            ` Lifters changed places at ${moved.map(({ key }) => `${stationOf(key).station} (${stationOf(key).tag})`).join(", ")}.`}{" "}
          {unfelt > 0 && <Say text={`${unfelt} sets are less than ${FELT_KG} kg under what they could have alone. `} />}
          <span className="text-quiet">Worked out in {trimmed(ms / 1000, 1)} s.</span>
        </p>
        {shortages.length > 0 && (
          <>
            <p className="mt-2 min-h-6 text-sm font-semibold" aria-live="polite">
              {remedy === undefined
                ? "Looking for what to lay out …"
                : remedy === null
                  ? "A few more plates do not fix all of it: fewer stations at once, or lighter sets."
                  : `With ${remedy.pairs.map((one) => pairsOf(one, faces)).join(" and ")} more nothing is short.`}
              {only === "kg" && " Kilograms and pounds together may do too."}
            </p>
            <details open={shortages.length <= 6} className="text-sm">
              <summary className="min-h-11 cursor-pointer py-3">Which, when, and who has them</summary>
              <ul className="grid gap-1 text-sm">
                {[
                  ...groupBy(shortages, ({ station, missing }) => `${station} ${JSON.stringify(missing)}`).values(),
                ].map((group) => (
                  <li key={group[0]!.set} className="border-accent border-l-4 pl-2">
                    <ShortageWords {...{ group, startsAt, lifterOf, faces, stationOf }} />
                  </li>
                ))}
              </ul>
            </details>
          </>
        )}
      </section>
      <div className="grid gap-3 xl:grid-cols-2">
        {plan.stations.map(({ key, plan: own, sets: inOrder }) => {
          const at = stationOf(key);
          const room = question.stations.find((one) => one.key === key)!;
          return (
            <section key={key} className="sheet px-4 py-2" aria-label={`${at.station}, block ${at.block + 1}`}>
              <div className="flex flex-wrap items-baseline justify-between gap-x-3">
                <h2 className="font-bold">
                  {at.station} <span className="bar-tag">{at.tag}</span>{" "}
                  <span className="text-quiet text-sm font-normal">
                    from {clock(startsAt, room.sets[0]!.atMinutes)}, {own.handled} plates handled a side
                  </span>
                </h2>
                <Link
                  href={href("/load/session", {
                    bar: at.tag,
                    at: at.stationKey,
                    who: at.lifters.map(({ name, workKg }) => `${name} ${trimmed(workKg, 2)}`).join("\n"),
                    lift: at.lifters[0]!.lift,
                    only: only ?? "all",
                    way: ladder.way,
                    count: String(ladder.count),
                    jump: String(ladder.jumpKg),
                    work: String(ladder.workSets),
                  })}
                  className="no-print inline-flex min-h-11 items-center text-sm hover:underline"
                >
                  Start
                </Link>
              </div>
              <ol className="divide-base-300 divide-y text-sm">
                {own.sets.map(({ id, achievedUnits, perSide }, i) => (
                  <li key={id} className="flex flex-wrap items-center gap-x-3 py-0.5">
                    <span className="text-quiet w-11 text-right">{clock(startsAt, inOrder[i]!.atMinutes)}</span>
                    <span className="w-32 truncate">{lifterOf[id]}</span>
                    <strong className="w-20 text-right">
                      <Kg value={kgFromMassUnits(achievedUnits)} decimals={2} isSmall />
                    </strong>
                    <Sleeve stack={perSide} faces={faces} />
                    {shortages.some(({ set }) => set === id) && (
                      <span className="text-accent font-semibold">short</span>
                    )}
                    <span className="text-quiet ml-auto text-xs">
                      {platesHandled(own.sets[i - 1]?.perSide ?? [], perSide)} moved
                    </span>
                  </li>
                ))}
              </ol>
            </section>
          );
        })}
      </div>
    </>
  );
}
