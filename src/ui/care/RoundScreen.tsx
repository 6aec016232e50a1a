"use client";

import { useCallback, useMemo, useRef, useState } from "react";
import { isBySides, nextRoundStep, NO_SIDES } from "@/core/care/roundSteps";
import type { Zone } from "@/core/wear/zones";
import type { RoundStations, RoundStop, RoundView } from "@/server/care/rounds";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import { ConnectionNote } from "../kit/ConnectionNote";
import { dayText } from "@/core/units/dates";
import Link from "../kit/Link";
import { Say } from "../kit/shown";
import { useOutbox } from "../kit/useOutbox";
import { CareNav } from "./CareNav";
import { RoundTask } from "./RoundTask";
import { StationsOfRound } from "./StationsOfRound";
import { useSides } from "./useSides";
import { type Walker, WalkerForm } from "./WalkerForm";
import { WrongForm } from "./WrongForm";

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

/** What a telephone sends; the server's schema holds the same. */
interface Touch {
  kind: "done" | "skip" | "wrong";
  tag: string;
  tasks: string[];
  /** What checks found, by task. */
  results?: Record<string, string>;
  note?: string;
  photo?: string;
  zone?: Zone;
  minutes?: number;
  /** On a shared tablet: whose touch it is. */
  as?: string;
}

const REASONS = ["in use", "no time", "no oil or brush", "not here"];
/** Longer between two bars than this is a break, not work. */
const LONGEST_MINUTES = 10;
const nothing = () => {};

/**
 * A round on a telephone or tablet: one bar at a time in the order they hang, three big answers. A round of sleeves goes
 * by sides: one side of every bar, then all turned over for the other. What was touched is known here at once and sent
 * when it can be.
 */
