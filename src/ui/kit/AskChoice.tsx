interface Props {
  name: string;
  /** What stands before it in the sentence. */
  word: string;
  value: string;
  /** Null where there are more than anybody picks from a list: it is typed then. */
  options: readonly (readonly [key: string, words: string])[] | null;
}

/** Up to so many are picked from a list. */
const MAX_LISTED = 200;

/** The options of a list that may be too long to be one. */
export function optionsUpTo<T>(
  all: readonly T[],
  option: (one: T) => readonly [key: string, words: string],
): readonly (readonly [key: string, words: string])[] | null {
  return all.length > MAX_LISTED ? null : all.map(option);
}

/** A word of a question that is chosen from a list; tall enough for a finger. */
export function AskChoice({ name, word, value, options }: Props) {
  return (
    <label className="ask">
      {word}
      {options === null ? (
        <input name={name} defaultValue={value} key={value} autoComplete="off" size={6} className="min-h-11!" />
      ) : (
        <select name={name} defaultValue={value} key={value} className="min-h-11!">
          {options.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </select>
      )}
    </label>
  );
}
