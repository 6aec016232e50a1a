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
import { startTransition, useActionState, useState } from "react";
import { daysBetween } from "@/core/units/hallDay";
import { WEEKDAYS } from "@/core/care/staffHours";
import type { PlannedRound } from "@/server/carePlanner";
import { Field, FormMessage } from "../kit/FormParts";
import { FRESH, type FormAction, type FormState } from "../kit/formState";

interface Props {
  rounds: readonly PlannedRound[];
  /** Days shown, from today on. */
  days: readonly string[];
  crew: readonly { id: string; name: string; text: string }[];
  links: readonly { id: string; person: string | null; since: string }[];
  publicUrl: string;
  mayPlan: boolean;
  /** Reminders, newest first. */
  outbox: readonly { id: string; to: string; subject: string; body: string; at: string; isRead: boolean }[];
  actions: Record<"plan" | "move" | "hours" | "link" | "revoke" | "read", FormAction>;
}

const weekdayOf = (day: string) => new Date(`${day}T00:00:00Z`).getUTCDay() || 7;
const latenessOn = ({ dues }: PlannedRound, day: string) =>
  dues.reduce((sum, due) => sum + Math.max(0, daysBetween(due, day)), 0);

/** Four weeks of rounds: packed into the crew's hours, moved by hand, shared as a calendar. */
export function PlanSheet({ rounds, days, crew, links, publicUrl, mayPlan, outbox, actions }: Props) {
  const [planned, plan, isPlanning] = useActionState(actions.plan, FRESH);
  const lateness = rounds.reduce((sum, one) => sum + one.lateness, 0);
  // What was late before today nobody can mend.
  const already = rounds.reduce((sum, one) => sum + latenessOn(one, days[0]!), 0);
  const minutes = rounds.reduce((sum, one) => sum + one.minutes, 0);
  return (
    <div className="grid gap-3">
      <section className="sheet border-l-primary border-l-4 px-4 py-3" aria-label="In short">
        <p className="text-lg font-semibold">
          {rounds.length === 0
            ? "No rounds are planned."
            : `${rounds.length} ${rounds.length === 1 ? "round" : "rounds"}, about ${Math.ceil(minutes)} min in all, ${lateness === 0 ? "nothing later than its day" : lateness <= already ? "nothing later than it is already" : `${lateness - already} days later in all than it is already`}.`}
        </p>
        {mayPlan && (
          <form action={plan} className="mt-2 flex flex-wrap items-center gap-3">
            <button type="submit" disabled={isPlanning} className="btn btn-neutral min-h-11">
              {rounds.length === 0 ? "Plan four weeks" : "Plan anew from today"}
            </button>
            <FormMessage state={planned} />
          </form>
        )}
        <Unplaced state={planned} />
      </section>
      {rounds.length > 0 && <Weeks rounds={rounds} days={days} mayPlan={mayPlan} action={actions.move} />}
      {mayPlan && (
        <div className="grid gap-3 lg:grid-cols-2">
          <section className="sheet p-4" aria-label="Hours">
            <h2 className="font-bold">When somebody is in</h2>
            <p className="text-quiet mb-2 text-xs">
              Every week, one span a line: Mon 09:00-10:30. Rounds go around classes by themselves.
            </p>
            <div className="grid gap-3 sm:grid-cols-2">
              {crew.map((person) => (
                <HoursForm key={person.id + person.text} person={person} action={actions.hours} />
              ))}
            </div>
          </section>
          <div className="grid content-start gap-3">
            <Links links={links} crew={crew} publicUrl={publicUrl} link={actions.link} revoke={actions.revoke} />
            <OutboxList outbox={outbox} action={actions.read} />
          </div>
        </div>
      )}
    </div>
  );
}

function Unplaced({ state }: { state: FormState }) {
  if (state.problems.length === 0 || state.status === "fresh") return null;
  if (state.status === "refused") return null;
  return (
    <div role="alert" className="border-error mt-2 border-l-4 pl-3 text-sm">
      <strong className="text-error">Fits into nobody’s hours:</strong>{" "}
      {state.problems.map(({ message }) => message).join("; ")}. Longer hours, or fewer bars.
    </div>
  );
}

