"use client";

import {
  DndContext,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragMoveEvent,
} from "@dnd-kit/core";
import { useShown } from "../kit/shown";
import { startTransition, useState } from "react";
import { weekdayOf } from "@/core/units/calendar";
import { daysBetween } from "@/core/units/hallDay";
import type { PlannedRound } from "@/server/care/rounds";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  rounds: readonly PlannedRound[];
  /** Days shown, from today on. */
  days: readonly string[];
  mayPlan: boolean;
  action: FormAction;
}

/** Days late over all jobs of a round if it were on a day. */
export const latenessOn = ({ dues }: PlannedRound, day: string) =>
  dues.reduce((sum, due) => sum + Math.max(0, daysBetween(due, day)), 0);

/** Rounds by the week; each is moved to another day by dragging it or by choosing the day in it. */
export function RoundWeeks({ rounds, days, mayPlan, action }: Props) {
  const { day: dayOf } = useShown();
  const [moved, move] = useFormAction(action);
  const [over, setOver] = useState<{ id: string; day: string } | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const blank = weekdayOf(days[0]!) - 1;
  const send = (round: PlannedRound, day: string) => {
    const form = new FormData();
    form.set("id", round.id);
    form.set("day", day);
    form.set("version", String(round.version));
    startTransition(() => move(form));
  };
  const moveAnyway = () => {
    const form = new FormData();
    for (const [key, value] of Object.entries(moved.typed)) form.set(key, value);
    form.set("isSure", "yes");
    startTransition(() => move(form));
  };
  const dragged = over && rounds.find(({ id }) => id === over.id);
  const change = dragged ? latenessOn(dragged, over.day) - dragged.lateness : 0;
  const onMove = ({ active, over: at }: DragMoveEvent) =>
    setOver(at ? { id: String(active.id), day: String(at.id) } : null);
  return (
    <section className="sheet p-3" aria-label="Four weeks">
      <p className="min-h-6 text-sm" role="status">
        {dragged ? (
          <strong className={change > 0 ? "text-accent" : ""}>
            On {dayOf(over.day)}:{" "}
            {change === 0
              ? "nothing later for it"
              : change > 0
                ? `${change} days later in all`
                : `${-change} days less late in all`}
          </strong>
        ) : moved.message ? (
          <span className={moved.status === "refused" ? "text-error font-semibold" : ""}>
            {moved.message}{" "}
            {moved.problems.some(({ path }) => path === "isSure") && (
              <button type="button" className="btn btn-sm btn-outline" onClick={() => moveAnyway()}>
                Move anyway
              </button>
            )}
          </span>
        ) : (
          <span className="text-quiet">Drag a round to another day, or choose the day in it.</span>
        )}
      </p>
      <DndContext
        id="rounds"
        sensors={sensors}
        onDragMove={onMove}
        onDragCancel={() => setOver(null)}
        onDragEnd={({ active, over: at }) => {
          setOver(null);
          const round = rounds.find(({ id }) => id === active.id);
          if (round && at && at.id !== round.day) send(round, String(at.id));
        }}
      >
        <ol className="grid gap-1 md:grid-cols-7">
          {Array.from({ length: blank }, (_, i) => (
            <li key={i} className="hidden md:block" aria-hidden />
          ))}
          {days.map((day) => (
            <Day key={day} day={day} isOver={over?.day === day}>
              {rounds
                .filter((one) => one.day === day)
                .map((one) => (
                  <Round key={one.id} round={one} days={days} mayPlan={mayPlan} move={(to) => send(one, to)} />
                ))}
            </Day>
          ))}
        </ol>
      </DndContext>
    </section>
  );
}

function Day({ day, isOver, children }: { day: string; isOver: boolean; children: React.ReactNode }) {
  const { setNodeRef } = useDroppable({ id: day });
  const { day: dayOf } = useShown();
  return (
    <li
      ref={setNodeRef}
      className={`min-h-16 border p-1 ${isOver ? "border-primary border-2" : "border-base-300"}`}
      aria-label={day}
    >
      <span className="text-quiet text-xs">{dayOf(day)}</span>
      {children}
    </li>
  );
}

function Round({
  round,
  days,
  mayPlan,
  move,
}: {
  round: PlannedRound;
  days: readonly string[];
  mayPlan: boolean;
  move: (day: string) => void;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: round.id, disabled: !mayPlan });
  const { day: dayOf } = useShown();
  const jobs = round.tasks.reduce((sum, { at }) => sum + at.length, 0);
  return (
    <article
      ref={setNodeRef}
      {...listeners}
      className={`sheet mt-1 touch-none border-l-4 p-1 text-xs ${round.outOfUse.length > 0 ? "border-l-error" : round.lateness > 0 ? "border-l-accent" : "border-l-primary"} ${isDragging ? "relative z-10 opacity-80" : ""} ${mayPlan ? "cursor-grab" : ""}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      aria-label={`Round of ${round.person} at ${round.from} on ${dayOf(round.day)}`}
    >
      <strong>
        {round.from} {round.person.split(" ")[0]}
      </strong>{" "}
      <span className="text-quiet">{Math.ceil(round.minutes)} min</span>
      {round.lateness > 0 && <p className="text-accent font-semibold">late, {round.lateness} days in all</p>}
      {round.outOfUse.map((text) => (
        <p key={text} className="text-error font-bold">
          {text}
        </p>
      ))}
      <details onPointerDown={(event) => event.stopPropagation()}>
        <summary className="text-quiet min-h-6 cursor-pointer">
          {jobs} {jobs === 1 ? "job" : "jobs"}
        </summary>
        <ul>
          {round.tasks.map(({ key, name, isOfStations, at }) => (
            <li key={key}>
              {name}:{" "}
              {at.length <= 4
                ? at.map((one) => one.name).join(", ")
                : `${at.length} ${isOfStations ? "stations" : "bars"}`}
            </li>
          ))}
        </ul>
      </details>
      <Link href={`/care/rounds?plan=${round.id}`} className="link inline-flex min-h-8 items-center font-semibold">
        Start
      </Link>
      {mayPlan && (
        <label className="block">
          <span className="sr-only">Move to</span>
          <select
            value={round.day}
            onChange={(event) => move(event.target.value)}
            className="min-h-8 w-full bg-transparent text-xs"
            onPointerDown={(event) => event.stopPropagation()}
          >
            {days.map((day) => (
              <option key={day} value={day}>
                {day === round.day ? "move to …" : dayOf(day)}
              </option>
            ))}
          </select>
        </label>
      )}
    </article>
  );
}

/** What would have gone out by mail; nothing leaves the program. */
