"use client";

interface Props {
  /** Key and words of each; a word alone is its own key. */
  of: readonly (readonly [key: string | number, words: string] | string)[];
}

/** The options of a select. A leaf of the client's: a page with sixty of them sends their words, not their elements. */
export function Options({ of }: Props) {
  return of.map((one) => {
    const [key, words] = typeof one === "string" ? [one, one] : one;
    return (
      <option key={key} value={key}>
        {words}
      </option>
    );
  });
}