function Weeks({ rounds, days, mayPlan, action }: Pick<Props, "rounds" | "days" | "mayPlan"> & { action: FormAction }) {
  const [moved, move] = useActionState(action, FRESH);
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
  const dragged = over && rounds.find(({ id }) => id === over.id);
  const change = dragged ? latenessOn(dragged, over.day) - dragged.lateness : 0;
  const onMove = ({ active, over: at }: DragMoveEvent) =>
    setOver(at ? { id: String(active.id), day: String(at.id) } : null);
  return (
    <section className="sheet p-3" aria-label="Four weeks">
      <p className="min-h-6 text-sm" role="status">
        {dragged ? (
          <strong className={change > 0 ? "text-accent" : ""}>
            On {over.day}:{" "}
            {change === 0
              ? "nothing later for it"
              : change > 0
                ? `${change} days later in all`
                : `${-change} days less late in all`}
          </strong>
        ) : moved.message ? (
          <span className={moved.status === "refused" ? "text-error" : ""}>{moved.message}</span>
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
  return (
    <li
      ref={setNodeRef}
      className={`min-h-20 border p-1 ${isOver ? "border-primary border-2" : "border-base-300"}`}
      aria-label={day}
    >
      <span className="text-quiet text-xs">
        {WEEKDAYS[weekdayOf(day) - 1]} {day.slice(5)}
      </span>
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
  return (
    <article
      ref={setNodeRef}
      {...listeners}
      className={`sheet mt-1 touch-none border-l-4 p-1 text-xs ${round.lateness > 0 ? "border-l-accent" : "border-l-primary"} ${isDragging ? "relative z-10 opacity-80" : ""} ${mayPlan ? "cursor-grab" : ""}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      aria-label={`Round of ${round.person} at ${round.from} on ${round.day}`}
    >
      <strong>
        {round.from} {round.person.split(" ")[0]}
      </strong>{" "}
      <span className="text-quiet">{Math.ceil(round.minutes)} min</span>
      <ul>
        {round.tasks.map(({ key, name, bars }) => (
          <li key={key}>
            {name}: {bars.length <= 4 ? bars.map(({ tag }) => tag).join(", ") : `${bars.length} bars`}
          </li>
        ))}
      </ul>
      {round.lateness > 0 && <span className="text-accent font-semibold">late, {round.lateness} days in all</span>}
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
                {day === round.day ? "move to …" : `${WEEKDAYS[weekdayOf(day) - 1]} ${day.slice(5)}`}
              </option>
            ))}
          </select>
        </label>
      )}
    </article>
  );
}

/** What would have gone out by mail; nothing leaves the program. */
function OutboxList({ outbox, action }: { outbox: Props["outbox"]; action: FormAction }) {
  const [, read, isPending] = useActionState(action, FRESH);
  return (
    <section className="sheet p-4" aria-label="Reminders">
      <h2 className="font-bold">Reminders</h2>
      <p className="text-quiet mb-2 text-xs">
        Written on the morning of a round to whoever does it. They are kept here; nothing is mailed.
      </p>
      {outbox.length === 0 && <p className="text-sm">None yet.</p>}
      <ul className="divide-base-300 max-h-72 divide-y overflow-y-auto text-sm">
        {outbox.map(({ id, to, subject, body, at, isRead }) => (
          <li key={id} className="py-2">
            <span className={isRead ? "text-quiet" : "font-bold"}>
              {at} to {to}: {subject}
            </span>
            <span className="text-quiet block whitespace-pre-line">{body}</span>
            {!isRead && (
              <form action={read}>
                <input type="hidden" name="id" value={id} />
                <button type="submit" disabled={isPending} className="btn btn-sm btn-ghost min-h-11">
                  Read<span className="sr-only"> {subject}</span>
                </button>
              </form>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function HoursForm({ person, action }: { person: Props["crew"][number]; action: FormAction }) {
  const [form, send, isPending] = useActionState(action, FRESH);
  return (
    <form action={send} className="grid content-start gap-1">
      <input type="hidden" name="person" value={person.id} />
      <label className="text-sm font-semibold" htmlFor={`hours-${person.id}`}>
        {person.name}
      </label>
      <textarea
        id={`hours-${person.id}`}
        name="hours"
        rows={3}
        defaultValue={form.typed.hours ?? person.text}
        className="textarea w-full"
        spellCheck={false}
      />
      <button type="submit" disabled={isPending} className="btn btn-sm btn-outline min-h-11 justify-self-start">
        Keep<span className="sr-only"> the hours of {person.name}</span>
      </button>
      <FormMessage state={form} />
      {form.problems.map(({ message }) => (
        <p key={message} className="text-error text-xs">
          {message}
        </p>
      ))}
    </form>
  );
}

function Links({
  links,
  crew,
  publicUrl,
  link,
  revoke,
}: Pick<Props, "links" | "crew" | "publicUrl"> & { link: FormAction; revoke: FormAction }) {
  const [made, make, isMaking] = useActionState(link, FRESH);
  const [taken, take, isTaking] = useActionState(revoke, FRESH);
  const base = publicUrl || (typeof location === "undefined" ? "" : location.origin);
  return (
    <section className="sheet p-4" aria-label="Calendars">
      <h2 className="font-bold">In a calendar program</h2>
      <p className="text-quiet mb-2 text-xs">
        A secret address that a calendar subscribes to; it follows every change of plan, and can be taken back.
      </p>
      <form action={make} className="flex flex-wrap items-end gap-2">
        <Field state={made} name="person" label="rounds of">
          {(attributes) => (
            <select {...attributes} className="select min-h-11">
              <option value="">everybody</option>
              {crew.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <button type="submit" disabled={isMaking} className="btn btn-outline min-h-11">
          Make an address
        </button>
      </form>
      {made.typed.token && (
        <p className="border-primary mt-2 border-l-4 pl-2 text-sm break-all" role="status">
          {made.message}
          <br />
          <strong>
            {base}/care/calendar/{made.typed.token}.ics
          </strong>
        </p>
      )}
      <ul className="mt-2 text-sm">
        {links.map(({ id, person, since }) => (
          <li key={id} className="flex flex-wrap items-center gap-3">
            {person ?? "everybody"}, since {since}
            <form action={take}>
              <input type="hidden" name="id" value={id} />
              <button type="submit" disabled={isTaking} className="btn btn-sm btn-ghost min-h-11">
                Take it back<span className="sr-only"> from {person ?? "everybody"}</span>
              </button>
            </form>
          </li>
        ))}
      </ul>
      <FormMessage state={taken} />
    </section>
  );
}
