"use client";

import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from "@dnd-kit/core";
import type { ReactNode } from "react";
import { BarDrawing } from "../kit/BarDrawing";
import type { FormAction } from "../kit/formState";
import { Say, Time } from "../kit/shown";
import { VerdictMark } from "../kit/VerdictText";
import { Sleeve, type PlateFaces } from "../load/Sleeve";
import type { Board, BoardCell, BoardPerson } from "./boardModel";
import { BoardPanel } from "./BoardPanel";
import { useMove, type Chosen } from "./useMove";

interface Props {
  classId: string;
  board: Board;
  times: readonly string[];
  faces: PlateFaces;
  /** Bars that may be given to somebody. */
  tags: readonly string[];
  action: FormAction;
}

const cellId = (station: string, block: number) => `${block} ${station}`;
const fromCell = (id: string) => ({ block: Number(id.split(" ")[0]), station: id.split(" ").slice(1).join(" ") });

/** Stations × blocks with bars, names and plates; a person or a bar dragged elsewhere says what it costs first. */
export function ClassBoard({ classId, board, times, faces, tags, action }: Props) {
  const moving = useMove(classId, action);
  const { chosen, choose, weigh } = moving;
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  return (
    <DndContext
      id="class-board"
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        const what = active.data.current as Chosen | undefined;
        if (!over || !what) return;
        const to = fromCell(String(over.id));
        weigh(what, "entryId" in what ? { entryId: what.entryId, ...to } : { tag: what.tag, ...to });
      }}
    >
      <div className="grid items-start gap-3 2xl:grid-cols-[minmax(0,1fr)_19rem]">
        <div className="overflow-x-auto" role="region" aria-label="Board" tabIndex={0}>
          <table className="w-full min-w-2xl table-fixed border-collapse text-sm">
            <thead>
              <tr>
                <th scope="col" className="w-24 text-left align-bottom text-xs font-normal">
                  <span className="sr-only">Station</span>
                </th>
                {times.map((time, block) => (
                  <th
                    key={time + block}
                    scope="col"
                    className="border-base-content border-b-2 px-2 pb-1 text-left text-xl font-bold tabular-nums"
                  >
                    <Time at={time} />
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {board.rows.map(({ station, name, cells, capacity }) => (
                <tr key={station} className="border-base-300 border-b align-top">
                  <th scope="row" className="py-2 pr-2 text-left leading-tight font-bold">
                    {name}
                    <span className="text-quiet block text-xs font-normal">
                      {capacity === 1 ? "one at a time" : `${capacity} share`}
                    </span>
                  </th>
                  {cells.map((cell, block) => (
                    <Cell key={block} id={cellId(station, block)} label={`${name} at ${times[block]}`}>
                      <CellParts {...{ cell, block, station, faces, chosen, choose }} />
                    </Cell>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <BoardPanel {...{ board, times, tags, moving }} />
      </div>
    </DndContext>
  );
}

/** Where somebody can be put. */
function Cell({ id, label, children }: { id: string; label: string; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <td
      ref={setNodeRef}
      aria-label={label}
      className={`border-base-300 border-l px-2 py-1.5 ${isOver ? "outline-primary bg-primary/10 outline-2 -outline-offset-2" : ""}`}
    >
      {children}
    </td>
  );
}

interface CellProps {
  cell: BoardCell;
  block: number;
  station: string;
  faces: PlateFaces;
  chosen: Chosen | null;
  choose: (chosen: Chosen) => void;
}

function CellParts({ cell, block, station, faces, chosen, choose }: CellProps) {
  if (cell.people.length === 0) return <span className="text-quiet block py-2 text-xs">free</span>;
  return (
    <>
      {cell.tag && (
        <Chip
          id={`bar ${block} ${station}`}
          data={{ tag: cell.tag, block, station }}
          isChosen={chosen !== null && "tag" in chosen && chosen.block === block && chosen.station === station}
          onChoose={choose}
          label={`Bar ${cell.tag} ${cell.barName}`}
        >
          <span className="flex items-baseline gap-1.5">
            <span className="bar-tag">{cell.tag}</span>
            <span className="truncate">{cell.barName}</span>
          </span>
          {cell.drawing && <BarDrawing drawing={cell.drawing} label="" className="mt-1 max-h-8" marginMm={2} />}
        </Chip>
      )}
      <ul className="mt-1 grid grid-cols-[minmax(0,1fr)] gap-0.5">
        {cell.people.map((person) => (
          <li key={person.id}>
            <Chip
              id={`person ${person.id}`}
              data={{ entryId: person.id }}
              isChosen={chosen !== null && "entryId" in chosen && chosen.entryId === person.id}
              onChoose={choose}
              label={`${person.lifter}, ${person.lift}`}
            >
              <PersonParts person={person} faces={faces} />
            </Chip>
          </li>
        ))}
      </ul>
    </>
  );
}

function PersonParts({ person, faces }: { person: BoardPerson; faces: PlateFaces }) {
  const { lifter, lift, load, verdict, broken, setting, perSide } = person;
  return (
    <>
      <span className="flex items-center gap-1.5 font-semibold">
        <VerdictMark verdict={broken.length > 0 ? "never" : (verdict ?? "never")} />
        <span className={`min-w-0 truncate ${broken.length > 0 ? "text-error line-through" : ""}`}>{lifter}</span>
        <span className="ml-auto tabular-nums whitespace-nowrap">
          <Say text={load} />
        </span>
      </span>
      <span className="flex items-center justify-between gap-2 text-xs">
        <span className="text-quiet min-w-0">
          <span className="block truncate">{lift}</span>
          {setting && <span className="block whitespace-nowrap">J-cups {/hole (\d+)/.exec(setting)?.[1]}</span>}
        </span>
        {perSide.length > 0 && <Sleeve stack={perSide} faces={faces} />}
      </span>
    </>
  );
}

interface ChipProps {
  id: string;
  data: Chosen;
  isChosen: boolean;
  onChoose: (chosen: Chosen) => void;
  label: string;
  children: ReactNode;
}

/** What can be dragged, or chosen and put elsewhere by the panel. */
function Chip({ id, data, isChosen, onChoose, label, children }: ChipProps) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id, data });
  return (
    <button
      ref={setNodeRef}
      type="button"
      aria-pressed={isChosen}
      aria-label={label}
      onClick={() => onChoose(data)}
      {...listeners}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      className={`relative block min-h-9 w-full cursor-grab touch-pan-y border px-1.5 py-1 text-left leading-tight ${
        isDragging ? "bg-base-100 z-20 shadow-lg" : ""
      } ${isChosen ? "border-primary bg-primary/10" : "hover:bg-base-200 border-transparent"}`}
    >
      {children}
    </button>
  );
}
