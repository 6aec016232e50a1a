"use client";

import { useCallback, useMemo, useRef, useState } from "react";
import { isBySides, nextRoundStep, NO_SIDES } from "@/core/care/roundSteps";
import type { SentRoundTouch } from "@/core/care/roundTouch";
import type { Zone } from "@/core/wear/zones";
import type { RoundStop, RoundView } from "@/server/care/rounds";
import { useOutbox } from "../kit/useOutbox";
import { useSides } from "./useSides";
import type { Walker } from "./WalkerForm";

/** What is touched; the outbox adds its key and when it was made. */
type Touch = Omit<SentRoundTouch, "key" | "madeAt">;

/** Longer between two bars than this is a break, not work. */
const LONGEST_MINUTES = 10;
const nothing = () => {};

interface Asked {
  round: RoundView;
  task: string;
  /** On a shared tablet, where what takes a bar out wants a PIN. */
  isShared: boolean;
}

/** Where a round stands: what was answered here or waits to be sent, the bar in hand, what is done on it, what comes next. */
export function useRound({ round, task, isShared }: Asked) {
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
    if (isShared && kind === "done" && takesOut && !walker) return setNeedsWalker(true);
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
  const sayWrong = (tag: string, note: string, photo: string | null, zone: Zone | null) => {
    touch(
      {
        ...{ kind: "wrong", tag, tasks: [], note },
        ...(photo ? { photo } : {}),
        ...(zone ? { zone } : {}),
        ...as,
      },
      `${tag}: ${note}`,
    );
    setFound((before) => [...before, `${tag}: ${note}`]);
    setAsking(null);
  };
  return {
    ...{ waiting, isCutOff, refused, forgetRefused, walker, setWalker, needsWalker },
    ...{ left, step, stop, side, sides, done, doneOfStop, after, sleeves, minutesLeft, found },
    ...{ asking, setAsking, leftOut, setLeftOut, results, setResults },
    ...{ firstSideDone, turned, answer, sayWrong },
  };
}

/** A round as its screen has it. */
export type RoundState = ReturnType<typeof useRound>;

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
