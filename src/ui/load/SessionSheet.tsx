import type { Bar } from "@/core/bars/bar";
import { platesOffOneSide } from "@/core/loading/tippingOf";
import type { SessionRun } from "@/server/loading";
import { AskChoice, optionsUpTo } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { PrintButton } from "../kit/PrintButton";
import { LadderAsk, PlatesAsk } from "./LadderAsk";
import { LoadNav } from "./LoadNav";
import { plateLabel, stackWords } from "./plateWords";
import { SessionPlay } from "./SessionPlay";
import { MAX_LIFTERS, type SessionAsk } from "./sessionAsk";
import { BeginRun, RunningNow, type RunningSession } from "./RunningNow";
import { facesOf } from "./plateFaces";
import { Sleeve } from "./Sleeve";
import type { FormAction } from "../kit/formState";
import { Kg, UnitName } from "../kit/shown";

interface Props {
  bars: readonly { tag: string; name: string }[];
  bar: Bar;
  clamps: readonly { key: string; name: string }[];
  clampKey: string;
  stations: readonly { key: string; name: string }[];
  lifts: readonly { key: string; name: string }[];
  ask: SessionAsk;
  run: SessionRun | null;
  problems: readonly string[];
  mayRun: boolean;
  running: readonly RunningSession[];
  /** The address as it was asked, to begin just this. */
  search: Record<string, string | undefined>;
  beginAction: FormAction;
  endAction: FormAction;
}

const RUN_ADDRESS = "/load/session";

/** Ladders to the work sets of everybody on one bar, and the plates for each set so that fewest are handled. */
export function SessionSheet(props: Props) {
  const { bars, bar, clamps, clampKey, stations, lifts, ask, run, problems, running, endAction } = props;
  return (
    <>
      <PageHead title="Warm-ups and sessions" about="every set on one bar, the fewest plates moved">
        <LoadNav here={RUN_ADDRESS} />
      </PageHead>
      {running.length > 0 && <RunningNow running={running} endAction={endAction} />}
      <AskForm
        action={RUN_ADDRESS}
        label="The session"
        className="sheet no-print mb-3 grid gap-x-6 gap-y-1 px-4 py-2 md:grid-cols-[15rem_1fr]"
      >
        <label className="grid content-start gap-1 text-sm">
          who, and the work set; one a line
          <textarea
            name="who"
            defaultValue={ask.who}
            key={ask.who}
            rows={4}
            spellCheck={false}
            aria-describedby={problems.length > 0 ? "run-problems" : undefined}
            className="textarea textarea-sm w-full"
          />
          <button type="submit" className="btn btn-sm btn-neutral justify-self-start">
            Plan it
          </button>
        </label>
        <div className="flex flex-wrap content-start items-baseline gap-x-5 gap-y-1">
          <AskChoice
            name="bar"
            word="bar"
            value={bar.tag}
            options={optionsUpTo(bars, ({ tag, name }) => [tag, `${tag} ${name}`])}
          />
          <AskChoice
            name="clamps"
            word="clamps"
            value={clampKey}
            options={[...clamps.map(({ key, name }): [string, string] => [key, name]), ["none", "none"]]}
          />
          <LadderAsk ladder={ask} repetitions={ask.repetitions} />
          <AskChoice
            name="order"
            word="lifters"
            value={ask.order}
            options={[
              ["named", "in the order named"],
              ["lightest", "the lightest first"],
              ["fewest", "in the order of fewest plates"],
            ]}
          />
          <PlatesAsk only={ask.only} />
          <AskChoice
            name="at"
            word="at"
            value={ask.at}
            options={[["", "no station"], ...stations.map(({ key, name }): [string, string] => [key, name])]}
          />
          <AskChoice
            name="lift"
            word="lift"
            value={ask.lift}
            options={[["", "any"], ...lifts.map(({ key, name }): [string, string] => [key, name])]}
          />
          <p className="text-quiet basis-full text-xs">
            Up to {MAX_LIFTERS} lifters. Everybody reaches the work sets in the same round. Steps are rounded down to
            2.5 kg over the empty bar; work sets are taken as they are. With a lift and a station, settings and J-cups
            of lifters the hall knows are counted too.
          </p>
        </div>
      </AskForm>
      {problems.length > 0 && (
        <ul id="run-problems" role="alert" className="text-error mb-3 text-sm font-semibold">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      {run && <Run {...props} run={run} />}
    </>
  );
}

function Run({ run, bar, ask, mayRun, search, beginAction }: Props & { run: SessionRun }) {
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
              ? ` Larger plates are inside, as the gym wants it; in any order it would be ${run.anyOrder}.`
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
          At the end the bar is emptied; that is counted. Small plates may stand inside large ones: that is what spares
          plates. Where the set ends on the floor, load it by itself under One load. Clamps on, both sides loaded
          evenly, safeties set, a spotter for heavy racked lifts. Never strip one side. Never over the rating.
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

function Removal({ set: { tipping, perSide }, hasClamp }: { set: SessionRun["sets"][number]; hasClamp: boolean }) {
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

const definedOf = (search: Record<string, string | undefined>) =>
  Object.fromEntries(Object.entries(search).filter((entry): entry is [string, string] => entry[1] !== undefined));
