import Link from "../kit/Link";
import { checkAnswers } from "@/core/care/checks";
import { groupBy } from "@/core/collections/groupBy";
import { listed, sentence } from "@/core/units/format";
import { daysBetween } from "@/core/units/hallDay";
import type { LogItem } from "@/server/care/log";
import type { DueItem, NeedyBar } from "@/server/care/due";
import type { Finding } from "@/server/care/findings";
import type { SpotCheck } from "@/server/care/rounds";
import { AskForm } from "../kit/AskForm";
import { BarTag } from "../kit/BarTag";
import { dayText } from "@/core/units/dates";
import { dueText } from "../kit/dueText";
import type { FormAction } from "../kit/formState";
import { PageHead } from "../kit/PageHead";
import { StateText } from "../kit/StateText";
import { CareNav } from "./CareNav";
import { Findings } from "./Findings";
import { SpotChecks } from "./SpotChecks";
import { TickBoard, TickForm, UndoForm } from "./TickForms";

export interface CareQuery {
  task: string;
  bar: string;
  place: string;
  /** Days ahead to look. */
  ahead: number;
  by: string;
  on: string;
}

interface Props {
  /** Not more of them than a page holds. */
  items: DueItem[];
  /** Of all that is due. */
  count: number;
  late: number;
  minutes: number;
  log: LogItem[];
  query: CareQuery;
  tasks: { key: string; name: string }[];
  places: string[];
  crew: { id: string; name: string }[];
  today: string;
  mayTick: boolean;
  /** One key a tick, so that one sent twice counts once. */
  keys: string[];
  tickAction: FormAction;
  undoAction: FormAction;
  /** Open findings. */
  findings: Finding[];
  settleAction: FormAction;
  /** The day's spot checks. */
  checks: SpotCheck[];
  seenAction: FormAction;
  /** Bars that want care most, the neediest first; Today says the same. */
  needy?: readonly NeedyBar[];
}

