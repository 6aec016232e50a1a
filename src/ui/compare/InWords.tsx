import { COMPARED_PART_NAMES, COMPARED_PARTS, type ComparedLine } from "@/core/comparing/comparedParts";
import { comparisonParams } from "@/core/whip/comparisonState";
import type { Comparison } from "@/server/compare";
import { FeelWords } from "../feel/FeelWords";
import { AskForm } from "../kit/AskForm";
import { Say } from "../kit/shown";

/** What changes between two bars, in words by part: what is worked out, what is said, and where people disagree. */
export function InWords({ comparison: { words, state, items, feels } }: { comparison: Comparison }) {
  if (!words) return null;
  const said = COMPARED_PARTS.filter((part) => words.parts[part].length > 0);
  const params = comparisonParams(state);
  const pairs = items.flatMap((one, i) =>
    items.slice(i + 1).map((two, k) => [i, i + 1 + k, one.bar.tag, two.bar.tag] as const),
  );
  return (
    <section className="sheet mb-3 px-4 py-3" aria-label="What changes">
      <div className="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 className="text-lg font-bold">
          {words.a} against {words.b}
        </h2>
        <p className="text-quiet text-sm">
          {words.lifterName ? `at ${words.lifterName}’s size` : "at a usual size"}, thighs level
        </p>
        {pairs.length > 1 && (
          <AskForm
            action="/compare"
            label="Which two"
            keep={Object.fromEntries(
              Object.entries(params).flatMap(([key, value]) =>
                key === "pair" || value === null ? [] : [[key, value]],
              ),
            )}
          >
            <label className="ask">
              in words
              <select name="pair" defaultValue={state.pair.join()} key={state.pair.join()}>
                {pairs.map(([i, k, one, two]) => (
                  <option key={`${i},${k}`} value={`${i},${k}`}>
                    {one} against {two}
                  </option>
                ))}
              </select>
            </label>
          </AskForm>
        )}
      </div>
      {said.length === 0 && <p className="text-sm">Nothing known about them differs.</p>}
      <div className="grid gap-x-8 gap-y-3 md:grid-cols-2 xl:grid-cols-3">
        {said.map((part) => (
          <div key={part}>
            <h3 className="text-quiet text-sm font-bold">{COMPARED_PART_NAMES[part]}</h3>
            <ul className="grid gap-1 text-sm">
              {words.parts[part].map((line) => (
                <Line key={line.text} {...line} />
              ))}
            </ul>
          </div>
        ))}
        {[words.a, words.b].some((tag) => feels.get(tag)?.feel) && (
          <div>
            <h3 className="text-quiet text-sm font-bold">What people here say</h3>
            {[words.a, words.b].map((tag) => {
              const feel = feels.get(tag)?.feel;
              return feel ? <FeelWords key={tag} feel={feel} of={tag} /> : null;
            })}
          </div>
        )}
      </div>
    </section>
  );
}

/** A sentence; of an opinion what others say too, and what it rests on where that is no measurement. */
function Line({ text, basis, others }: ComparedLine) {
  const isOpinion = basis === "opinion";
  return (
    <li className={isOpinion ? "border-accent border-l-4 pl-2" : ""}>
      <Say text={text} />
      {others && (
        <>
          {" "}
          <span className="text-quiet">{others}</span>
        </>
      )}{" "}
      {isOpinion && <span className="text-quiet text-xs">(opinion)</span>}
      {basis === "common practice" && <span className="text-quiet text-xs">(common practice)</span>}
      {basis === "house rule" && <span className="text-quiet text-xs">(house rule)</span>}
    </li>
  );
}
