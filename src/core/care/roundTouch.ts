import type { Zone } from "../wear/zones";

/** One touch on a care round: done, not now, or something is wrong. */
export interface RoundTouch {
  /** Of the device that made it: the same touch sent again counts once. */
  key: string;
  kind: "done" | "skip" | "wrong";
  tag: string;
  tasks: string[];
  /** What checks found: the answer's key, by task. */
  results?: Record<string, string>;
  /** Why not now; what is wrong. */
  note?: string;
  /** Of what is wrong, base64. */
  photo?: string;
  /** Of what is wrong: on which part of the bar. */
  zone?: Zone;
  /** Since the touch before, where that is known. */
  minutes?: number;
  madeAt: string;
}

/** As a tablet sends it: shared by several, with the ticket of whoever typed their PIN. */
export interface SentRoundTouch extends RoundTouch {
  as?: string;
}
