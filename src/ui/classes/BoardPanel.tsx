"use client";

import { FormMessage } from "../kit/FormParts";
import { Time } from "../kit/shown";
import { VerdictText } from "../kit/VerdictText";
import type { Board } from "./boardModel";
import type { useMove } from "./useMove";
import { Cost, Elsewhere, OtherBar } from "./BoardCost";

interface Props {
  board: Board;
  times: readonly string[];
  tags: readonly string[];
  moving: ReturnType<typeof useMove>;
}

/** What is chosen on the board: why it is there, where else it could be, and what that costs. */
export function BoardPanel({ board, times, tags, moving }: Props) {
  const { chosen, cost, isPending, isMoved, form, move, cancel } = moving;
  const all = board.rows.flatMap(({ station, name, cells }) =>
    cells.flatMap((cell, block) => cell.people.map((person) => ({ person, station, name, block, tag: cell.tag }))),
  );
  const one = chosen && "entryId" in chosen ? all.find(({ person }) => person.id === chosen.entryId) : undefined;
  const cell = chosen && "tag" in chosen ? board.rows.find(({ station }) => station === chosen.station) : undefined;
  return (
    <section
      aria-label="Chosen"
      className="sheet max-2xl:border-t-primary px-4 py-2 text-sm max-2xl:sticky max-2xl:bottom-0 max-2xl:z-10 max-2xl:max-h-[60vh] max-2xl:overflow-y-auto max-2xl:border-t-4 2xl:sticky 2xl:top-3 2xl:min-h-40"
    >
      <div role="status" className="empty:hidden">
        {isPending ? (
          <p className="font-semibold">Working out what it costs …</p>
        ) : isMoved ? (
          <p className="font-semibold">Moved, and fixed there.</p>
        ) : form.status === "refused" ? (
          <FormMessage state={form} />
        ) : null}
      </div>
      {!chosen && (
        <p className="text-quiet">
          Drag a person or a bar elsewhere to see what it costs. Choose one to see why it is there, or to move it
          without dragging.
        </p>
      )}
      <div className="flex flex-wrap gap-x-8 gap-y-2 *:min-w-56 *:flex-1 2xl:grid">
        {cost && !isPending && <Cost cost={cost} onMove={move} onCancel={cancel} />}
        {one && (
          <>
            <div>
              <h3 className="mt-1 font-bold">
                {one.person.lifter}, {one.person.lift}
              </h3>
              <p className="flex flex-wrap items-baseline gap-x-2">
                {one.name} <Time at={times[one.block]!} /> <span className="bar-tag">{one.tag}</span>
                {one.person.verdict && (
                  <VerdictText verdict={one.person.broken.length > 0 ? "never" : one.person.verdict} />
                )}
              </p>
              {one.person.broken.map((text) => (
                <p key={text} className="text-error font-semibold">
                  {text}
                </p>
              ))}
              {one.person.tradeOff && <p className="mt-1">{one.person.tradeOff}</p>}
              {one.person.setting && <p className="mt-1">{one.person.setting}</p>}
              <ul className="text-quiet mt-1 list-disc pl-4 text-xs">
                {one.person.reasons.map((text) => (
                  <li key={text}>{text}</li>
                ))}
              </ul>
            </div>
            <Elsewhere
              key={one.person.id}
              {...{ board, times }}
              at={one}
              onAsk={(to) => moving.weigh(chosen!, { entryId: one.person.id, ...to })}
            />
          </>
        )}
        {chosen && "tag" in chosen && cell && (
          <div>
            <h3 className="mt-1 font-bold">
              {cell.name}, <Time at={times[chosen.block]!} />
            </h3>
            <OtherBar
              key={`${chosen.tag}${chosen.block}${chosen.station}`}
              tag={chosen.tag}
              tags={tags}
              onAsk={(tag) => moving.weigh(chosen, { tag, block: chosen.block, station: chosen.station })}
            />
          </div>
        )}
      </div>
    </section>
  );
}
