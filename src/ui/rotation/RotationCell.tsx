"use client";

import { useDraggable, useDroppable } from "@dnd-kit/core";
import { type KeyboardEvent } from "react";
import type { BarForm } from "@/core/bars/families";
import { Kg, useShown } from "../kit/shown";
import { FormGlyph } from "./FormGlyph";

/** One week of one row, as it is shown. */
export interface GridCell {
  tag: string;
  form: BarForm;
  loadKg: number | null;
  ratioPct: number;
  targetPct: number;
  isLight: boolean;
  isLearning: boolean;
  /** Its place among several bars of the evening, from 1; null where it is the only one. */
  place: number | null;
  isCompetition: boolean;
  isPinned: boolean;
  /** What was lifted that week; null before, and where nothing was. */
  lifted: { tag: string; loadKg: number; repetitions: number } | null;
  isOver: boolean;
}

export interface Change {
  lifterId: string;
  session: number;
  week: number;
  tag: string | null;
}

export const cellId = (row: number, week: number) => `${row}.${week}`;

export function Cell({
  place,
  cell,
  label,
  isPicked,
  mayEdit,
  onPick,
  onKey,
}: {
  place: string;
  cell: GridCell;
  label: string;
  isPicked: boolean;
  mayEdit: boolean;
  onPick: () => void;
  onKey: (event: KeyboardEvent) => void;
}) {
  const { setNodeRef: setDragRef, listeners, isDragging } = useDraggable({ id: place, disabled: !mayEdit });
  const { setNodeRef: setDropRef, isOver: isUnder } = useDroppable({ id: place });
  const { tag, form, loadKg, isLight, isLearning, isCompetition, isPinned, lifted, isOver, place: bout } = cell;
  const marks = [
    bout !== null && `bar ${bout} of the evening`,
    isPinned && "pinned",
    isLearning && "new: light",
    isCompetition && "competition",
  ].filter(Boolean);
  const read = useShown();
  const said = [
    label,
    tag,
    loadKg === null ? "load unknown" : read.kg(loadKg, 1),
    ...marks,
    lifted && `lifted ${read.kg(lifted.loadKg, 1)} on ${lifted.tag}`,
  ].filter(Boolean);
  return (
    <td ref={setDropRef} className={`h-px p-0.5 ${isUnder ? "bg-primary/20" : ""}`}>
      <button
        ref={setDragRef}
        type="button"
        data-cell={place}
        {...listeners}
        onClick={onPick}
        onKeyDown={onKey}
        aria-pressed={isPicked}
        aria-label={said.join(", ")}
        className={`flex h-full w-full cursor-grab flex-col justify-start touch-none border px-1.5 py-1 text-left leading-tight ${
          isPicked ? "border-primary border-2" : "border-base-300"
        } ${isLight ? "bg-base-100" : "bg-primary/10"} ${isDragging ? "opacity-50" : ""}`}
      >
        <span className="flex w-full items-center justify-between gap-1">
          <span className="bar-tag">{tag}</span>
          <FormGlyph form={form} />
        </span>
        <span className="mt-0.5 block font-semibold tabular-nums">
          {loadKg === null ? (
            <span className="text-quiet font-normal">no load</span>
          ) : (
            <Kg value={loadKg} decimals={1} isSmall />
          )}
        </span>
        {marks.length > 0 && <span className="text-accent block text-xs">{marks.join(", ")}</span>}
        {lifted ? (
          <span className={`block text-xs ${lifted.tag === tag ? "text-quiet" : "text-error"}`}>
            lifted <Kg value={lifted.loadKg} decimals={1} />
            {lifted.tag !== tag && ` on ${lifted.tag}`}
          </span>
        ) : (
          isOver && <span className="text-quiet block text-xs">not lifted</span>
        )}
      </button>
    </td>
  );
}
