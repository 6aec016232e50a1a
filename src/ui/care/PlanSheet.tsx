"use client";

import type { PlannedRound } from "@/server/care/rounds";
import { FormMessage } from "../kit/FormParts";
import type { FormAction, FormState } from "../kit/formState";
import { CrewHours } from "./CrewHours";
import { Links, OutboxList, type CalendarLink, type CrewMember, type Reminder } from "./PlanForms";
import { latenessOn, RoundWeeks } from "./RoundWeeks";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  rounds: readonly PlannedRound[];
  /** Days shown, from today on. */
  days: readonly string[];
  crew: readonly CrewMember[];
  links: readonly CalendarLink[];
  publicUrl: string;
  mayPlan: boolean;
  /** Reminders, newest first. */
  outbox: readonly Reminder[];
  actions: Record<"plan" | "move" | "hours" | "link" | "revoke" | "read", FormAction>;
}

/** Four weeks of rounds: packed into the crew's hours, moved by hand, shared as a calendar. */
export function PlanSheet({ rounds, days, crew, links, publicUrl, mayPlan, outbox, actions }: Props) {
  const [planned, plan, isPlanning] = useFormAction(actions.plan);
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
            <button type="submit" disabled={isPlanning} className="btn btn-neutral">
              {rounds.length === 0 ? "Plan four weeks" : "Replan from today"}
            </button>
            <FormMessage state={planned} />
          </form>
        )}
        <Unplaced state={planned} />
      </section>
      {rounds.length > 0 && <RoundWeeks rounds={rounds} days={days} mayPlan={mayPlan} action={actions.move} />}
      {mayPlan && (
        <div className="grid gap-3 lg:grid-cols-2">
          <CrewHours crew={crew} action={actions.hours} />
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
      <strong className="text-error">Doesn’t fit any shift:</strong>{" "}
      {state.problems.map(({ message }) => message).join("; ")}. Longer hours, or fewer bars.
    </div>
  );
}
