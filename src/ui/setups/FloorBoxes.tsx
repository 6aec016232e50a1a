"use client";

import { useDraggable, useDroppable } from "@dnd-kit/core";
import { useCallback } from "react";
import type { ListedPlace, ListedStation, ListedStored } from "@/server/setups";
import Link from "../kit/Link";

/** A rack, bench or platform: its name where it stands. */
export function StationBox({
  station,
  at,
  mayPlan,
}: {
  station: ListedStation;
  at: { x: number; y: number };
  mayPlan: boolean;
}) {
  const { listeners, attributes, setNodeRef, transform, isDragging } = useDraggable({
    id: `move:${station.id}`,
    disabled: !mayPlan,
  });
  return (
    <div
      className="absolute max-md:static! max-md:mr-1 max-md:mb-1 max-md:inline-block max-md:transform-none!"
      style={{
        left: `${at.x / 10}%`,
        top: `${at.y / 10}%`,
        transform: `translate(-${at.x / 10}%, -${at.y / 10}%)`,
        zIndex: isDragging ? 20 : undefined,
      }}
    >
      <div
        ref={setNodeRef}
        className={`border-primary bg-base-100 flex min-h-9 items-center border-2 px-2 text-xs whitespace-nowrap font-semibold ${mayPlan ? "cursor-grab touch-none" : ""}`}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
        {...(mayPlan ? { ...listeners, ...attributes, "aria-label": `Move ${station.name}` } : {})}
      >
        {station.name}
      </div>
    </div>
  );
}

export function PlaceBox({
  place,
  at,
  bars,
  wrong,
  mayHang,
  mayPlan,
}: {
  place: ListedPlace;
  at: { x: number; y: number };
  bars: readonly ListedStored[];
  wrong: ReadonlySet<string>;
  mayHang: boolean;
  mayPlan: boolean;
}) {
  const drop = useDroppable({ id: `place:${place.name}` });
  const drag = useDraggable({ id: `move:${place.id}`, disabled: !mayPlan });
  const { transform } = drag;
  const [setDrop, setDrag] = [drop.setNodeRef, drag.setNodeRef];
  // One steady function: a new one at each render would make both forget what they measured.
  const setNode = useCallback(
    (node: HTMLElement | null) => {
      setDrop(node);
      setDrag(node);
    },
    [setDrop, setDrag],
  );
  return (
    <div
      className="absolute w-72 max-md:static! max-md:mb-2 max-md:w-full max-md:transform-none!"
      // The place is measured without its own transform, so where it stands is its parent's.
      style={{
        left: `${at.x / 10}%`,
        top: `${at.y / 10}%`,
        transform: `translate(-${at.x / 10}%, -${at.y / 10}%)`,
        zIndex: drag.isDragging ? 20 : undefined,
      }}
    >
      <div
        ref={setNode}
        className={`sheet px-3 py-2 ${drop.isOver ? "outline-primary outline-2" : ""}`}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      >
        <h3
          className={`text-sm font-bold ${mayPlan ? "cursor-grab touch-none" : ""}`}
          {...(mayPlan ? { ...drag.listeners, ...drag.attributes, "aria-label": `Move ${place.name}` } : {})}
        >
          {place.name}
          <span className="text-quiet ml-2 text-xs font-normal">
            {bars.length}
            {place.slots === null ? "" : ` of ${place.slots}`}
            {place.isByWalkway && ", by a walkway"}
          </span>
        </h3>
        <ul className="mt-1 flex flex-wrap gap-1">
          {bars.map((bar) => (
            <li key={bar.tag}>
              <BarChip bar={bar} isWrong={wrong.has(bar.tag)} mayHang={mayHang} />
            </li>
          ))}
          {bars.length === 0 && <li className="text-quiet text-xs">empty</li>}
        </ul>
      </div>
    </div>
  );
}

function BarChip({ bar, isWrong, mayHang }: { bar: ListedStored; isWrong: boolean; mayHang: boolean }) {
  const { listeners, attributes, setNodeRef, transform, isDragging } = useDraggable({
    id: `bar:${bar.tag}`,
    disabled: !mayHang,
  });
  const words = `${bar.tag} ${bar.name}${bar.slot === null ? "" : `, peg ${bar.slot}`}${isWrong ? ", something is wrong" : ""}`;
  if (!mayHang)
    return (
      <Link href={`/bars/${encodeURIComponent(bar.tag)}`} className="bar-tag" title={words}>
        {bar.tag}
      </Link>
    );
  return (
    <button
      ref={setNodeRef}
      type="button"
      title={words}
      {...listeners}
      {...attributes}
      aria-label={words}
      className={`bar-tag min-h-9 cursor-grab touch-none px-2! ${isWrong ? "text-error border-2!" : ""} ${isDragging ? "opacity-70" : ""}`}
      style={
        transform
          ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 30, position: "relative" }
          : undefined
      }
    >
      {isWrong && <span aria-hidden="true">! </span>}
      {bar.tag}
      {bar.slot !== null && <span className="text-quiet ml-1 text-[0.65rem] font-normal">{bar.slot}</span>}
    </button>
  );
}
