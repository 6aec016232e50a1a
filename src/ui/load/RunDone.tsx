import type { ReactNode } from "react";
import type { RunSet } from "@/core/loading/run/runState";
import type { RunTouch } from "@/core/loading/run/runTouch";
import { EffortAsk } from "./EffortAsk";

interface Props {
  /** How many there were. */
  sets: number;
  last: RunSet | null;
  /** What is still on a side, outside first; empty for nothing. */
  onBar: string;
  send: (body: RunTouch, label: string) => void;
  /** What ends the session. */
  children: ReactNode;
}

/** After the last set: empty the bar, say how hard it was, or go back. */
export function RunDone({ sets, last, onBar, send, children }: Props) {
  return (
    <section className="sheet grid gap-4 p-6" aria-label="Done">
      <h2 className="text-3xl">All {sets} sets are done.</h2>
      <p className="text-lg">Empty the bar, one off each side in turn: {onBar || "it is empty"}.</p>
      {last?.state === "done" && <EffortAsk key={last.id} set={last} send={send} />}
      <div className="no-print flex flex-wrap gap-2">
        {last && (
          <button
            type="button"
            className="btn btn-outline min-h-14"
            onClick={() => send({ kind: "reopen", set: last.id }, `${last.lifter}'s set undone`)}
          >
            Back
          </button>
        )}
        {children}
      </div>
    </section>
  );
}
