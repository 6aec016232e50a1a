import { platesOffOneSide } from "@/core/loading/tippingOf";
import type { SessionRun } from "@/server/loading";
import Link from "../kit/Link";
import { PrintButton } from "../kit/PrintButton";
import { plateLabel, stackWords } from "./plateWords";
import { SessionPlay } from "./SessionPlay";
import { BeginRun } from "./RunningNow";
import { facesOf } from "./plateFaces";
import { Sleeve } from "./Sleeve";
import { Kg, UnitName } from "../kit/shown";
import type { SessionSheetProps } from "./sessionSheetProps";

export function Removal({
  set: { tipping, perSide },
  hasClamp,
}: {
  set: SessionRun["sets"][number];
  hasClamp: boolean;
}) {
  if (!tipping || perSide.length === 0) return <span className="text-quiet">–</span>;
  if (tipping.safeUnloadOrder === null) return <strong className="text-error">two people, both at once</strong>;
  const off = platesOffOneSide(tipping, perSide.length, hasClamp);
  if (off === null) return <span className="text-quiet">all</span>;
  return (
    <strong className="text-accent">
      {off} {off === 1 ? "plate" : "plates"}
    </strong>
  );
}

export const definedOf = (search: Record<string, string | undefined>) =>
  Object.fromEntries(Object.entries(search).filter((entry): entry is [string, string] => entry[1] !== undefined));

export const RUN_ADDRESS = "/load/session";

