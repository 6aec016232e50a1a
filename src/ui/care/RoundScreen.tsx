"use client";

import { useCallback, useMemo, useRef, useState } from "react";
import type { RoundStop, RoundView } from "@/server/careRound";
import { AskChoice } from "../kit/AskChoice";
import { AskForm } from "../kit/AskForm";
import { ConnectionNote } from "../kit/ConnectionNote";
import Link from "../kit/Link";
import { useOutbox } from "../kit/useOutbox";
import { CareNav } from "./CareNav";

interface Props {
  round: RoundView;
  tasks: readonly { key: string; name: string }[];
  task: string;
  ahead: number;
  mayTick: boolean;
}

/** What a telephone sends; the server's schema holds the same. */
interface Touch {
  kind: "done" | "skip" | "wrong";
  tag: string;
  tasks: string[];
  note?: string;
  photo?: string;
  minutes?: number;
}

const REASONS = ["in use", "no time", "no oil or brush", "not here"];
/** Longer between two bars than this is a break, not work. */
const LONGEST_MINUTES = 10;
const MOST_PHOTO_BYTES = 5 * 1024 * 1024;
const nothing = () => {};

/**
 * A round on a telephone or tablet: one bar at a time in the order they hang, three big answers. What was touched is
 * known here at once and sent when it can be.
 */
export function RoundScreen({ round, tasks, task, ahead, mayTick }: Props) {
  const { waiting, isCutOff, refused, forgetRefused, touch } = useOutbox<Touch>("/care/rounds/touch", nothing);
  const [answered, setAnswered] = useState<ReadonlyMap<string, "done" | "skip">>(new Map());
  const [asking, setAsking] = useState<"skip" | "wrong" | null>(null);
  const [found, setFound] = useState<readonly string[]>([]);
  const lastAt = useRef<number | null>(null);
  // Touches that wait since another day or page were made here too.
  const known = useMemo(() => {
    const all = new Map(answered);
    for (const { body } of waiting) if (body.kind !== "wrong") all.set(body.tag, body.kind);
    return all;
  }, [answered, waiting]);
  const left = round.stops.filter(
    ({ tag, tasks: own }) => !known.has(tag) && own.some(({ skipped }) => skipped === null),
  );
  const stop = left[0] ?? null;
  const done = [...known.values()].filter((how) => how === "done").length;
  const minutesLeft = left.reduce((sum, { minutes }) => sum + minutes, 0);
  const answer = useCallback(
    (at: RoundStop, kind: "done" | "skip", note?: string) => {
      const now = Date.now();
      const minutes = lastAt.current === null ? undefined : (now - lastAt.current) / 60_000;
      lastAt.current = now;
      setAnswered((before) => new Map(before).set(at.tag, kind));
      setAsking(null);
      touch(
        {
          kind,
          tag: at.tag,
          tasks: at.tasks.map(({ key }) => key),
          ...(note ? { note } : {}),
          ...(kind === "done" && minutes !== undefined && minutes <= LONGEST_MINUTES ? { minutes } : {}),
        },
        `${at.tag} ${kind === "done" ? "done" : "not now"}`,
      );
    },
    [touch],
  );
  return (
    <div className="mx-auto grid max-w-3xl gap-3">
      <header className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h1 className="text-2xl">Round</h1>
        <CareNav here="/care/rounds" />
      </header>
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
          ]}
        />
      </AskForm>
      <ConnectionNote waiting={waiting} isCutOff={isCutOff} refused={refused} forget={forgetRefused} />
      <p className="text-sm" aria-live="polite">
        {stop
          ? `${left.length} ${left.length === 1 ? "bar" : "bars"} to go, about ${Math.ceil(minutesLeft)} min; ${done} done.`
          : round.stops.length === 0
            ? "Nothing is due."
            : `That is all: ${done} done, ${round.stops.length - done} left for another time.`}
      </p>
      {!mayTick ? (
        <p className="sheet p-4">Your role may not tick off care.</p>
      ) : stop ? (
        <section className="sheet grid gap-4 p-4" aria-label="Now">
          <div>
            <p className="text-quiet text-sm">{stop.place ?? "no place"}</p>
            <h2 className="text-4xl font-bold">
              {stop.tag} <span className="text-xl font-normal">{stop.barName}</span>
            </h2>
          </div>
          <ul className="grid gap-3">
            {stop.tasks.map(({ key, name, steps, reason, overdueDays }) => (
              <li key={key}>
                <strong className="text-xl">{name}</strong>
                {overdueDays > 0 && <span className="text-accent font-bold"> {overdueDays} days late</span>}
                <ol className="list-inside list-decimal">
                  {steps.map((step) => (
                    <li key={step}>{step}</li>
                  ))}
                </ol>
                <p className="text-quiet text-sm">{reason}</p>
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
              send={(note, photo) => {
                touch(
                  { kind: "wrong", tag: stop.tag, tasks: [], note, ...(photo ? { photo } : {}) },
                  `${stop.tag}: ${note}`,
                );
                setFound((before) => [...before, `${stop.tag}: ${note}`]);
                setAsking(null);
              }}
              back={() => setAsking(null)}
            />
          ) : (
            <div className="grid gap-2">
              <button type="button" className="btn btn-neutral min-h-20 text-2xl" onClick={() => answer(stop, "done")}>
                Done
              </button>
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
        <p className="sheet p-4">
          <Link href="/care" className="link">
            What else is due
          </Link>
        </p>
      )}
      {found.length > 0 && (
        <ul aria-label="Found" className="text-sm">
          {found.map((words) => (
            <li key={words} className="border-error border-l-4 pl-2">
              {words}
            </li>
          ))}
        </ul>
      )}
      {left.length > 1 && (
        <p className="text-quiet text-sm">
          then{" "}
          {left
            .slice(1, 7)
            .map(({ tag }) => tag)
            .join(", ")}
          {left.length > 7 && " …"}
        </p>
      )}
      <p className="text-quiet text-xs">
        Never open a sleeve on a round: ask its maker. A crack, or a bar that hops when it rolls: nobody lifts with it;
        say it under Something is wrong and inspect it.
      </p>
    </div>
  );
}

function WrongForm({
  tag,
  send,
  back,
}: {
  tag: string;
  send: (note: string, photo: string | null) => void;
  back: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <form
      className="grid gap-2"
      onSubmit={async (event) => {
        event.preventDefault();
        const data = new FormData(event.currentTarget);
        const note = String(data.get("note") ?? "").trim();
        const file = data.get("photo");
        if (note === "") return setProblem("Say what is wrong.");
        if (file instanceof File && file.size > MOST_PHOTO_BYTES) return setProblem("A photo may have 5 MiB at most.");
        send(note.slice(0, 500), file instanceof File && file.size > 0 ? await asBase64(file) : null);
      }}
    >
      <label className="grid gap-1 font-semibold">
        What is wrong with {tag}?
        <textarea name="note" rows={3} className="textarea w-full text-lg" autoFocus aria-invalid={problem !== null} />
      </label>
      <label className="grid gap-1 text-sm">
        A photo, if it helps
        <input
          type="file"
          name="photo"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          className="file-input w-full"
        />
      </label>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <button type="submit" className="btn btn-neutral min-h-14">
          Keep it
        </button>
        <button type="button" className="btn btn-ghost min-h-14" onClick={back}>
          Back
        </button>
      </div>
    </form>
  );
}

/** The file's bytes as base64, without the head of a data URL. */
function asBase64(file: File): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).replace(/^[^,]*,/, ""));
    reader.onerror = () => reject(reader.error ?? new Error("the photo could not be read"));
    reader.readAsDataURL(file);
  });
}
