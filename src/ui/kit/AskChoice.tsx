"use client";

import { Options } from "./Options";
import { useShown } from "./shown";

interface Props {
  name: string;
  /** What stands before it in the sentence. */
  word: string;
  value: string;
  /** Null where there are more than anybody picks from a list: it is typed then. */
  options: readonly (readonly [key: string, words: string])[] | null;
}

/** A word of a question that is chosen from a list; tall enough for a finger. */
export function AskChoice({ name, word, value, options }: Props) {
  const { say } = useShown();
  return (
    <label className="ask">
      {word}
      {options === null ? (
        <input name={name} defaultValue={value} key={value} autoComplete="off" size={6} className="min-h-11!" />
      ) : (
        <select name={name} defaultValue={value} key={value} className="min-h-11!">
          <Options of={options.map(([key, words]) => [key, say(words)])} />
        </select>
      )}
    </label>
  );
}
