"use client";

import { useState } from "react";
import { trimmed } from "@/core/units/format";
import type { MoveCost } from "@/server/classes";
import { FormMessage } from "../kit/FormParts";
import { Time } from "../kit/shown";
import { VerdictText } from "../kit/VerdictText";
import type { Board } from "./boardModel";
import type { useMove } from "./useMove";

interface Props {
  board: Board;
  times: readonly string[];
  tags: readonly string[];
  moving: ReturnType<typeof useMove>;
}

const percent = (share: number) => `${trimmed(100 * share, 0)} %`;

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

/** Who is where else then, and whether it suits better or worse. */
function Cost({ cost, onMove, onCancel }: { cost: MoveCost; onMove: () => void; onCancel: () => void }) {
  const { fitBefore, fitAfter, changes, clashes, isPossible } = cost;
  const without = changes.filter(({ to }) => to === null);
  const isWorse = without.length > 0 || Math.round(100 * fitAfter) < Math.round(100 * fitBefore);
  return (
    <div className={`border-l-4 pl-3 ${isWorse ? "border-l-accent" : "border-l-primary"}`} data-testid="move-cost">
      <p className="font-semibold">
        {!isPossible
          ? "Not possible there."
          : changes.length === 0
            ? "Nothing changes; it is fixed there."
            : Math.round(100 * fitAfter) === Math.round(100 * fitBefore)
              ? `Suits everybody as well as before: ${percent(fitAfter)}.`
              : `Fit ${percent(fitBefore)} → ${percent(fitAfter)}.`}
      </p>
      <ul className="mt-1 grid gap-1.5">
        {changes.map(({ id, lifter, lift, from, to, because }) => (
          <li key={id} className="leading-tight">
            <strong>{lifter}</strong>, {lift}
            <span className="block text-xs">
              {to ? (
                <>
                  {from && (
                    <span className="text-quiet">
                      {from.station} <Time at={from.time} /> {from.tag} →{" "}
                    </span>
                  )}
                  {to.station} <Time at={to.time} /> <strong>{to.tag}</strong>{" "}
                  {from?.verdict !== to.verdict && <VerdictText verdict={to.verdict} />}
                </>
              ) : (
                <strong className="text-error">unassigned</strong>
              )}{" "}
              {because}
            </span>
          </li>
        ))}
      </ul>
      {clashes.length > 0 && (
        <p className="text-accent mt-1 text-xs font-semibold">The plates do not reach for {clashes.join("; ")}</p>
      )}
      <div className="mt-2 flex gap-2">
        {isPossible && (
          <button type="button" className="btn btn-sm btn-neutral" onClick={onMove}>
            Move
          </button>
        )}
        <button type="button" className="btn btn-sm btn-outline" onClick={onCancel}>
          Cancel
        </button>
      </div>
    </div>
  );
}

function Elsewhere({
  board,
  times,
  at,
  onAsk,
}: {
  board: Board;
  times: readonly string[];
  at: { station: string; block: number };
  onAsk: (to: { block: number; station: string }) => void;
}) {
  const [to, setTo] = useState({ block: at.block, station: at.station });
  const isSame = to.block === at.block && to.station === at.station;
  return (
    <div className="grid max-w-sm grid-cols-2 content-start gap-2">
      <label className="grid gap-0.5 text-xs">
        Block
        <select
          className="select select-sm w-full"
          value={to.block}
          onChange={({ target }) => setTo({ ...to, block: Number(target.value) })}
        >
          {times.map((time, block) => (
            <option key={time + block} value={block}>
              {time}
            </option>
          ))}
        </select>
      </label>
      <label className="grid gap-0.5 text-xs">
        Station
        <select
          className="select select-sm w-full"
          value={to.station}
          onChange={({ target }) => setTo({ ...to, station: target.value })}
        >
          {board.rows.map(({ station, name }) => (
            <option key={station} value={station}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="btn btn-sm btn-outline col-span-2" disabled={isSame} onClick={() => onAsk(to)}>
        What it costs there
      </button>
    </div>
  );
}

function OtherBar({ tag, tags, onAsk }: { tag: string; tags: readonly string[]; onAsk: (tag: string) => void }) {
  const [other, setOther] = useState(tag);
  return (
    <div className="mt-1 grid max-w-sm gap-2">
      <label className="grid gap-0.5 text-xs">
        Bar there
        <select className="select select-sm w-full" value={other} onChange={({ target }) => setOther(target.value)}>
          {[...new Set([tag, ...tags])].map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      </label>
      <button type="button" className="btn btn-sm btn-outline" disabled={other === tag} onClick={() => onAsk(other)}>
        What it costs with it
      </button>
    </div>
  );
}
