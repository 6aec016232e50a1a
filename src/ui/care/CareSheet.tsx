import { listed, sentence } from "@/core/units/format";
import type { LogItem } from "@/server/care/log";
import type { DueItem, NeedyBar } from "@/server/care/due";
import type { Finding } from "@/server/care/findings";
import type { SpotCheck } from "@/server/care/rounds";
import type { FormAction } from "../kit/formState";
import { PageHead } from "../kit/PageHead";
import { CareAsk, type CareQuery } from "./CareAsk";
import { CareNav } from "./CareNav";
import { type DueRow, DueRows } from "./DueRows";
import { Findings } from "./Findings";
import { LatelyRows } from "./LatelyRows";
import { SpotChecks } from "./SpotChecks";
import { TickBoard } from "./TickForms";

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

const rowOf = (item: DueItem): DueRow => {
  const { tag, barName, family, state, place, task, taskName, dueOn, lastDoneOn, overdueDays, reason, drivers } = item;
  return { tag, barName, family, state, place, task, taskName, dueOn, lastDoneOn, overdueDays, reason, drivers };
};

/** What is due and overdue, what needs it most first; ticked off with who and when, undone when wrong. */
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
          {neediest.drivers.length > 0 && `${sentence(listed(neediest.drivers))}. `}
          {others.length > 0 && `Then ${listed(others.map(({ tag }) => tag))}.`}
        </p>
      )}
      <SpotChecks checks={checks} today={today} action={seenAction} />
      <CareAsk {...{ query, tasks, places, crew, today, mayTick }} />
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
          Shown are the {items.length} of {count} that need it most. Choose a task or a place to see the others.
        </p>
      )}
      {items.length > 0 && (
        <DueRows items={items.map(rowOf)} {...{ keys, today, mayTick }} by={query.by} on={query.on} />
      )}
      {log.length > 0 && <LatelyRows {...{ log, today, mayTick }} />}
    </TickBoard>
  );
}
