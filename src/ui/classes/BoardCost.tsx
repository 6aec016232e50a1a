"use client";

import { trimmed } from "@/core/units/format";
import { useState } from "react";
import type { MoveCost } from "@/server/classes";
import { Time } from "../kit/shown";
import { VerdictText } from "../kit/VerdictText";
import type { Board } from "./boardModel";

export const percent = (share: number) => `${trimmed(100 * share, 0)} %`;

/** Who is where else then, and whether it suits better or worse. */
export function Cost({ cost, onMove, onCancel }: { cost: MoveCost; onMove: () => void; onCancel: () => void }) {
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
              ? `Suits everyone as well as before: ${percent(fitAfter)}.`
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
        <p className="text-accent mt-1 text-xs font-semibold">Not enough plates for {clashes.join("; ")}</p>
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

export function Elsewhere({
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
        See what it costs there
      </button>
    </div>
  );
}

export function OtherBar({ tag, tags, onAsk }: { tag: string; tags: readonly string[]; onAsk: (tag: string) => void }) {
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
        See what it costs with it
      </button>
    </div>
  );
}
