"use client";

import { useCallback, useEffect, useState } from "react";
import { freshKey } from "./freshKey";
import { keepUnsent, onAnySent, personHere, sendUnsent, unsentOf, type Unsent } from "./outbox";

const RETRY_MS = 3000;

export interface Outbox<Body> {
  /** Touches of this screen that the server has not confirmed, the oldest first. */
  waiting: readonly (Unsent & { body: Body & { key: string; madeAt: string } })[];
  /** Whether the last try got no answer. */
  isCutOff: boolean;
  /** What the server said no to, to be read and put away. */
  refused: readonly { label: string; message: string }[];
  forgetRefused: () => void;
  /** Keeps a touch and sends it as soon as that can be. */
  touch: (body: Body, label: string) => void;
}

/**
 * The outbox of one screen. `onAnswer` gets what the server answers to a touch; it is called together with the touch
 * leaving the list, so that a screen that shows answers and waiting touches never shows one of them twice.
 */
export function useOutbox<Body extends object>(url: string, onAnswer: (answer: unknown) => void): Outbox<Body> {
  const [waiting, setWaiting] = useState<Outbox<Body>["waiting"]>([]);
  const [isCutOff, setCutOff] = useState(false);
  const [refused, setRefused] = useState<{ label: string; message: string }[]>([]);

  useEffect(() => {
    let isHere = true;
    void unsentOf(url).then((kept) => {
      if (isHere)
        setWaiting((now) => [...(kept as never[]), ...now.filter(({ key }) => !kept.some((k) => k.key === key))]);
    });
    const stop = onAnySent((sent) => {
      setCutOff(sent.kind === "waiting");
      if (sent.kind === "waiting" || sent.entry.url !== url) return;
      setWaiting((now) => now.filter(({ key }) => key !== sent.entry.key));
      if (sent.kind === "taken") onAnswer(sent.answer);
      else setRefused((now) => [...now, { label: sent.entry.label, message: sent.message }]);
    });
    const again = () => void sendUnsent();
    again();
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener("online", again);
    return () => {
      isHere = false;
      stop();
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [url, onAnswer]);

  const touch = useCallback(
    (body: Body, label: string) => {
      const key = freshKey();
      const entry = { key, url, label, body: { ...body, key, madeAt: new Date().toISOString() } };
      // Its place among others is counted where it is kept; on this screen it is the last.
      setWaiting((now) => [...now, { ...entry, at: Infinity, by: personHere() }]);
      void keepUnsent(entry).then(() => sendUnsent());
    },
    [url],
  );
  return { waiting, isCutOff, refused, forgetRefused: useCallback(() => setRefused([]), []), touch };
}