export function RoundScreen({ round, tasks, task, ahead, mayTick, planned = null, people = null, look = {} }: Props) {
  const { waiting, isCutOff, refused, forgetRefused, touch } = useOutbox<Touch>("/care/rounds/touch", nothing);
  const [answered, setAnswered] = useState<ReadonlyMap<string, "done" | "skip">>(new Map());
  /** Tasks of the bar in hand that are not done this time, as "K04 shaft". */
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  /** What checks of the bar in hand found, as "K04 straightness" to the answer's key. */
  const [results, setResults] = useState<Readonly<Record<string, string>>>({});
  const [asking, setAsking] = useState<"skip" | "wrong" | null>(null);
  /** On a shared tablet: who typed their PIN. */
  const [walker, setWalker] = useState<Walker | null>(null);
  const [needsWalker, setNeedsWalker] = useState(false);
  const as = walker ? { as: walker.ticket } : {};
  const [found, setFound] = useState<readonly string[]>([]);
  const took = useLaps();
  /** Minutes that the first side of a bar took. */
  const firstTook = useRef(new Map<string, number>());
  const [sides, keepSides] = useSides(`${task} ${round.day}`);
  // Touches that wait since another day or page were made here too.
  const known = useMemo(() => {
    const all = new Map(answered);
    for (const { body } of waiting) if (body.kind !== "wrong") all.set(body.tag, body.kind);
    return all;
  }, [answered, waiting]);
  const left = round.stops.filter(
    ({ tag, tasks: own }) => !known.has(tag) && own.some(({ skipped }) => skipped === null),
  );
  const step = isBySides(task)
    ? nextRoundStep(
        left.map(({ tag }) => tag),
        sides,
      )
    : null;
  const stop = (step?.kind === "bar" ? left.find(({ tag }) => tag === step.tag) : left[0]) ?? null;
  const side = step?.kind === "bar" ? step.side : null;
  const done = [...known.values()].filter((how) => how === "done").length;
  const after = left.flatMap(({ tag }) =>
    tag === stop?.tag || (side === "first" && sides.first.includes(tag)) ? [] : [tag],
  );
  const sleeves = left.filter(({ tasks: own }) => own.some(({ key }) => isBySides(key))).length;
  const doneAt = (at: RoundStop) =>
    at.tasks.filter(({ key, answers }) =>
      answers.length > 0 ? results[`${at.tag} ${key}`] !== undefined : !leftOut.has(`${at.tag} ${key}`),
    );
  const doneOfStop = stop ? doneAt(stop).length : 0;
  const minutesLeft = left.reduce((sum, { minutes }) => sum + minutes, 0);
  const firstSideDone = (tag: string) => {
    const minutes = took();
    if (minutes !== undefined) firstTook.current.set(tag, minutes);
    keepSides({ ...sides, first: [...sides.first, tag] });
  };
  const turned = () => {
    took();
    keepSides({ ...sides, isTurned: true });
  };
  const answer = (at: RoundStop, kind: "done" | "skip", note?: string) => {
    // What takes a bar out is somebody's word, and not a tablet's.
    const takesOut = doneAt(at).some(
      (task) =>
        results[`${at.tag} ${task.key}`] !== undefined &&
        task.answers.some(({ key, isSound }) => !isSound && key === results[`${at.tag} ${task.key}`]),
    );
    if (people && kind === "done" && takesOut && !walker) return setNeedsWalker(true);
    setNeedsWalker(false);
    const [minutes, before] = [took(), firstTook.current.get(at.tag)];
    // Of a bar done by sides both count, and only where both are known.
    const whole =
      side !== "second" ? minutes : minutes === undefined || before === undefined ? undefined : minutes + before;
    setAnswered((earlier) => new Map(earlier).set(at.tag, kind));
    setAsking(null);
    if (left.length === 1) keepSides(NO_SIDES);
    const checked = kind === "skip" ? [] : doneAt(at).filter(({ answers }) => answers.length > 0);
    const answerOf = (task: RoundStop["tasks"][number]) =>
      task.answers.find(({ key }) => key === results[`${at.tag} ${task.key}`])!;
    const wrong = checked.map(answerOf).filter(({ isSound }) => !isSound);
    if (wrong.length > 0) setFound((before) => [...before, ...wrong.map(({ name }) => `${at.tag}: ${name}`)]);
    touch(
      {
        kind,
        tag: at.tag,
        tasks: (kind === "skip" ? at.tasks : doneAt(at)).map(({ key }) => key),
        ...(checked.length > 0
          ? { results: Object.fromEntries(checked.map((task) => [task.key, answerOf(task).key])) }
          : {}),
        ...(note ? { note } : {}),
        ...(kind === "done" && whole !== undefined ? { minutes: whole } : {}),
        ...as,
      },
      `${at.tag} ${kind === "done" ? "done" : "not now"}`,
    );
  };
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
        <section className="sheet grid gap-4 p-4" aria-label="Now">
          <div>
            <p className="text-quiet text-sm">
              {stop.place ?? "no place"}
              {side !== null && (
                <strong className="text-base-content">
                  {" "}
                  · {side === "both" ? "both sides" : `${side} side, ${sideCount(side, left, sides.first)}`}
                </strong>
              )}
            </p>
            <h2 className="text-4xl font-bold">
              {stop.tag} <span className="text-xl font-normal">{stop.barName}</span>
            </h2>
          </div>
          {look[stop.tag] && (
            <p className="border-primary border-l-4 pl-3">
              <Say text={look[stop.tag]!} />
            </p>
          )}
          <ul className="grid gap-3">
            {stop.tasks.map((task) => (
              <li key={task.key}>
                <RoundTask
                  task={task}
                  choice={
                    stop.tasks.length > 1
                      ? {
                          isDone: !leftOut.has(`${stop.tag} ${task.key}`),
                          toggle: () => setLeftOut((before) => toggled(before, `${stop.tag} ${task.key}`)),
                        }
                      : null
                  }
                  result={{
                    found: results[`${stop.tag} ${task.key}`],
                    choose: (answer) => setResults((before) => ({ ...before, [`${stop.tag} ${task.key}`]: answer })),
                  }}
                />
              </li>
            ))}
          </ul>
          {asking === "skip" ? (
            <div role="group" aria-label="Why not now" className="grid grid-cols-2 gap-2">
              {REASONS.map((reason) => (
                <button
                  key={reason}
                  type="button"
                  className="btn btn-outline min-h-14"
                  onClick={() => answer(stop, "skip", reason)}
                >
                  {reason}
                </button>
              ))}
              <button type="button" className="btn btn-ghost col-span-2 min-h-12" onClick={() => setAsking(null)}>
                Back
              </button>
            </div>
          ) : asking === "wrong" ? (
            <WrongForm
              tag={stop.tag}
              send={(note, photo, zone) => {
                touch(
                  {
                    ...{ kind: "wrong", tag: stop.tag, tasks: [], note },
                    ...(photo ? { photo } : {}),
                    ...(zone ? { zone } : {}),
                    ...as,
                  },
                  `${stop.tag}: ${note}`,
                );
                setFound((before) => [...before, `${stop.tag}: ${note}`]);
                setAsking(null);
              }}
              back={() => setAsking(null)}
            />
          ) : (
            <div className="bg-base-100 border-base-300 sticky bottom-0 -mx-4 -mb-4 grid gap-2 border-t px-4 py-3">
              {doneOfStop === 0 && stop.tasks.some(({ answers }) => answers.length > 0) ? (
                <p className="text-center font-semibold">Choose a result.</p>
              ) : (
                <button
                  type="button"
                  className="btn btn-neutral min-h-20 text-2xl"
                  disabled={doneOfStop === 0}
                  onClick={() => (side === "first" ? firstSideDone(stop.tag) : answer(stop, "done"))}
                >
                  {side === "first"
                    ? "This side is done"
                    : doneOfStop < stop.tasks.length
                      ? `${doneOfStop} of ${stop.tasks.length} done`
                      : "Done"}
                </button>
              )}
              <div className="grid grid-cols-2 gap-2">
                <button type="button" className="btn btn-outline min-h-16 text-lg" onClick={() => setAsking("skip")}>
                  Not now
                </button>
                <button
                  type="button"
                  className="btn btn-outline border-error text-error min-h-16 text-lg"
                  onClick={() => setAsking("wrong")}
                >
                  Something is wrong
                </button>
              </div>
            </div>
          )}
        </section>
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
            as a round of its own
          </Link>
          , one side of every bar, then all turned over.
        </p>
      )}
      <p className="text-quiet text-xs">
        Never open a sleeve on a round: ask its maker. A crack, or a bar that wobbles when rolled: nobody lifts with it;
        say it under Something is wrong and inspect it.
      </p>
    </div>
  );
}

/** "3 of 27": how far a side is. */
function sideCount(side: "first" | "second", left: readonly RoundStop[], first: readonly string[]): string {
  const done = left.filter(({ tag }) => first.includes(tag)).length;
  return side === "first" ? `${done + 1} of ${left.length}` : `${left.length} to go`;
}

/** Answers, each time it is called, the minutes since the last call; nothing where that was a break, or there was none. */
function useLaps(): () => number | undefined {
  const last = useRef<number | null>(null);
  return useCallback(() => {
    const now = Date.now();
    const minutes = last.current === null ? Infinity : (now - last.current) / 60_000;
    last.current = now;
    return minutes <= LONGEST_MINUTES ? minutes : undefined;
  }, []);
}

function toggled(all: ReadonlySet<string>, one: string): ReadonlySet<string> {
  const next = new Set(all);
  if (!next.delete(one)) next.add(one);
  return next;
}
