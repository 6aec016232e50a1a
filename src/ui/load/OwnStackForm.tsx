import type { SideMove } from "@/core/loading/asItStands";
import type { TippingAnswer } from "@/core/loading/tipping";
import type { PlateRow } from "@/server/equipment";
import type { StandingBar } from "@/server/loading";
import { trimmed } from "@/core/units/format";
import { AskForm } from "../kit/AskForm";
import { Say } from "../kit/shown";
import { loadParams, type LoadState } from "./loadState";
import { facesOf } from "./plateFaces";
import { plateLabel, plateLabels, stackWords } from "./plateWords";
import { StackTapper } from "./StackTapper";

/** A bar as it stands, read and judged. */
export interface OwnStack extends StandingBar {
  /** At the rack; null without one. */
  tipping: TippingAnswer | null;
}

const VERDICT_LOOK = {
  refuse: "border-error text-error font-semibold",
  warn: "border-accent",
  fine: "border-primary",
} as const;

interface Props {
  state: LoadState;
  own: OwnStack | null;
  plates: ReadonlyMap<string, PlateRow>;
}

/** What one side takes, in words. */
function moveWords({ off, on }: SideMove, plates: ReadonlyMap<string, PlateRow>): string {
  const words = [
    ...(off.length > 0 ? [`take off ${stackWords(off, plates)}`] : []),
    ...(on.length > 0 ? [`put on ${stackWords(on, plates)}`] : []),
  ];
  return words.join(", then ") || "nothing";
}

/** Plates of one's own choosing, typed inside first: what they come to and whether they may go on. */
export function OwnStackForm({ state, own, plates }: Props) {
  return (
    <details className="border-base-300 mt-4 border-t pt-2" open={own !== null}>
      <summary className="min-h-11 cursor-pointer content-center text-sm font-semibold">
        What is on it now? Check plates of your own
      </summary>
      <AskForm
        action="/load"
        label="Plates of your own"
        keep={{ ...loadParams(state), stack: undefined, other: undefined }}
      >
        <label className="grid gap-1 text-sm">
          One side, inside first
          <input
            name="stack"
            defaultValue={state.stack}
            key={state.stack}
            maxLength={300}
            autoComplete="off"
            placeholder="25 kg, 15 kg, 2 × 5 lb"
            aria-invalid={own !== null && own.problems.length > 0}
            aria-describedby="own-stack"
            className="input w-full"
          />
        </label>
        <label className="mt-2 grid gap-1 text-sm">
          The other side, where it differs
          <input
            name="other"
            defaultValue={state.other}
            key={state.other}
            maxLength={300}
            autoComplete="off"
            placeholder="as the first"
            aria-describedby="own-stack"
            className="input w-full"
          />
        </label>
      </AskForm>
      <StackTapper
        plates={[...plates.values()]
          .filter(({ pairs }) => pairs > 0)
          .map(({ key }) => ({ key, words: plateLabel(key, plates) }))}
        faces={facesOf(plates)}
        left={own?.perSide ?? []}
        right={own?.otherSide ?? null}
        wordsOf={Object.fromEntries(plateLabels(plates))}
      />
      <div id="own-stack" aria-live="polite" className="mt-2 grid gap-1 text-sm">
        {own?.problems.map((problem) => (
          <p key={problem} role="alert" className="text-error font-semibold">
            {problem}
          </p>
        ))}
        {own?.perSide && own.judgement && (
          <>
            <p className="text-lg font-bold">
              {own.otherSide
                ? `Left ${stackWords(own.perSide, plates) || "empty"}; right ${stackWords(own.otherSide, plates) || "empty"}`
                : `${stackWords(own.perSide, plates) || "The empty bar"} each side`}
            </p>
            <ul className="grid gap-1">
              {own.uneven && (
                <li className={`border-l-4 pl-2 ${VERDICT_LOOK.refuse}`}>
                  <Say
                    text={`The ${own.uneven.heavier} side is ${trimmed(own.uneven.byKg, 2)} kg heavier; ${trimmed(own.uneven.totalKg, 2)} kg are on it in all. Even it before anyone lifts.`}
                  />
                </li>
              )}
              {own.uneven && <li className="text-quiet">With the left side on both:</li>}
              {own.judgement.lines.map(({ verdict, text }) => (
                <li key={text} className={`border-l-4 pl-2 ${VERDICT_LOOK[verdict]}`}>
                  <Say text={text} />
                </li>
              ))}
              {own.tipping && (
                <li className={`border-l-4 pl-2 ${VERDICT_LOOK[own.tipping.tips ? "refuse" : "fine"]}`}>
                  {own.tipping.tips
                    ? `It tips to the ${own.tipping.tips} at this rack.`
                    : own.otherSide
                      ? "It does not tip at this rack as it stands."
                      : own.tipping.safeUnloadOrder === null
                        ? "It does not tip loaded; two people take it off, both sides at once."
                        : "It does not tip at this rack while both sides are loaded alike."}
                </li>
              )}
            </ul>
            {own.change && (
              <section aria-label="What to change least" className="mt-2">
                <h3 className="font-bold">
                  To the target with the least: {own.change.handled} {own.change.handled === 1 ? "plate" : "plates"}{" "}
                  handled
                </h3>
                {own.otherSide ? (
                  <ul>
                    <li>Left: {moveWords(own.change.left, plates)}</li>
                    <li>Right: {moveWords(own.change.right, plates)}</li>
                  </ul>
                ) : (
                  <p>Each side: {moveWords(own.change.left, plates)}</p>
                )}
              </section>
            )}
          </>
        )}
      </div>
    </details>
  );
}
