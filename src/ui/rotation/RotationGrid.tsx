"use client";

import { DndContext, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import { startTransition, useRef, useState, type KeyboardEvent } from "react";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { type GridCell, type Change, cellId, Cell } from "./RotationCell";

export interface GridRow {
  lifterId: string;
  lifterKey: string;
  name: string;
  session: number;
  sessionName: string;
  cells: readonly GridCell[];
}

interface Props {
  id: string;
  version: number;
  weeks: readonly { number: number; from: string; targetPct: number }[];
  rows: readonly GridRow[];
  tags: readonly string[];
  mayEdit: boolean;
  action: FormAction;
}

/** The weeks of a rotation: each cell a bar with the load to start with; dragged or moved by keys, it is pinned. */
export function RotationGrid({ id, version, weeks, rows, tags, mayEdit, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const [picked, setPicked] = useState<{ row: number; week: number } | null>(null);
  const table = useRef<HTMLTableElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const change = (changes: readonly Change[]) => {
    if (!mayEdit || isPending) return;
    const body = new FormData();
    body.set("id", id);
    body.set("version", String(version));
    body.set("changes", JSON.stringify(changes));
    startTransition(() => send(body));
  };
  const swap = (r: number, from: number, to: number) => {
    const row = rows[r]!;
    const [one, other] = [row.cells[from], row.cells[to]];
    if (!one || !other || from === to) return;
    const at = { lifterId: row.lifterId, session: row.session };
    change([
      { ...at, week: to + 1, tag: one.tag },
      { ...at, week: from + 1, tag: other.tag },
    ]);
    setPicked({ row: r, week: to });
  };
  const focus = (r: number, w: number) =>
    table.current?.querySelector<HTMLButtonElement>(`[data-cell="${cellId(r, w)}"]`)?.focus();
  const onKey = (event: KeyboardEvent, r: number, w: number) => {
    const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
    if (!step) return;
    event.preventDefault();
    const [down, right] = step as [number, number];
    if (event.altKey || event.shiftKey) {
      if (right !== 0) swap(r, w, w + right);
    } else focus(r + down, w + right);
  };
  const cell = picked && rows[picked.row]?.cells[picked.week];
  const row = picked && rows[picked.row];
  return (
    <div className="grid gap-2">
      <p className="min-h-6 text-sm" role="status">
        {isPending ? (
          "Planning …"
        ) : form.message ? (
          <span className={form.status === "refused" ? "text-error font-semibold" : ""}>
            {[form.message, ...form.problems.map(({ message }) => message)].join(" ")}
          </span>
        ) : mayEdit ? (
          <span className="text-quiet">
            Drag a bar to another week, or hold Shift and press an arrow. Choose a cell to pin another bar. The rest is
            planned around pins.
          </span>
        ) : null}
      </p>
      <DndContext
        id="rotation"
        sensors={sensors}
        onDragEnd={({ active, over }) => {
          const [from, to] = [String(active.id).split("."), String(over?.id ?? "").split(".")];
          if (over && from[0] === to[0]) swap(Number(from[0]), Number(from[1]), Number(to[1]));
        }}
      >
        <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Weeks of the rotation">
          <table ref={table} className="w-full border-collapse text-sm">
            <thead>
              <tr className="align-bottom">
                <th scope="col" className="bg-base-100 sticky left-0 z-10 pr-3 text-left font-normal">
                  <span className="sr-only">Lifter</span>
                </th>
                {weeks.map(({ number, from, targetPct }) => (
                  <th key={number} scope="col" className="min-w-18 px-1 text-left font-normal">
                    <span aria-hidden className="bg-primary/25 mb-1 block" style={{ height: `${targetPct * 0.4}px` }} />
                    <span className="block font-semibold">{targetPct} %</span>
                    <span className="text-quiet block text-xs whitespace-nowrap">
                      <span className="sr-only">week {number}, from </span>
                      {from}
                    </span>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((one, r) => (
                <tr key={`${one.lifterId} ${one.session}`} className="border-base-300 border-t align-top">
                  <th
                    scope="row"
                    className="bg-base-100 sticky left-0 z-10 max-w-28 py-2 pr-3 text-left leading-tight font-semibold"
                  >
                    {one.name}
                    <span className="text-quiet block text-xs font-normal">{one.sessionName}</span>
                  </th>
                  {one.cells.map((week, w) => (
                    <Cell
                      key={w}
                      place={cellId(r, w)}
                      cell={week}
                      label={`${one.name}, ${one.sessionName}, week ${w + 1}`}
                      isPicked={picked?.row === r && picked.week === w}
                      mayEdit={mayEdit}
                      onPick={() => setPicked({ row: r, week: w })}
                      onKey={(event) => onKey(event, r, w)}
                    />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </DndContext>
      {mayEdit && cell && row && (
        <div
          role="group"
          aria-label="The chosen week"
          className="border-primary flex flex-wrap items-center gap-3 border-l-4 pl-3 text-sm"
        >
          <strong>
            {row.name}, week {picked.week + 1}
          </strong>
          <label className="flex items-center gap-2">
            Bar
            <select
              value={cell.tag}
              onChange={({ target }) =>
                change([{ lifterId: row.lifterId, session: row.session, week: picked.week + 1, tag: target.value }])
              }
              className="select select-sm w-28"
            >
              {[...new Set([cell.tag, ...tags])].map((tag) => (
                <option key={tag}>{tag}</option>
              ))}
            </select>
          </label>
          {cell.isPinned ? (
            <button
              type="button"
              className="btn btn-sm btn-outline"
              disabled={isPending}
              onClick={() =>
                change([{ lifterId: row.lifterId, session: row.session, week: picked.week + 1, tag: null }])
              }
            >
              Unpin
            </button>
          ) : (
            <button
              type="button"
              className="btn btn-sm btn-outline"
              disabled={isPending}
              onClick={() =>
                change([{ lifterId: row.lifterId, session: row.session, week: picked.week + 1, tag: cell.tag }])
              }
            >
              Pin {cell.tag} here
            </button>
          )}
          <span className="text-quiet">
            worth {cell.ratioPct} % of the straight bar, aimed at {cell.targetPct} %
          </span>
        </div>
      )}
    </div>
  );
}
