import type { StackJudgement } from "@/core/loading/judgeStack";
import type { TippingAnswer } from "@/core/loading/tipping";
import type { PlateRow } from "@/server/equipment";
import { AskForm } from "../kit/AskForm";
import { loadParams, type LoadState } from "./loadState";
import { stackWords } from "./plateWords";

/** A stack of somebody's own choosing, read and judged. */
export interface OwnStack {
  /** Null where it could not be read. */
  perSide: readonly string[] | null;
  judgement: StackJudgement | null;
  problems: readonly string[];
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

/** Plates of one's own choosing, typed inside first: what they come to and whether they may go on. */
export function OwnStackForm({ state, own, plates }: Props) {
  return (
    <details className="border-base-300 mt-4 border-t pt-2" open={own !== null}>
      <summary className="min-h-11 cursor-pointer content-center text-sm font-semibold">
        Check plates of your own
      </summary>
      <AskForm action="/load" label="Plates of your own" keep={{ ...loadParams(state), stack: undefined }}>
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
            className="input min-h-11 w-full"
          />
        </label>
      </AskForm>
      <div id="own-stack" aria-live="polite" className="mt-2 grid gap-1 text-sm">
        {own?.problems.map((problem) => (
          <p key={problem} role="alert" className="text-error font-semibold">
            {problem}
          </p>
        ))}
        {own?.perSide && own.judgement && (
          <>
            <p className="text-lg font-bold">{stackWords(own.perSide, plates) || "The empty bar"} each side</p>
            <ul className="grid gap-1">
              {own.judgement.lines.map(({ verdict, text }) => (
                <li key={text} className={`border-l-4 pl-2 ${VERDICT_LOOK[verdict]}`}>
                  {text}
                </li>
              ))}
              {own.tipping && (
                <li className={`border-l-4 pl-2 ${VERDICT_LOOK[own.tipping.tips ? "refuse" : "fine"]}`}>
                  {own.tipping.tips
                    ? `It tips to the ${own.tipping.tips} at this rack.`
                    : own.tipping.safeUnloadOrder === null
                      ? "It does not tip loaded; two people take it off, both sides at once."
                      : "It does not tip at this rack while both sides are loaded alike."}
                </li>
              )}
            </ul>
          </>
        )}
      </div>
    </details>
  );
}