export function Run({ run, bar, ask, mayRun, search, beginAction }: SessionSheetProps & { run: SessionRun }) {
  const { plan, scratch, handledKg, sets, plates, order, changes, leftToOthers } = run;
  const faces = facesOf(run.plates);
  const hasSettings = sets.some(({ setup, jCupHole }) => setup !== null || jCupHole !== null);
  const isLeast =
    run.orderBound === null ? plan.isProven : run.orderBound >= plan.handled + changes.setups + changes.cups;
  const canImprove = !isLeast && ask.planMs === undefined;
  const longer = new URLSearchParams({ ...definedOf(search), longer: "yes" });
  const spared = scratch.plates - plan.handled;
  const risky = sets.filter(
    ({ tipping, perSide }) => tipping && perSide.length > 0 && tipping.safeUnloadOrder === null,
  );
  return (
    <>
      <section className="sheet border-l-primary mb-3 border-l-4 px-4 py-3" aria-label="The plan in short">
        <p className="text-lg leading-snug font-semibold">
          {plan.handled} plates handled on each side through {sets.length} sets,{" "}
          {plan.isProven ? "the fewest possible" : `within ${plan.handled - plan.lowerBound} of the fewest possible`}.{" "}
          {canImprove && (
            <Link href={`/load/session?${longer}`} className="link text-base font-normal">
              Look for a better plan (up to 10 s)
            </Link>
          )}
        </p>
        <p className="text-sm">
          Reloading from empty each time: {scratch.plates} plates a side. This saves{" "}
          <strong>{spared} plates a side</strong> and{" "}
          <strong>
            <Kg value={2 * (scratch.kg - handledKg)} decimals={0} /> of lifting plates
          </strong>
          .
          {run.anyOrder !== null &&
            (run.anyOrder < plan.handled
              ? ` Larger plates go inside, by the house rule; in any order it would be ${run.anyOrder}.`
              : " Larger plates are inside, and no other order would save any.")}
          {order.length > 1 && ` Order: ${order.join(", ")}.`}
          {run.orderBound !== null &&
            (run.orderBound >= plan.handled + changes.setups + changes.cups
              ? " No order handles fewer."
              : ` No order handles fewer than ${run.orderBound}.`)}
        </p>
        {hasSettings && (
          <p className="text-sm">
            Beside the plates{" "}
            {[
              sets.some(({ jCupHole }) => jCupHole !== null) && `the J-cups move ${times(changes.cups)}`,
              sets.some(({ setup }) => setup) && `the bar is set again ${times(changes.setups)}`,
            ]
              .filter(Boolean)
              .join(" and ")}
            .{run.question.changesSetupEmpty && changes.setups > 0 && " This bar is set only while it is empty."}
          </p>
        )}
        {leftToOthers.length > 0 && (
          <p className="text-sm">
            Left to sessions that are on:{" "}
            {leftToOthers
              .map(
                ({ key, pairs, where }) =>
                  `${pairs} ${pairs === 1 ? "pair" : "pairs"} of ${plateLabel(key, plates)} (${where.join(", ")})`,
              )
              .join("; ")}
            .
          </p>
        )}
        {risky.length > 0 && (
          <p role="alert" className="text-error mt-1 text-sm font-semibold">
            {risky.length} {risky.length === 1 ? "set" : "sets"} cannot be loaded one plate at a time here: two people,
            both sides at once.
          </p>
        )}
      </section>
      <section className="sheet px-4 py-3" aria-label="Set by set">
        <div className="mb-1 flex flex-wrap items-baseline justify-between gap-3">
          <h2 className="font-bold">
            {bar.tag} {bar.name}, set by set; plates of one side
          </h2>
          <span className="no-print flex gap-2">
            {mayRun && <BeginRun search={search} action={beginAction} />}
            <PrintButton />
          </span>
        </div>
        <div className="relative overflow-x-auto">
          <table className="w-full text-sm">
            <thead className="text-quiet text-left text-xs">
              <tr>
                <th className="py-1 pr-3 text-right font-normal">set</th>
                <th className="pr-3 font-normal">who</th>
                <th className="pr-3 text-right font-normal">load</th>
                <th className="pr-3 font-normal">take off</th>
                <th className="pr-3 font-normal">put on</th>
                <th className="pr-3 font-normal">then on the sleeve, inside first</th>
                {ask.at && <th className="font-normal">max off one side</th>}
              </tr>
            </thead>
            <tbody>
              {sets.map((set, i) => (
                <tr
                  key={set.id}
                  className={`border-base-300 border-t align-middle ${
                    i > 0 && set.id.split(".")[0] !== sets[i - 1]!.id.split(".")[0] ? "border-t-2" : ""
                  }`}
                >
                  <td className="text-quiet py-1 pr-3 text-right">{i + 1}</td>
                  <th scope="row" className={`pr-3 text-left ${set.isWork ? "font-bold" : "font-normal"}`}>
                    {set.lifter}
                    {set.isWork && <span className="text-quiet ml-1 text-xs font-normal">work</span>}
                    {(set.setup || set.jCupHole !== null) && (
                      <span className="text-quiet block text-xs font-normal">
                        {[set.jCupHole !== null && `hole ${set.jCupHole}`, set.setup].filter(Boolean).join(", ")}
                      </span>
                    )}
                  </th>
                  <td className="pr-3 text-right whitespace-nowrap">
                    <strong className="text-base">
                      <Kg value={set.achievedKg} decimals={2} isBare />
                    </strong>
                    <span className="unit">
                      <UnitName of="kg" />
                    </span>
                    {Math.abs(set.errorKg) >= 0.005 && (
                      <span className="text-accent block text-xs">
                        <Kg value={set.errorKg} decimals={2} isSigned isBare />
                      </span>
                    )}
                  </td>
                  <td className="min-w-28 pr-3">
                    {stackWords(set.off, plates) || <span className="text-quiet">–</span>}
                  </td>
                  <td className="min-w-28 pr-3 font-semibold">
                    {stackWords(set.on, plates) || <span className="text-quiet font-normal">–</span>}
                  </td>
                  <td className="pr-3">
                    <Sleeve stack={set.perSide} faces={faces} />
                  </td>
                  {ask.at && (
                    <td className="whitespace-nowrap">
                      <Removal set={set} hasClamp={ask.clamps !== "none"} />
                    </td>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <p className="text-quiet mt-2 text-xs">
          Emptying the bar at the end is counted. Small plates may sit inside large ones: that saves plates. If a set
          ends on the floor, plan it under One load. Clamps on, both sides loaded evenly, safeties set, a spotter for
          heavy racked lifts. Never strip one side. Never over the rating.
        </p>
      </section>
      <SessionPlay
        key={plan.handled + ask.who}
        sets={sets.map(({ lifter, achievedKg, perSide, off, on }) => ({ lifter, achievedKg, perSide, off, on }))}
        looks={faces}
        scratchPlates={scratch.plates}
      />
    </>
  );
}

const times = (n: number) => (n === 0 ? "never" : n === 1 ? "once" : `${n} times`);
