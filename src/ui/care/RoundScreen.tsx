"use client";

import { isBySides } from "@/core/care/roundSteps";
import type { RoundStations, RoundView } from "@/server/care/rounds";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import { ConnectionNote } from "../kit/ConnectionNote";
import { dayText } from "@/core/units/dates";
import Link from "../kit/Link";
import { CareNav } from "./CareNav";
import { RoundNow } from "./RoundNow";
import { StationsOfRound } from "./StationsOfRound";
import { useRound } from "./useRound";
import { WalkerForm } from "./WalkerForm";

interface Props {
  round: RoundView;
  tasks: readonly { key: string; name: string }[];
  task: string;
  ahead: number;
  mayTick: boolean;
  /** Of a round that was planned: for when, and for whom. */
  planned?: { day: string; person: string; stations: readonly RoundStations[] } | null;
  /** On a shared tablet: whose PIN counts. Null on a person's own device. */
  people?: readonly { id: string; name: string }[] | null;
  /** Where hands wear each bar, in words, by tag. */
  look?: Readonly<Record<string, string>>;
}

/**
 * A round on a telephone or tablet: one bar at a time in the order they hang, three big answers. A round of sleeves goes
 * by sides: one side of every bar, then all turned over for the other. What was touched is known here at once and sent
 * when it can be.
 */
export function RoundScreen({ round, tasks, task, ahead, mayTick, planned = null, people = null, look = {} }: Props) {
  const state = useRound({ round, task, isShared: people !== null });
  const { waiting, isCutOff, refused, forgetRefused, walker, setWalker, needsWalker } = state;
  const { left, step, stop, done, after, sleeves, minutesLeft, found, turned } = state;
  return (
    <div className="mx-auto grid max-w-3xl gap-3">
      <header className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h1 className="text-2xl">Round</h1>
        {!people && <CareNav here="/care/rounds" />}
      </header>
      {planned && (
        <p className="text-sm">
          Planned for {planned.person} on {dayText(planned.day, round.day)}.{" "}
          <Link href="/care/rounds" className="link">
            Everything due instead
          </Link>
        </p>
      )}
      <AskForm action="/care/rounds" label="Which round" className="flex flex-wrap gap-x-5">
        <AskChoice
          name="task"
          word="of"
          value={task}
          options={[["", "everything due"], ...tasks.map(({ key, name }): [string, string] => [key, name])]}
        />
        <AskChoice
          name="ahead"
          word="due"
          value={String(ahead)}
          options={[
            ["0", "by today"],
            ["3", "within three days"],
            ["7", "within a week"],
            ["31", "within a month"],
          ]}
        />
      </AskForm>
      {people && <WalkerForm people={people} walker={walker} isAsked={needsWalker} setWalker={setWalker} />}
      <ConnectionNote waiting={waiting} isCutOff={isCutOff} refused={refused} forget={forgetRefused} />
      <p className="text-sm" aria-live="polite">
        {stop
          ? `${left.length} ${left.length === 1 ? "bar" : "bars"} to go, about ${Math.ceil(minutesLeft)} min; ${done} done.${round.beyond > 0 ? ` ${round.beyond} more come with the next round.` : ""}`
          : round.stops.length === 0
            ? "Nothing is due."
            : `That is all: ${done} done, ${round.stops.length - done} left.`}
      </p>
      {stop && round.materials.length > 0 && <p className="text-quiet text-sm">Bring: {round.materials.join(", ")}.</p>}
      {!mayTick ? (
        <p className="sheet p-4">Your role may not tick off care.</p>
      ) : step?.kind === "turn" ? (
        <section className="sheet grid gap-4 p-4" aria-label="Now">
          <h2 className="text-3xl font-bold">
            {step.tags.length === 1 ? "Turn it over" : `Turn all ${step.tags.length} bars over`}
          </h2>
          <p>The first side of every bar is done. Turn it over and do the other side in the same order.</p>
          <p className="font-semibold">{step.tags.join(", ")}</p>
          <button type="button" className="btn btn-neutral min-h-20 text-2xl" onClick={turned}>
            All turned
          </button>
        </section>
      ) : stop ? (
        <RoundNow stop={stop} state={state} look={look[stop.tag]} />
      ) : (
        !people && (
          <p className="sheet p-4">
            <Link href="/care" className="link">
              What else is due
            </Link>
          </p>
        )
      )}
      {planned && <StationsOfRound stations={planned.stations} isLinked={!people} />}
      {found.length > 0 && (
        <ul aria-label="Found" className="text-sm">
          {found.map((words) => (
            <li key={words} className="border-error border-l-4 pl-2">
              {words}
            </li>
          ))}
        </ul>
      )}
      {after.length > 0 && (
        <p className="text-quiet text-sm">
          then {after.slice(0, 6).join(", ")}
          {after.length > 6 && " …"}
        </p>
      )}
      {sleeves > 2 && !isBySides(task) && (
        <p className="text-sm">
          {sleeves} of them want their sleeves oiled: quicker{" "}
          <Link href={`/care/rounds?task=sleeves&ahead=${ahead}`} className="link">
            as a separate round
          </Link>
          , one side of every bar, then all turned over.
        </p>
      )}
      <p className="text-quiet text-xs">
        Never open a sleeve on a round: ask its maker. A crack, or a bar that wobbles when rolled: nobody lifts with it;
        report it under Something is wrong and inspect it.
      </p>
    </div>
  );
}
