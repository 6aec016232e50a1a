interface Props {
  name: string;
  /** What stands before it in the sentence. */
  word: string;
  value: string;
  options: readonly (readonly [key: string, words: string])[];
}

/** A word of a question that is chosen from a list; tall enough for a finger. */
export function AskChoice({ name, word, value, options }: Props) {
  return (
    <label className="ask">
      {word}
      <select name={name} defaultValue={value} key={value} className="min-h-11!">
        {options.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
