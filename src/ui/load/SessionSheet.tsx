import { AskChoice } from "../kit/AskChoice";
import { optionsUpTo } from "../kit/optionsUpTo";
import { AskForm } from "../kit/AskForm";
import { ProblemList } from "../kit/ProblemList";
import { PageHead } from "../kit/PageHead";
import { LadderAsk, PlatesAsk } from "./LadderAsk";
import { LoadNav } from "./LoadNav";
import { MAX_LIFTERS } from "./sessionAsk";
import { RunningNow } from "./RunningNow";
import { RUN_ADDRESS, Run } from "./SessionRun";
import type { SessionSheetProps } from "./sessionSheetProps";
import { Kg } from "../kit/shown";

/** Ladders to the work sets of everybody on one bar, and the plates for each set so that fewest are handled. */
export function SessionSheet(props: SessionSheetProps) {
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
        className="sheet no-print mb-3 grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-1 px-4 py-2 md:grid-cols-[15rem_minmax(0,1fr)]"
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
            Up to {MAX_LIFTERS} lifters. Everybody reaches the work sets in the same round. Steps are rounded down to{" "}
            <Kg value={2.5} decimals={1} /> over the empty bar; work sets are not rounded. With a lift and a station,
            settings and J-cups of lifters on file are counted too.
          </p>
        </div>
      </AskForm>
      <ProblemList id="run-problems" of={problems} className="mb-3 font-semibold" />
      {run && <Run {...props} run={run} />}
    </>
  );
}
