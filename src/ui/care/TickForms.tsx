"use client";

import { createContext, useContext, type ReactNode } from "react";
import type { FormAction, FormState } from "../kit/formState";
import { useOpened } from "../kit/useOpened";
import { useFormAction } from "../kit/useFormAction";

interface Board {
  tick: (form: FormData) => void;
  undo: (form: FormData) => void;
  isPending: boolean;
}

const BoardContext = createContext<Board | null>(null);

/** Holds what the last tick or undo said, so that it stays on screen when its row is gone. */
export function TickBoard({
  tickAction,
  undoAction,
  children,
}: {
  tickAction: FormAction;
  undoAction: FormAction;
  children: ReactNode;
}) {
  const [ticked, tick, isTicking] = useFormAction(tickAction);
  const [undone, undo, isUndoing] = useFormAction(undoAction);
  const last = latest(ticked, undone);
  return (
    <BoardContext value={{ tick, undo, isPending: isTicking || isUndoing }}>
      {children}
      <div role="status" className="pointer-events-none sticky bottom-3 z-10 mt-3 flex justify-center empty:hidden">
        {last.status !== "fresh" && (
          <div
            className={`bg-neutral text-neutral-content pointer-events-auto flex items-center gap-4 px-4 py-2 text-sm shadow-lg ${last.status === "refused" ? "border-error border-l-6" : ""}`}
          >
            <span>
              {last.message} {last.problems.map(({ message }) => message).join(" ")}
            </span>
            {last === ticked && last.typed.logId && (
              <form action={undo}>
                <input type="hidden" name="logId" value={last.typed.logId} />
                <button className="btn btn-sm">Undo</button>
              </form>
            )}
          </div>
        )}
      </div>
    </BoardContext>
  );
}

/** The later of two answers; each carries when it was given. */
function latest(a: FormState, b: FormState): FormState {
  return Number(a.typed.at ?? 0) >= Number(b.typed.at ?? 0) ? a : b;
}

interface TickProps {
  tag: string;
  task: string;
  taskName: string;
  doneBy: string;
  doneOn: string;
  idempotencyKey: string;
  /** Of a check: what it may find. */
  answers: readonly { key: string; name: string; isSound: boolean }[];
}

/** One big Done, with room for a note for those who want to say something; a check wants its result instead. */
export function TickForm({ tag, task, taskName, doneBy, doneOn, idempotencyKey, answers }: TickProps) {
  const board = useContext(BoardContext)!;
  const { isOpen, fold } = useOpened();
  return (
    // What the row knows is added as it is sent: thirty rows with five hidden fields each are most of a page.
    <form
      action={(form) => {
        for (const [name, value] of Object.entries({ tag, task, doneBy, doneOn, idempotencyKey }))
          form.set(name, value);
        board.tick(form);
      }}
      className="flex items-center gap-2"
    >
      <input
        name="note"
        aria-label={`Note for ${tag}, ${taskName}`}
        placeholder="note"
        maxLength={500}
        className="input input-sm hidden w-28 xl:block"
      />
      {answers.length === 0 ? (
        <button className="btn btn-neutral w-21" aria-label={`Done: ${taskName} on ${tag}`} disabled={board.isPending}>
          Done
        </button>
      ) : (
        <details className="dropdown dropdown-end" {...fold}>
          <summary className="btn btn-outline w-21 px-0" aria-label={`Result: ${taskName} on ${tag}`}>
            Result…
          </summary>
          <div className="dropdown-content bg-base-100 border-base-300 z-10 mt-1 grid w-64 gap-1 border p-2 shadow-lg">
            {isOpen &&
              answers.map(({ key, name, isSound }) => (
                <button
                  key={key}
                  name="result"
                  value={key}
                  className={`btn justify-start ${isSound ? "btn-neutral" : "btn-outline border-error text-error"}`}
                  disabled={board.isPending}
                >
                  {name}
                </button>
              ))}
          </div>
        </details>
      )}
    </form>
  );
}

export function UndoForm({ logId, what }: { logId: string; what: string }) {
  const board = useContext(BoardContext)!;
  return (
    <form action={board.undo} className="ml-auto">
      <input type="hidden" name="logId" value={logId} />
      <button className="btn btn-ghost btn-sm" aria-label={`Undo: ${what}`} disabled={board.isPending}>
        Undo
      </button>
    </form>
  );
}
