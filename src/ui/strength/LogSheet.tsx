import type { LogItem } from "@/server/logbook";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import Link from "../kit/Link";
import { AddSetsForm, ImportSetsForm, OneTouchForm } from "./LogForms";
import { SetList } from "./SetList";
import { Strength, ExpectedPart } from "./LogStrength";
import { Work } from "./LogWork";
import { LOG_SPANS } from "./logSpans";
import type { LogSheetProps } from "./logSheetProps";

/** What is shown at first: a session or two a week for some months. */
const SHOWN_SETS = 60;
const addressOf = (lift: LogSheetProps["lift"]) => `${lift.key}${lift.variant && `~${lift.variant}`}`;

/** One lifter's log: what bars are worth to them, what to load, how much they did, and every set. */
export function LogSheet(props: LogSheetProps) {
  const { lifter, log, lift, lifts, bars, today, actions } = props;
  return (
    <div className="grid gap-3">
      {log.lifts.length > 0 && <LiftPick {...props} />}
      {log.strength ? (
        <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
          <Strength {...props} />
          <div className="grid gap-3">
            <ExpectedPart {...props} />
            <Work log={log} />
          </div>
        </div>
      ) : (
        <p className="sheet p-4">
          {log.lifts.length === 0
            ? `No sets yet. They come from run sheets automatically, or add them here.`
            : "Too little to say how strong: sets that were missed, or of more than 12 repetitions, do not count."}
        </p>
      )}
      <section className="sheet px-4 py-3" aria-label="Add sets">
        <h2 className="mb-2 font-bold">Add sets</h2>
        <AddSetsForm
          lifter={lifter.key}
          start={{ lift: lift.key, tag: log.sets[0]?.tag ?? "" }}
          bars={bars}
          lifts={lifts}
          today={today}
          action={actions.add}
        />
        <details className="mt-2">
          <summary className="link min-h-11 cursor-pointer py-3 text-sm">Import a file</summary>
          <ImportSetsForm lifter={lifter.key} action={actions.import} />
        </details>
      </section>
      <Sets {...props} />
    </div>
  );
}

function LiftPick({ lifter, log, lifts, lift }: LogSheetProps) {
  const name = (key: string) => lifts.find((one) => one.key === key)?.name ?? key;
  return (
    <AskForm action={`/lifters/${lifter.key}/log`} label="Lift" className="flex flex-wrap items-baseline gap-4 text-sm">
      <AskChoice
        name="lift"
        word="lift"
        value={addressOf(lift)}
        options={log.lifts.map(({ liftKey, variant, sets }) => [
          `${liftKey}${variant && `~${variant}`}`,
          `${name(liftKey)}${variant && `, ${variant}`} (${sets} ${sets === 1 ? "set" : "sets"})`,
        ])}
      />
    </AskForm>
  );
}

function Sets({ lifter, log, lifts, bars, today, undo, actions, lift, isWhole }: LogSheetProps) {
  const address = `/lifters/${lifter.key}/log`;
  // Whole days only: a day's work is said beside its first set.
  const lastDay = log.sets[SHOWN_SETS - 1]?.on;
  const shown = isWhole ? log.sets : log.sets.filter(({ on }, i) => i < SHOWN_SETS || on === lastDay);
  return (
    <section className="sheet px-4 py-3" aria-label="Sets">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="font-bold">Sets</h2>
        <span className="flex flex-wrap items-center gap-3 text-sm">
          {undo && (
            <OneTouchForm
              fields={{ lifter: lifter.key, changeId: undo.id }}
              word={`Undo: ${undo.words}`}
              action={actions.undo}
            />
          )}
          {log.lifts.length > 0 && (
            <>
              <Link
                href={`/logbook?lifter=${lifter.key}&lift=${lift.key}&days=${LOG_SPANS.at(-1)![0]}`}
                className="link inline-flex min-h-11 items-center"
              >
                Show as a table
              </Link>
              <a href={`${address}/sets.csv`} className="link inline-flex min-h-11 items-center">
                Export CSV
              </a>
              <a href={`${address}/sets.json`} className="link inline-flex min-h-11 items-center">
                Export JSON
              </a>
            </>
          )}
        </span>
      </div>
      {log.sets.length === 0 && <p className="text-quiet text-sm">None of the {lift.name} yet.</p>}
      <SetList
        lifter={lifter.key}
        groups={inGroups(shown)}
        {...{ bars, lifts, today }}
        actions={{ edit: actions.edit, remove: actions.remove }}
      />
      {log.sets.length > shown.length && (
        <p className="text-quiet flex flex-wrap items-center gap-x-3 pt-2 text-sm">
          The latest {shown.length} of {log.sets.length} sets.
          <Link
            href={`${address}?lift=${encodeURIComponent(addressOf(lift))}&sets=all`}
            className="link inline-flex min-h-11 items-center"
          >
            Show all
          </Link>
        </p>
      )}
    </section>
  );
}

/** Sets of one day on one bar, the first first; groups newest first. */
function inGroups(sets: readonly LogItem[]): LogItem[][] {
  const groups: LogItem[][] = [];
  const like = ({ on, tag, setting, handsHelped }: LogItem) => JSON.stringify([on, tag, setting, handsHelped]);
  for (const set of sets) {
    const last = groups.at(-1);
    if (last && like(last[0]!) === like(set)) last.unshift(set);
    else groups.push([set]);
  }
  return groups;
}