/** What is due and overdue, bar by bar in the order they hang; ticked off with who and when, undone when wrong. */
export function CareSheet({
  items,
  count,
  late,
  minutes,
  log,
  query,
  tasks,
  places,
  crew,
  today,
  mayTick,
  keys,
  tickAction,
  undoAction,
  findings,
  settleAction,
  checks,
  seenAction,
  needy: [neediest, ...others] = [],
}: Props) {
  const byPlace = groupBy(
    items.map((item, i) => ({ item, key: keys[i]! })),
    ({ item }) => item.place ?? "no place",
  );
  const steps = tasks.length > 0 && query.task ? items.find(({ task }) => task === query.task)?.steps : undefined;
  return (
    <TickBoard tickAction={tickAction} undoAction={undoAction}>
      <PageHead
        title="Care"
        about={count === 0 ? undefined : `${count} due, ${late} of them late · about ${Math.ceil(minutes)} min in all`}
      >
        <CareNav here="/care" />
      </PageHead>
      {findings.length > 0 && (
        <Findings
          today={today}
          findings={findings.filter(({ tag }) => query.bar === "" || tag === query.bar)}
          maySettle={mayTick}
          action={settleAction}
        />
      )}
      {neediest && (
        <p className="sheet border-l-primary mb-3 border-l-4 px-4 py-2 text-sm" data-testid="neediest">
          <strong>
            {neediest.tag} {neediest.barName} needs care most: {neediest.what[0]}.
          </strong>{" "}
          {sentence(neediest.reason)}.{others.length > 0 && ` Then ${listed(others.map(({ tag }) => tag))}.`}
        </p>
      )}
      <SpotChecks checks={checks} today={today} action={seenAction} />
      <AskForm
        action="/care"
        label="Which care"
        className="sheet mb-3 flex flex-wrap items-baseline gap-x-5 gap-y-1 px-4 py-1.5"
      >
        <label className="ask">
          show
          <select name="task" defaultValue={query.task} key={query.task} className="min-h-11!">
            <option value="">every task</option>
            {tasks.map(({ key, name }) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="ask">
          at
          <select name="place" defaultValue={query.place} key={query.place} className="min-h-11!">
            <option value="">every place</option>
            {places.map((place) => (
              <option key={place}>{place}</option>
            ))}
          </select>
        </label>
        <label className="ask">
          due
          <select name="ahead" defaultValue={query.ahead} key={query.ahead} className="min-h-11!">
            <option value={0}>by today</option>
            <option value={7}>within a week</option>
            <option value={31}>within a month</option>
          </select>
        </label>
        {mayTick && (
          <span className="flex flex-wrap gap-x-5">
            <label className="ask">
              done by
              <select name="by" defaultValue={query.by} key={query.by} className="min-h-11!">
                {crew.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <label className="ask">
              on
              <input type="date" name="on" defaultValue={query.on} key={query.on} max={today} className="min-h-11!" />
            </label>
          </span>
        )}
        {query.bar && (
          <span className="ask">
            only <span className="bar-tag">{query.bar}</span>
            <Link href="/care" className="link text-sm">
              every bar
            </Link>
          </span>
        )}
      </AskForm>
      {steps && (
        <ol className="text-quiet mb-3 list-inside list-decimal text-sm">
          {steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      )}
      {items.length === 0 && (
        <p className="sheet p-6">Nothing is due{query.ahead > 0 ? " in that time" : " today"}. Look further ahead.</p>
      )}
      {items.length < count && (
        <p className="sheet mb-3 p-4 text-sm">
          Shown are the {items.length} longest overdue of {count}. Choose a task or a place to see the others.
        </p>
      )}
      {[...byPlace].map(([place, list]) => (
        <section key={place} className="sheet mb-3" aria-label={place}>
          <h2 className="border-base-300 border-b px-4 py-2 text-sm font-bold">
            {place} <span className="text-quiet font-normal">{list.length} due</span>
          </h2>
          <ul className="divide-base-300 divide-y">
            {list.map(({ item, key }) => (
              <li
                key={`${item.tag}-${item.task}`}
                className="grid grid-cols-[3.2rem_minmax(0,1fr)_auto] items-center gap-x-3 px-4 py-1.5 md:grid-cols-[3.2rem_9rem_minmax(0,14rem)_7rem_minmax(0,1fr)_auto]"
              >
                <BarTag tag={item.tag} className="justify-self-start" />
                <span className="hidden text-sm md:block">
                  {item.barName}
                  {item.state !== "in-service" && (
                    <span className="block text-xs">
                      <StateText state={item.state} />
                    </span>
                  )}
                </span>
                <span className="min-w-0 text-sm">
                  <span className="font-semibold">{item.taskName}</span>
                  <span className="text-quiet block text-xs md:hidden">
                    {item.barName}; {dueText(item.dueOn, today)}; {item.reason}
                  </span>
                </span>
                <span className={`hidden text-sm md:block ${item.overdueDays > 0 ? "text-accent font-bold" : ""}`}>
                  {item.lastDoneOn === null ? "never done" : dueText(item.dueOn, today)}
                </span>
                <span className="text-quiet hidden text-xs md:block">
                  {item.reason}
                  {item.lastDoneOn && `; last done ${daysBetween(item.lastDoneOn, today)} days ago`}
                </span>
                {mayTick && item.state === "quarantined" && checkAnswers(item.task, item.family).length > 0 ? (
                  <Link
                    href={`/bars/${encodeURIComponent(item.tag)}/inspect`}
                    aria-label={`Inspect ${item.tag}`}
                    className="btn btn-outline min-h-11 px-3"
                  >
                    Inspect
                  </Link>
                ) : mayTick ? (
                  <TickForm
                    tag={item.tag}
                    task={item.task}
                    taskName={item.taskName}
                    doneBy={query.by}
                    doneOn={query.on}
                    idempotencyKey={key}
                    answers={checkAnswers(item.task, item.family)}
                  />
                ) : null}
              </li>
            ))}
          </ul>
        </section>
      ))}
      {log.length > 0 && (
        <section className="sheet" aria-labelledby="lately">
          <h2 id="lately" className="border-base-300 border-b px-4 py-2 text-sm font-bold">
            Done lately
          </h2>
          <ul className="divide-base-300 divide-y text-sm">
            {log.map((entry) => (
              <li key={entry.id} className="flex flex-wrap items-center gap-x-3 px-4 py-1.5">
                <BarTag tag={entry.tag} />
                <span className={entry.isUndone ? "text-quiet line-through" : undefined}>{entry.taskName}</span>
                <span className="text-quiet">
                  {dayText(entry.doneOn, today)}, {entry.by}
                  {entry.note && `: ${entry.note}`}
                  {entry.isUndone && " (undone)"}
                </span>
                {mayTick && !entry.isUndone && <UndoForm logId={entry.id} what={`${entry.taskName} on ${entry.tag}`} />}
              </li>
            ))}
          </ul>
        </section>
      )}
    </TickBoard>
  );
}
