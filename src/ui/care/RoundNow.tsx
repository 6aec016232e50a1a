import { Say } from "../kit/shown";
import type { RoundStop } from "@/server/care/rounds";
import { RoundTask } from "./RoundTask";
import type { RoundState } from "./useRound";
import { WrongForm } from "./WrongForm";

const REASONS = ["in use", "no time", "no oil or brush", "not here"];

/** The bar in hand: what is done on it, where hands wear it, and three big answers. */
export function RoundNow({ stop, state, look }: { stop: RoundStop; state: RoundState; look: string | undefined }) {
  const { left, side, sides, asking, setAsking, leftOut, setLeftOut, results, setResults } = state;
  const { doneOfStop, firstSideDone, answer, sayWrong } = state;
  return (
    <section className="sheet grid gap-4 p-4" aria-label="Now">
      <div>
        <p className="text-quiet text-sm">
          {stop.place ?? "no place"}
          {side !== null && (
            <strong className="text-base-content">
              {" "}
              · {side === "both" ? "both sides" : `${side} side, ${sideCount(side, left, sides.first)}`}
            </strong>
          )}
        </p>
        <h2 className="text-4xl font-bold">
          {stop.tag} <span className="text-xl font-normal">{stop.barName}</span>
        </h2>
      </div>
      {look && (
        <p className="border-primary border-l-4 pl-3">
          <Say text={look} />
        </p>
      )}
      <ul className="grid gap-3">
        {stop.tasks.map((task) => (
          <li key={task.key}>
            <RoundTask
              task={task}
              choice={
                stop.tasks.length > 1
                  ? {
                      isDone: !leftOut.has(`${stop.tag} ${task.key}`),
                      toggle: () => setLeftOut((before) => toggled(before, `${stop.tag} ${task.key}`)),
                    }
                  : null
              }
              result={{
                found: results[`${stop.tag} ${task.key}`],
                choose: (answer) => setResults((before) => ({ ...before, [`${stop.tag} ${task.key}`]: answer })),
              }}
            />
          </li>
        ))}
      </ul>
      {asking === "skip" ? (
        <div role="group" aria-label="Why not now" className="grid grid-cols-2 gap-2">
          {REASONS.map((reason) => (
            <button
              key={reason}
              type="button"
              className="btn btn-outline min-h-14"
              onClick={() => answer(stop, "skip", reason)}
            >
              {reason}
            </button>
          ))}
          <button type="button" className="btn btn-ghost col-span-2 min-h-12" onClick={() => setAsking(null)}>
            Back
          </button>
        </div>
      ) : asking === "wrong" ? (
        <WrongForm
          tag={stop.tag}
          send={(note, photo, zone) => sayWrong(stop.tag, note, photo, zone)}
          back={() => setAsking(null)}
        />
      ) : (
        <div className="bg-base-100 border-base-300 sticky bottom-0 -mx-4 -mb-4 grid [@media(max-height:30rem)]:static gap-2 border-t px-4 py-3">
          {doneOfStop === 0 && stop.tasks.some(({ answers }) => answers.length > 0) ? (
            <p className="text-center font-semibold">Choose a result.</p>
          ) : (
            <button
              type="button"
              className="btn btn-neutral min-h-20 text-2xl"
              disabled={doneOfStop === 0}
              onClick={() => (side === "first" ? firstSideDone(stop.tag) : answer(stop, "done"))}
            >
              {side === "first"
                ? "This side is done"
                : doneOfStop < stop.tasks.length
                  ? `${doneOfStop} of ${stop.tasks.length} done`
                  : "Done"}
            </button>
          )}
          <div className="grid grid-cols-2 gap-2">
            <button type="button" className="btn btn-outline min-h-16 text-lg" onClick={() => setAsking("skip")}>
              Not now
            </button>
            <button
              type="button"
              className="btn btn-outline border-error text-error min-h-16 text-lg"
              onClick={() => setAsking("wrong")}
            >
              Something is wrong
            </button>
          </div>
        </div>
      )}
    </section>
  );
}

/** "3 of 27": how far a side is. */
function sideCount(side: "first" | "second", left: readonly RoundStop[], first: readonly string[]): string {
  const done = left.filter(({ tag }) => first.includes(tag)).length;
  return side === "first" ? `${done + 1} of ${left.length}` : `${left.length} to go`;
}

function toggled(all: ReadonlySet<string>, one: string): ReadonlySet<string> {
  const next = new Set(all);
  if (!next.delete(one)) next.add(one);
  return next;
}
